import { create } from 'zustand';

interface Wires {
  /** Id of the wire that is followed in the view; null when none is. */
  followed: string | null;
  follow: (wire: string | null) => void;
}

/** Which wire of the picked harness is followed: hovered or focused in its table, or shown from what is found. */
export const useWires = create<Wires>()((set) => ({
  followed: null,
  follow: (followed) => set({ followed }),
}));
