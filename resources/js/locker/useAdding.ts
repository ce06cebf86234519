import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { api } from '../api/client';
import type { List, NewItem, Part } from '../api/types';
import { usePointing } from '../job/pointing';
import { useWorkbench } from '../job/store';
import { tell } from '../job/tell';
import { type ItemOf, useJob } from '../job/useJob';
import { usePreferredStock } from '../job/usePreferredStock';
import { useCamera } from '../view/camera';
import { bringInBody } from './bringInBody';

const FEW = 5;

export interface Adding {
  list: List;
  name: string;
  run: () => void;
}

/** Returns what can be added to a job, except runs, which begin at a port. */
export function useAdding(): Adding[] {
  const { state, items, put, lay } = useJob();
  const jobId = state.id;
  const parts = useQuery({ queryKey: ['parts'], queryFn: api.parts, staleTime: Number.POSITIVE_INFINITY });
  const pick = useWorkbench((store) => store.pick);
  const picked = useWorkbench((store) => store.picked);
  const [preferred] = usePreferredStock();
  // A new part is made for the stock that is picked, or for that which would be laid next.
  const stock = picked?.list === 'stock' ? picked.id : preferred;
  return useMemo(() => {
    const add = (asked: NewItem) =>
      tell(
        api.newItem(jobId, asked).then(async ({ list, item }) => {
          await put(list, item as ItemOf<typeof list>, `Add ${item.name}`);
          pick(list, item.id);
          // In a scene with little in it a new item may be outside the view.
          if (
            list !== 'stock' &&
            list !== 'harnesses' &&
            items('fittings').length + items('surroundings').length < FEW
          ) {
            useCamera.getState().zoomTo('all');
          }
        }),
      );
    const bringIn = () => {
      const chooser = document.createElement('input');
      chooser.type = 'file';
      chooser.accept = '.step,.stp,.p21,.stl,.obj,.glb';
      chooser.onchange = () => {
        const file = chooser.files?.[0];
        if (file !== undefined) {
          tell(
            bringInBody(file).then((body) => {
              add(body);
              useCamera.getState().zoomTo('all');
            }),
          );
        }
      };
      chooser.click();
    };
    /** Adds a clamp on a run where it is pointed at, with the axis of the leg and the bore of the tube. */
    const clampOnRun = () =>
      usePointing.getState().ask({
        words: 'Where on a run does the clamp go?',
        kinds: ['leg'],
        take: async ({ run: runId, vertex, at }) => {
          const run = items('runs').find(({ id }) => id === runId);
          if (run === undefined || vertex === undefined) {
            return;
          }
          const { item } = await api.newItem(jobId, {
            kind: 'clamp',
            run: run.id,
            vertex,
            at: at.toArray() as NewItem['at'],
          });
          await put('clamps', item as unknown as ItemOf<'clamps'>, `Put a clamp on ${run.name ?? run.id}`);
          await lay(run.id, { do: 'through-clamp', vertex, clamp: item.id });
          pick('clamps', item.id);
        },
      });
    const portOnBody = () =>
      usePointing.getState().ask({
        words: 'On which hole or round end does the port go?',
        kinds: ['round'],
        take: async ({ round }) =>
          round === undefined ? undefined : add({ kind: 'port', ...round, ...(stock === '' ? {} : { stock }) }),
      });
    return [
      ...(parts.data ?? []).map(({ kind, title }) => ({
        list: 'fittings' as const,
        name: `Add ${/^[aeiou]/i.test(title) ? 'an' : 'a'} ${title.toLowerCase()}`,
        run: () => add({ kind: 'part', part: kind as Part['kind'], ...(stock === '' ? {} : { stock }) }),
      })),
      { list: 'fittings', name: 'Add a fitting of your own', run: () => add({ kind: 'fitting' }) },
      { list: 'fittings', name: 'Add a port on a body: point at its hole', run: portOnBody },
      { list: 'clamps', name: 'Add a clamp on a run: point at it', run: clampOnRun },
      { list: 'clamps', name: 'Add a clamp in space', run: () => add({ kind: 'clamp' }) },
      { list: 'stock', name: 'Add stock from the catalogue', run: () => useWorkbench.getState().open('catalogue') },
      { list: 'stock', name: 'Add stock of your own', run: () => add({ kind: 'stock' }) },
      { list: 'stock', name: 'Add a bundle, to lay trunks of', run: () => add({ kind: 'bundle' }) },
      { list: 'harnesses', name: 'Add a harness', run: () => add({ kind: 'harness' }) },
      { list: 'surroundings', name: 'Add a box', run: () => add({ kind: 'box' }) },
      { list: 'surroundings', name: 'Add a cylinder', run: () => add({ kind: 'cylinder' }) },
      { list: 'surroundings', name: 'Add a panel', run: () => add({ kind: 'panel' }) },
      { list: 'surroundings', name: 'Add a body from a file (STEP, STL, OBJ, GLB)', run: bringIn },
    ];
  }, [jobId, items, put, pick, lay, parts.data, stock]);
}
