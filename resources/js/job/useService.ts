import type { Run, Service } from '../api/types';
import { usePreferences } from './preferences';
import { useJob } from './useJob';

/** What a run carries, where runs are shown by that; null otherwise. */
export function useShownService(run: Run): Service | null {
  const { state } = useJob();
  const byService = usePreferences((store) => store.byService);
  return byService ? (state.services.find(({ id }) => id === run.service) ?? null) : null;
}
