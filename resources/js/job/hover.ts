import { create } from 'zustand';

/** What rides by the pointer; places in pixels of the view. */
interface Hover {
  title: string;
  /** What and how much. */
  rows: readonly (readonly [string, string])[];
  held?: string;
  x: number;
  y: number;
}

interface HoverStore {
  hover: Hover | null;
  setHover: (hover: Hover | null) => void;
}

export const useHover = create<HoverStore>()((set) => ({ hover: null, setHover: (hover) => set({ hover }) }));
