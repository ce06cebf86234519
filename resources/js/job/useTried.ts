import { useCallback, useMemo, useState } from 'react';
import { api } from '../api/client';
import type { JobState, Preview, SolvedHarness, SolvedWire, TriedHarness, TriedItem } from '../api/types';
import type { Trying } from './store';
import { useWhileDragging } from './useWhileDragging';

/** Whether the harnesses are those of an earlier revision. */
export const areBehind = ({ harnesses, harnesses_at, revision }: JobState) =>
  harnesses.length > 0 && harnesses_at < revision;

/** Returns what is shown of a preview while something is dragged; the item is for the harnesses that hang on it. */
export const tryingOf = ({ list, item, solutions, places, nearest }: Preview): Trying => ({
  solutions,
  places,
  nearest,
  item: { list, item } as unknown as TriedItem,
});

/**
 * Returns the harnesses as they would be with what is dragged; null while nothing is. They are asked for beside the
 * preview of what is in the hand, which does not wait for them. Dropped, they stay until those are there that are
 * solved with it.
 */
export function useTriedHarnesses(state: JobState): readonly SolvedHarness[] | null {
  const { id: job, harnesses } = state;
  const [tried, setTried] = useState<readonly TriedHarness[] | null>(null);
  const isTrying = useWhileDragging(
    useCallback((one: TriedItem) => api.tryHarnesses(job, one), [job]),
    setTried,
    useCallback(() => setTried(null), []),
    { isAllowed: harnesses.length > 0, isAlso: areBehind(state) },
  );
  return useMemo(
    () =>
      tried === null || !isTrying
        ? null
        : harnesses.map((stored) => {
            const now = tried.find(({ id }) => id === stored.id);
            return now === undefined ? stored : withLengths(stored, now);
          }),
    [tried, isTrying, harnesses],
  );
}

/** Returns a harness with lengths as tried; what other rules have found of it stays until the end of a drag. */
function withLengths(stored: SolvedHarness, { lengths, rules, findings }: TriedHarness): SolvedHarness {
  const now = new Map(lengths.map(([id, length, cut]) => [id, { length, cut_length: cut }]));
  return {
    ...stored,
    wires: stored.wires.map((wire) => ({ ...wire, ...(now.get(wire.id) as Partial<SolvedWire> | undefined) })),
    findings: [...findings, ...stored.findings.filter(({ rule }) => !rules.includes(rule))],
  };
}
