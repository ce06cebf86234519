import { useEffect, useMemo } from 'react';
import { api } from '../api/client';
import type { NearestThing, TriedItem } from '../api/types';
import { useNearness } from './nearness';
import { newest } from './newest';
import { useWorkbench } from './store';

/** Asks what is nearest to what is dragged, beside its preview, which does not wait for it. */
export function useNearest(job: number): void {
  const item = useWorkbench((store) => store.trying?.item);
  const setDragged = useNearness((store) => store.setDragged);
  const isTrying = item !== undefined;
  const asking = useMemo(
    () =>
      isTrying
        ? newest(
            (one: TriedItem) => api.nearest(job, one),
            ({ nearest }: NearestThing) => setDragged(nearest),
          )
        : null,
    [job, isTrying, setDragged],
  );
  useEffect(() => {
    if (item !== undefined) {
      asking?.want(item);
    }
  }, [asking, item]);
  useEffect(
    () => () => {
      asking?.stop();
      setDragged(null);
    },
    [asking, setDragged],
  );
}
