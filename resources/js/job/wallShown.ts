import { create } from 'zustand';

interface WallShown {
  /** Body whose wall is shown by colour in the view. */
  body: string | null;
  show: (body: string | null) => void;
}

export const useWallShown = create<WallShown>()((set) => ({ body: null, show: (body) => set({ body }) }));
