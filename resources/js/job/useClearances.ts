import { skipToken, useQuery, useQueryClient } from '@tanstack/react-query';
import { api } from '../api/client';
import type { ClearanceWork, JobClearances, SolvedClearance } from '../api/types';
import { useJob } from './useJob';

/** Interval of asking how far it has come, ms. */
const LOOK = 300;

const isUnderWay = (answer: JobClearances | undefined) =>
  answer?.work?.state === 'waiting' || answer?.work?.state === 'working';

interface NearThings {
  /** What is too near, as it was before until the answer for a change has come; undefined before the first. */
  found: SolvedClearance[] | undefined;
  /** How far it has come to find it, where that takes long. */
  work: ClearanceWork | null;
  error: Error | null;
  /** Stops it, or takes it up again. */
  change: (again: boolean) => Promise<void>;
}

/** What in the job is too near to each other. */
export function useClearances(): NearThings {
  const { state } = useJob();
  const client = useQueryClient();
  const key = ['clearances', state.id, state.revision];
  /** Keeps what was found, until the next is. */
  const known = (answer: JobClearances) => {
    if (answer.found !== null) {
      client.setQueryData(['clearances found', state.id], answer.found);
    }
    return answer;
  };
  const { data, error } = useQuery({
    queryKey: key,
    queryFn: async () => known(await api.clearances(state.id)),
    placeholderData: (before) => before,
    refetchInterval: ({ state: { data: last } }) => (isUnderWay(last) ? LOOK : false),
  });
  const { data: before } = useQuery<SolvedClearance[]>({
    queryKey: ['clearances found', state.id],
    queryFn: skipToken,
  });
  return {
    found: data?.found ?? before,
    work: data?.work ?? null,
    error,
    change: async (again) => {
      client.setQueryData(key, known(await api.changeClearanceWork(state.id, again)));
    },
  };
}
