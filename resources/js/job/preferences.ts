import { create } from 'zustand';
import { persist } from 'zustand/middleware';

interface Preferences {
  /** The stock chosen last, by job. */
  stock: Readonly<Record<number, string>>;
  stripFolded: boolean;
  /** Whether runs have the colours of what they carry, in place of those of their material. */
  byService: boolean;
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
      chooseStock: (job, stock) => set((now) => ({ stock: { ...now.stock, [job]: stock } })),
      foldStrip: () => set(({ stripFolded }) => ({ stripFolded: !stripFolded })),
      toggleByService: () => set(({ byService }) => ({ byService: !byService })),
    }),
    { name: 'bowline' },
  ),
);
