import { useEffect, useMemo, useState } from 'react';
import { api } from '../api/client';
import type { Preview, SolvedHarness, TriedItem } from '../api/types';
import { newest } from './newest';
import { useWorkbench } from './store';

/** Returns the item of a preview, for the harnesses that hang on it. */
export const triedOf = ({ list, item }: Preview): TriedItem => ({ list, item }) as unknown as TriedItem;

/**
 * Returns the harnesses as they would be with what is dragged; null while nothing is. They are asked for beside the
 * preview of what is in the hand, which does not wait for them.
 */
export function useTriedHarnesses(job: number, hasHarnesses: boolean): readonly SolvedHarness[] | null {
  const item = useWorkbench((store) => store.trying?.item);
  const [tried, setTried] = useState<readonly SolvedHarness[] | null>(null);
  const isTrying = item !== undefined && hasHarnesses;
  const asking = useMemo(
    () => (isTrying ? newest((one: TriedItem) => api.tryHarnesses(job, one), setTried) : null),
    [job, isTrying],
  );
  useEffect(() => {
    if (item !== undefined) {
      asking?.want(item);
    }
  }, [asking, item]);
  useEffect(
    () => () => {
      asking?.stop();
      setTried(null);
    },
    [asking],
  );
  return isTrying ? tried : null;
}
