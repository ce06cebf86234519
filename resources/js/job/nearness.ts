import { create } from 'zustand';
import type { SolvedClearance } from '../api/types';

interface NearnessStore {
  /** Two things that are too near to each other, marked in the view; null for none. */
  marked: SolvedClearance | null;
  mark: (marked: SolvedClearance | null) => void;
}

export const useNearness = create<NearnessStore>()((set) => ({
  marked: null,
  mark: (marked) => set({ marked }),
}));
