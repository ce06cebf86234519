import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { api } from '../api/client';
import type { Settling, SolvedRun } from '../api/types';
import { useJob } from './useJob';

/** Interval of polling the progress, ms. */
const LOOK = 250;

/** Returns the progress and present shape of a run that settles or is solved on the server; null when it is done. */
export function useSettling(solved: SolvedRun | undefined): Settling | null {
  const { state } = useJob();
  const client = useQueryClient();
  const id = solved?.id ?? '';
  const isSettling = solved?.settling === true || solved?.unsolved === true;
  const { data } = useQuery({
    queryKey: ['settling', state.id, id, state.revision],
    queryFn: () => api.settling(state.id, id),
    enabled: isSettling,
    refetchInterval: ({ state: { data: last } }) =>
      last !== undefined && ['settled', 'stopped', 'failed'].includes(last.state) ? false : LOOK,
  });
  const has = data?.state === 'settled';
  useEffect(() => {
    if (isSettling && has) {
      void client.invalidateQueries({ queryKey: ['job', state.id] });
    }
  }, [isSettling, has, client, state.id]);
  return isSettling ? (data ?? { state: 'waiting', part: 0, points: [], problem: null }) : null;
}
