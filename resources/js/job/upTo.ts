import { create } from 'zustand';

/** A run that is shown only up to a length, as if it were still being made or pulled in. */
interface UpToStore {
  run: string | null;
  /** Developed length from the start, mm. */
  length: number;
  playing: boolean;
  show: (run: string | null, length?: number) => void;
  setLength: (length: number) => void;
  setPlaying: (playing: boolean) => void;
}

export const useUpTo = create<UpToStore>()((set) => ({
  run: null,
  length: 0,
  playing: false,
  show: (run, length = 0) => set({ run, length, playing: false }),
  setLength: (length) => set({ length }),
  setPlaying: (playing) => set({ playing }),
}));
