import { create } from 'zustand';

/** A file that is being read, which takes a while. */
interface ReadingStore {
  reading: { name: string; stop: () => void } | null;
  setReading: (reading: ReadingStore['reading']) => void;
}

export const useReading = create<ReadingStore>()((set) => ({
  reading: null,
  setReading: (reading) => set({ reading }),
}));
