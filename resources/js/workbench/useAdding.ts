import { useMemo } from 'react';
import type { List } from '../api/types';
import { newBox, newClamp, newCylinder, newFitting, newStock } from '../locker/newItems';
import { useCamera } from '../view/camera';
import { useWorkbench } from './store';
import { tell } from './tell';
import { freshId, type ItemOf, useJob } from './useJob';

const FEW = 5;

export interface Adding {
  list: List;
  name: string;
  run: () => void;
}

/** What can be added to a job, a run apart: that begins at a port. */
export function useAdding(): Adding[] {
  const { items, put } = useJob();
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
    return [
      { list: 'fittings', name: 'Add a fitting', run: () => add('fittings', 'Fitting', newFitting) },
      { list: 'clamps', name: 'Add a clamp', run: () => add('clamps', 'Clamp', newClamp) },
      { list: 'stock', name: 'Add a stock', run: () => add('stock', 'Tube 12 × 1.5', newStock) },
      { list: 'surroundings', name: 'Add a box', run: () => add('surroundings', 'Box', newBox) },
      { list: 'surroundings', name: 'Add a cylinder', run: () => add('surroundings', 'Cylinder', newCylinder) },
    ];
  }, [items, put, pick]);
}
