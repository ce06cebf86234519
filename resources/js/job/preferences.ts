import { create } from 'zustand';
import { persist } from 'zustand/middleware';

interface Preferences {
  /** The stock last chosen, by job: the next run is made of it. */
  stock: Readonly<Record<number, string>>;
  stripFolded: boolean;
  chooseStock: (job: number, stock: string) => void;
  foldStrip: () => void;
}

/** What is remembered in this browser: choices that are nobody else's business. */
export const usePreferences = create<Preferences>()(
  persist(
    (set) => ({
      stock: {},
      stripFolded: false,
      chooseStock: (job, stock) => set((now) => ({ stock: { ...now.stock, [job]: stock } })),
      foldStrip: () => set(({ stripFolded }) => ({ stripFolded: !stripFolded })),
    }),
    { name: 'bowline' },
  ),
);
