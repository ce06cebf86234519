import { useEffect, useMemo } from 'react';
import type { TriedItem } from '../api/types';
import { newest } from './newest';
import { useWorkbench } from './store';

/** What is told beside a preview may be older than that: it is asked for half as often. */
const RESTS = 3;

/**
 * Asks about what is dragged, beside its preview, which does not wait for it; clears the answer when asking ends.
 *
 * @param ask must stay the same function from one rendering to the next, as must take and clear
 * @param isAlso whether asking does not end with the drag
 */
export function useWhileDragging<Answer>(
  ask: (item: TriedItem) => Promise<Answer>,
  take: (answer: Answer) => void,
  clear: () => void,
  { isAllowed = true, isAlso = false } = {},
): boolean {
  const item = useWorkbench((store) => store.trying?.item);
  const isAsking = (item !== undefined || isAlso) && isAllowed;
  const asking = useMemo(
    () => (isAsking ? newest(ask, take, undefined, { rests: RESTS }) : null),
    [isAsking, ask, take],
  );
  useEffect(() => {
    if (item !== undefined) {
      asking?.want(item);
    }
  }, [asking, item]);
  useEffect(
    () => () => {
      asking?.stop();
      clear();
    },
    [asking, clear],
  );
  return isAsking;
}
