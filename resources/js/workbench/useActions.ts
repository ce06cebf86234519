import { useMemo } from 'react';
import { useNavigate } from 'react-router';
import { files } from '../api/client';
import { useLaying } from '../job/laying';
import { useMeasuring } from '../job/measuring';
import { freePorts, placesToLay } from '../job/newItems';
import { usePieces } from '../job/pieces';
import { usePreferences } from '../job/preferences';
import { useSectionPlane } from '../job/sectionPlane';
import { type Stage, stages, useWorkbench } from '../job/store';
import { tell } from '../job/tell';
import { useJob } from '../job/useJob';
import { useWays } from '../job/ways';
import { useAdding } from '../locker/useAdding';
import { useCamera, VIEWS, type ViewName } from '../view/camera';
import { useSectionToggle } from '../view/section/useSectionToggle';

/** An action that can be started from the search and by its key. */
export interface Action {
  name: string;
  /** As it is displayed: "Ctrl+Z". */
  key?: string;
  /** The stage in which the key works; all of them by default. */
  stage?: Stage;
  /** Works while a field has the focus, too. */
  always?: boolean;
  isOpen?: boolean;
  run: () => void;
}

const STAGE_NAMES: Record<Stage, string> = { place: 'Place', lay: 'Lay', check: 'Check', make: 'Make' };

/** Returns all actions, for keys and for the search. */
export function useActions(): Action[] {
  const { state, lay, edit, goBy, item } = useJob();
  const navigate = useNavigate();
  const add = useAdding();
  const picked = useWorkbench((store) => store.picked);
  const laying = useLaying((store) => store.start !== null || store.choosing);
  const isCut = useSectionPlane((store) => store.run !== null);
  const toggleSection = useSectionToggle();

  return useMemo(() => {
    const workbench = useWorkbench.getState();
    const camera = useCamera.getState();
    const leg = picked?.list === 'runs' && picked.part !== null && 'leg' in picked.part ? picked.part.leg : null;
    const name = picked === null ? '' : (item(picked.list, picked.id)?.name ?? picked.id);
    const save = (address: string) => {
      const link = document.createElement('a');
      link.href = address;
      link.download = '';
      link.click();
    };
    const actions: Action[] = [
      { name: 'Find anything', key: 'Ctrl+K', always: true, run: () => workbench.open('find') },
      { name: 'Keys of this stage', key: '?', run: () => workbench.open('keys') },
      {
        name: 'Undo',
        key: 'Ctrl+Z',
        isOpen: state.step > (state.steps[0]?.number ?? 1) - 1 && state.step > 0,
        run: () => tell(goBy(-1)),
      },
      {
        name: 'Redo',
        key: 'Ctrl+Shift+Z',
        isOpen: state.step < (state.steps.at(-1)?.number ?? 0),
        run: () => tell(goBy(1)),
      },
      { name: 'Steps so far', key: 'Ctrl+Alt+Z', run: () => workbench.open('steps') },
      ...stages.map((to, index) => ({
        name: `Go to ${STAGE_NAMES[to]}`,
        key: `Alt+${index + 1}`,
        always: true,
        run: () => navigate(`/jobs/${state.id}/${to}`),
      })),
      { name: 'Show everything', key: 'Home', run: () => camera.zoomTo('all') },
      { name: 'Zoom to what is picked', key: 'o', isOpen: picked !== null, run: () => camera.zoomTo('picked') },
      ...(Object.keys(VIEWS) as ViewName[]).map((view) => ({
        name: `View ${VIEWS[view].name}`,
        run: () => camera.look(view),
      })),
      { name: 'See through the surroundings, or make them solid', key: 'u', run: workbench.toggleSeeThrough },
      {
        name: 'Hide what is picked, or show it',
        key: 'h',
        isOpen: picked !== null && picked.list !== 'stock',
        run: () => picked !== null && workbench.toggleHidden(picked.list, picked.id),
      },
      {
        name: 'Show what is picked by itself, or the rest again',
        key: 'i',
        isOpen: picked !== null && picked.list !== 'stock',
        run: () =>
          workbench.isolate(
            useWorkbench.getState().alone === null && picked !== null ? { list: picked.list, id: picked.id } : null,
          ),
      },
      {
        name: 'Look at the picked run in section, or leave it',
        key: 'w',
        isOpen: picked?.list === 'runs' || isCut,
        run: toggleSection,
      },
      { name: 'Colours by what runs carry, or by material', key: 'b', run: usePreferences.getState().toggleByService },
      { name: 'Legend of what runs carry', run: () => workbench.open('services') },
      { name: 'Revisions: issue, open, compare', run: () => workbench.open('revisions') },
      { name: 'What stands on the drawings: paper, title block', run: () => workbench.open('sheets') },
      {
        name: 'Measure between two things, or leave it',
        key: 'm',
        isOpen: !laying,
        run: () => (useMeasuring.getState().on ? useMeasuring.getState().stop() : useMeasuring.getState().begin()),
      },
      { name: 'Show all that is hidden', key: 'Shift+H', run: workbench.showAll },
      {
        name: 'Lay a run by hand',
        key: 'l',
        stage: 'lay',
        isOpen: !laying,
        run: () => {
          navigate(`/jobs/${state.id}/lay`);
          useLaying.getState().choose();
        },
      },
      {
        name: 'Lay it for me, between two ports or many',
        key: 'Shift+L',
        stage: 'lay',
        isOpen: !laying,
        run: () => {
          navigate(`/jobs/${state.id}/lay`);
          const free = freePorts(state.places, state.job.fittings ?? [], state.job.runs ?? []);
          const open = placesToLay([], [], state.job.runs ?? []).filter(({ name }) =>
            [`${picked?.id}.to`, `${picked?.id}.from`].includes(name),
          );
          const from = (picked?.list === 'runs' ? (open[1] ?? open[0]) : undefined) ?? free[0];
          const fitting = (of: string | undefined) => of?.split('.')[0];
          const others = free.filter(({ name }) => name !== from?.name);
          const other = others.find((port) => fitting(port.name) !== fitting(from?.name)) ?? others[0];
          useWays.getState().ask([{ from: from?.name, to: other?.name }]);
        },
      },
      {
        name: `Lay ${name} again, near to where it was`,
        stage: 'lay',
        isOpen: !laying && picked?.list === 'runs',
        run: () => picked !== null && useWays.getState().ask([{ again: picked.id }]),
      },
      {
        name: 'Put a corner into the picked leg',
        key: 'Ins',
        stage: 'lay',
        isOpen: leg !== null,
        run: () => leg !== null && picked !== null && tell(lay(picked.id, { do: 'insert-corner', vertex: leg })),
      },
      {
        name: 'Reverse the picked run',
        stage: 'lay',
        isOpen: picked?.list === 'runs',
        run: () => picked !== null && tell(lay(picked.id, { do: 'reverse' })),
      },
      {
        name: leg === null ? `Delete ${name || 'what is picked'}` : 'Take out the corner at the end of the picked leg',
        key: 'Del',
        isOpen: picked !== null,
        run: () => {
          if (picked !== null) {
            tell(
              leg !== null
                ? lay(picked.id, { do: 'remove-corner', vertex: leg })
                : edit([{ list: picked.list, id: picked.id, item: null }]),
            );
          }
        },
      },
      ...add.map((one) => ({ ...one })),
      { name: 'Bring in existing lines (DXF, CSV)', run: () => workbench.open('lines') },
      {
        name: 'Straight pieces first',
        key: 'p',
        stage: 'lay',
        isOpen: !laying,
        run: () => {
          navigate(`/jobs/${state.id}/lay`);
          usePieces.getState().begin(state.remembered.stock ?? state.job.stock?.[0]?.id ?? '');
        },
      },
      {
        name: 'Clamp on a run: point at it',
        key: 'c',
        isOpen: !laying,
        run: () => add.find(({ name: one }) => one.startsWith('Add a clamp on a run'))?.run(),
      },
      { name: 'Stock catalogue', key: 'k', run: () => workbench.open('catalogue') },
      { name: 'Benders', run: () => workbench.open('benders') },
      { name: 'Sets of runs: one length, a budget', key: 's', run: () => workbench.open('sets') },
      { name: 'Lay several flexible runs at once', run: () => workbench.open('several') },
      { name: 'Comb runs into a bundle', run: () => workbench.open('comb') },
      { name: 'Named values', key: 'v', run: () => workbench.open('values') },
      { name: 'Save the job file', run: () => save(files.job(state)) },
      { name: 'Save all runs as STEP', run: () => save(files.body(state.id, undefined, 'step')) },
      { name: 'Save all runs as STL', run: () => save(files.body(state.id, undefined, 'stl')) },
      { name: 'All jobs', run: () => navigate('/jobs') },
    ];
    return actions;
  }, [state, picked, laying, add, navigate, lay, edit, goBy, item, isCut, toggleSection]);
}
