import { create } from 'zustand';

/** The tag by the pointer; positions in pixels of the view. */
interface Hover {
  title: string;
  /** Labels and values. */
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
