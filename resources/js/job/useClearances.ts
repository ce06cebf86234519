import { useQuery } from '@tanstack/react-query';
import { api } from '../api/client';
import { useJob } from './useJob';

/** What in the job is too near to each other, as it was before until the answer for a change has come. */
export function useClearances() {
  const { state } = useJob();
  return useQuery({
    queryKey: ['clearances', state.id, state.revision],
    queryFn: () => api.clearances(state.id),
    placeholderData: (before) => before,
  });
}
