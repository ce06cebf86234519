import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { api, type Worked } from '../api/client';
import type { BodyWork } from '../api/types';
import { useJob } from './useJob';

/** Interval of asking how far the work on a body has come, ms. */
const LOOK = 250;

export interface WorkedAnswer<Answer> {
  /** The last one while the next is worked on; undefined before the first. */
  answer: Answer | undefined;
  work: BodyWork | null;
  error: Error | null;
}

/** What is asked, of which job, about which body, in which revision, and how. */
type Question = readonly [what: string, job: number, body: string | null, revision: number, ...how: unknown[]];

/**
 * Asks about a body of several runs until it is answered; with `keep` the answer about the same body in an earlier
 * revision stands until then.
 */
export function useWorked<Answer>(
  key: Question,
  ask: () => Promise<Worked<Answer>>,
  { enabled = true, keep = false }: { enabled?: boolean; keep?: boolean } = {},
): WorkedAnswer<Answer> {
  const client = useQueryClient();
  const { data, error } = useQuery({
    queryKey: key,
    queryFn: ask,
    enabled,
    placeholderData: (before, query) => (keep && query?.queryKey[2] === key[2] ? before : undefined),
    retry: false,
  });
  const work = useBodyWork(data?.work ?? null, () => client.invalidateQueries({ queryKey: key }));
  return { answer: data?.answer ?? undefined, work, error };
}

/** Watches work on a body; tells once it is done. */
export function useBodyWork(begun: BodyWork | null, onDone: () => unknown): BodyWork | null {
  const { state } = useJob();
  const { data } = useQuery({
    queryKey: ['body work', state.id, begun?.id],
    queryFn: () => api.bodyWork(state.id, begun?.id ?? 0),
    enabled: begun !== null,
    refetchInterval: ({ state: { data: last } }) =>
      last !== undefined && ['done', 'stopped', 'failed'].includes(last.state) ? false : LOOK,
  });
  const isDone = begun !== null && data?.state === 'done';
  // biome-ignore lint/correctness/useExhaustiveDependencies: told once, however often the callback is made anew
  useEffect(() => {
    if (isDone) {
      onDone();
    }
  }, [isDone]);
  return begun === null || isDone ? null : (data ?? begun);
}
