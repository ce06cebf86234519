import { create } from 'zustand';
import type { Errand, LayWork } from '../api/types';

interface WaysStore {
  /** What is to be laid; null while nobody asks for it. */
  errands: readonly Errand[] | null;
  /** What was found so far; null before it is looked for. */
  work: LayWork | null;
  /** Number of the way that is shown as chosen. */
  shown: number;
  refused: string | null;
  ask: (errands: readonly Errand[]) => void;
  set: (changed: Partial<Pick<WaysStore, 'work' | 'refused'>>) => void;
  show: (shown: number) => void;
  stop: () => void;
}

/** Runs that lay themselves: what is asked, and what was found. */
export const useWays = create<WaysStore>()((set) => ({
  errands: null,
  work: null,
  shown: 0,
  refused: null,
  // What was found for others does not hold any more.
  ask: (errands) => set({ errands, work: null, shown: 0, refused: null }),
  set: (changed) => set(changed),
  show: (shown) => set({ shown }),
  stop: () => set({ errands: null, work: null, shown: 0, refused: null }),
}));

/** Whether ways of one run are to be chosen from, and not one way each of several. */
export const areChoices = (errands: readonly Errand[]): boolean => errands.length === 1;
