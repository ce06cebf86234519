import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { api } from '../api/client';
import type { List, Part } from '../api/types';
import { newBox, newClamp, newCylinder, newFitting, newMesh, newPanel, newPart, newStock } from '../job/newItems';
import { usePointing } from '../job/pointing';
import { useWorkbench } from '../job/store';
import { tell } from '../job/tell';
import { told } from '../job/tracks';
import { freshId, type ItemOf, useJob } from '../job/useJob';
import { useCamera } from '../view/camera';

const FEW = 5;

export interface Adding {
  list: List;
  name: string;
  run: () => void;
}

/** What can be added to a job, a run apart: that begins at a port. */
export function useAdding(): Adding[] {
  const { items, put, lay } = useJob();
  const parts = useQuery({ queryKey: ['parts'], queryFn: api.parts, staleTime: Number.POSITIVE_INFINITY });
  const pick = useWorkbench((store) => store.pick);
  return useMemo(() => {
    const add = <L extends List>(
      list: L,
      name: string,
      make: (id: string, name: string, before: number) => ItemOf<L>,
    ) => {
      const id = freshId(items(list), name);
      tell(
        put(list, make(id, name, items(list).length)).then(() => {
          pick(list, id);
          // In a scene with little in it yet, what is new may stand outside the view.
          if (list !== 'stock' && items('fittings').length + items('surroundings').length < FEW) {
            useCamera.getState().zoomTo('all');
          }
        }),
      );
    };
    const bringInMesh = () => {
      const chooser = document.createElement('input');
      chooser.type = 'file';
      chooser.accept = '.stl,.obj,.glb';
      chooser.onchange = () => {
        const file = chooser.files?.[0];
        if (file !== undefined) {
          tell(
            api.takeMesh(file).then((mesh) => {
              add('surroundings', file.name.replace(/\.\w+$/, ''), (id, name) => newMesh(id, name, mesh));
              useCamera.getState().zoomTo('all');
            }),
          );
        }
      };
      chooser.click();
    };
    /** On a run where it is pointed at: its axis is that of the leg, its bore that of the tube. */
    const clampOnRun = () =>
      usePointing.getState().ask({
        words: 'Where on a run does the clamp go?',
        kinds: ['leg'],
        take: async ({ run: runId, vertex, at, along }) => {
          const run = items('runs').find(({ id }) => id === runId);
          const stock = items('stock').find(({ id }) => id === run?.stock);
          if (run === undefined || vertex === undefined || along === undefined) {
            return;
          }
          const id = freshId(items('clamps'), 'Clamp');
          const od = Number(stock?.section.od ?? 12);
          const place = at.toArray().map((part) => Math.round(part * 10) / 10) as [number, number, number];
          const onLeg = place.map((part, axis) =>
            Math.abs(along.getComponent(axis)) > 1e-9 ? part : at.getComponent(axis),
          );
          await put(
            'clamps',
            {
              ...newClamp(id, `Clamp ${items('clamps').length + 1}`),
              at: onLeg as never,
              axis: told(along),
              bore: od,
              width: Math.max(10, Math.round(od)),
            },
            `Put a clamp on ${run.name ?? run.id}`,
          );
          await lay(run.id, { do: 'through-clamp', vertex, clamp: id });
          pick('clamps', id);
        },
      });
    return [
      ...(parts.data ?? []).map(({ kind, title }) => ({
        list: 'fittings' as const,
        name: `Add a ${title.toLowerCase()}`,
        run: () => add('fittings', title, newPart(kind as Part['kind'])),
      })),
      { list: 'fittings', name: 'Add a fitting of your own', run: () => add('fittings', 'Fitting', newFitting) },
      { list: 'clamps', name: 'Add a clamp on a run: point at it', run: clampOnRun },
      { list: 'clamps', name: 'Add a clamp in space', run: () => add('clamps', 'Clamp', newClamp) },
      { list: 'stock', name: 'Add stock from the catalogue', run: () => useWorkbench.getState().open('catalogue') },
      { list: 'stock', name: 'Add stock of your own', run: () => add('stock', 'Tube 12 × 1.5', newStock) },
      { list: 'surroundings', name: 'Add a box', run: () => add('surroundings', 'Box', newBox) },
      { list: 'surroundings', name: 'Add a cylinder', run: () => add('surroundings', 'Cylinder', newCylinder) },
      { list: 'surroundings', name: 'Add a panel', run: () => add('surroundings', 'Panel', newPanel) },
      { list: 'surroundings', name: 'Add a mesh (STL, OBJ, GLB)', run: bringInMesh },
    ];
  }, [items, put, pick, lay, parts.data]);
}
