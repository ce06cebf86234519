import { useQuery } from '@tanstack/react-query';
import { create } from 'zustand';
import { api } from '../api/client';
import { useJob } from './useJob';

/** A state of a job: as it is, a revision by its number, another job, or a file that was chosen. */
export type Side = 'working' | 'file' | `revision:${number}` | `job:${number}`;

interface Comparing {
  /** Which two states are compared; null for none. */
  sides: { before: Side; after: Side } | null;
  /** Id of the run that is stepped to. */
  run: string | null;
  /** The job file that the job is compared with, where that is what it is compared with. */
  file: { name: string; file: Record<string, unknown> } | null;
  compare: (before: Side, after: Side) => void;
  compareFile: (name: string, file: Record<string, unknown>) => void;
  step: (run: string | null) => void;
  stop: () => void;
}

export const useComparing = create<Comparing>()((set) => ({
  sides: null,
  run: null,
  file: null,
  compare: (before, after) => set({ sides: { before, after }, run: null, file: null }),
  compareFile: (name, file) => set({ sides: { before: 'file', after: 'working' }, run: null, file: { name, file } }),
  step: (run) => set({ run }),
  stop: () => set({ sides: null, run: null, file: null }),
}));

/** What has changed between the two states that are compared; as before until the answer for an edit has come. */
export function useComparison() {
  const { state } = useJob();
  const sides = useComparing((store) => store.sides);
  const file = useComparing((store) => store.file);
  return useQuery({
    queryKey: ['comparison', state.id, state.revision, sides, file?.name],
    queryFn: () =>
      file !== null
        ? api.compareFile(state.id, file)
        : sides === null
          ? null
          : api.comparison(state.id, sides.before, sides.after),
    enabled: sides !== null,
    placeholderData: (before) => before,
    retry: false,
  });
}
