import { useQuery } from '@tanstack/react-query';
import { create } from 'zustand';
import { api } from '../api/client';
import { useJob } from './useJob';

/** A state of a job: as it is, a revision by its number, or another job. */
export type Side = 'working' | `revision:${number}` | `job:${number}`;

interface Comparing {
  /** Which two states are compared; null for none. */
  sides: { before: Side; after: Side } | null;
  /** Id of the run that is stepped to. */
  run: string | null;
  compare: (before: Side, after: Side) => void;
  step: (run: string | null) => void;
  stop: () => void;
}

export const useComparing = create<Comparing>()((set) => ({
  sides: null,
  run: null,
  compare: (before, after) => set({ sides: { before, after }, run: null }),
  step: (run) => set({ run }),
  stop: () => set({ sides: null, run: null }),
}));

/** What has changed between the two states that are compared; as before until the answer for an edit has come. */
export function useComparison() {
  const { state } = useJob();
  const sides = useComparing((store) => store.sides);
  return useQuery({
    queryKey: ['comparison', state.id, state.revision, sides],
    queryFn: () => (sides === null ? null : api.comparison(state.id, sides.before, sides.after)),
    enabled: sides !== null,
    placeholderData: (before) => before,
    retry: false,
  });
}
