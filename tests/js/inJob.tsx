import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import type { JobState } from '../../resources/js/api/types';
import { type JobAccess, JobContext } from '../../resources/js/job/useJob';

/** Gives a component an open job, with no more of it than a test says, and a cache of its own. */
export function inJob(state: Partial<JobState>, more: Partial<JobAccess> = {}) {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  const access = { state, harnesses: state.harnesses, item: () => undefined, items: () => [], ...more } as JobAccess;
  return ({ children }: { children: ReactNode }) => (
    <QueryClientProvider client={client}>
      <JobContext value={access}>{children}</JobContext>
    </QueryClientProvider>
  );
}
