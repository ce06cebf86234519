import { useCallback } from 'react';
import { api } from '../api/client';
import type { NearestThing, TriedItem } from '../api/types';
import { useNearness } from './nearness';
import { useWhileDragging } from './useWhileDragging';

/** Asks what is nearest to what is dragged. */
export function useNearest(job: number): void {
  const setDragged = useNearness((store) => store.setDragged);
  useWhileDragging(
    useCallback((one: TriedItem) => api.nearest(job, one), [job]),
    useCallback(({ nearest }: NearestThing) => setDragged(nearest), [setDragged]),
    useCallback(() => setDragged(null), [setDragged]),
  );
}
