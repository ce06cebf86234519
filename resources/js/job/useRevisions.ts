import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback } from 'react';
import { api } from '../api/client';
import { useJob } from './useJob';

/** How often it is asked how far the files of a revision are, ms. */
const PAUSE = 700;

/** The revisions of the job, and whether it is worked on or checked; asked again while one is being issued. */
export function useRevisions() {
  const { state } = useJob();
  const client = useQueryClient();
  const query = useQuery({
    queryKey: ['revisions', state.id, state.revision],
    queryFn: () => api.revisions(state.id),
    placeholderData: (before) => before,
    refetchInterval: ({ state: { data } }) =>
      data?.revisions.some((one) => one.state === 'issuing') === true ? PAUSE : false,
  });
  const refresh = useCallback(
    () => client.invalidateQueries({ queryKey: ['revisions', state.id] }),
    [client, state.id],
  );
  return { ...query, refresh };
}
