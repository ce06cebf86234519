import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import type { WayWeights } from '../api/types';

interface Preferences {
  /** The stock chosen last, by job. */
  stock: Readonly<Record<number, string>>;
  stripFolded: boolean;
  /** Whether runs have the colours of what they carry, in place of those of their material. */
  byService: boolean;
  /** Whose name stands beside what is issued, remarked and answered here. */
  person: string;
  sign: (person: string) => void;
  /** What ways of runs that lay themselves are weighed by. */
  weights: WayWeights;
  weigh: (weights: WayWeights) => void;
  chooseStock: (job: number, stock: string) => void;
  foldStrip: () => void;
  toggleByService: () => void;
}

/** Choices that are stored in this browser. */
export const usePreferences = create<Preferences>()(
  persist(
    (set) => ({
      stock: {},
      stripFolded: false,
      byService: false,
      person: '',
      sign: (person) => set({ person }),
      weights: {},
      weigh: (weights) => set({ weights }),
      chooseStock: (job, stock) => set((now) => ({ stock: { ...now.stock, [job]: stock } })),
      foldStrip: () => set(({ stripFolded }) => ({ stripFolded: !stripFolded })),
      toggleByService: () => set(({ byService }) => ({ byService: !byService })),
    }),
    { name: 'bowline' },
  ),
);
