import { create } from 'zustand';

interface Wires {
  /** Id of the wire that is followed in the view; null when none is. */
  followed: string | null;
  follow: (wire: string | null) => void;
  /** Whether the wires in the trunks are seen. */
  inside: boolean;
  toggleInside: () => void;
  /** The only wire that is seen then, by its harness; null for all. */
  alone: { harness: string; wire: string } | null;
  isolate: (alone: { harness: string; wire: string } | null) => void;
}

/** How wires are seen: which is followed (hovered or focused, or shown from what is found), and those in the trunks. */
export const useWires = create<Wires>()((set) => ({
  followed: null,
  follow: (followed) => set({ followed }),
  inside: false,
  toggleInside: () => set(({ inside }) => ({ inside: !inside, alone: null })),
  alone: null,
  isolate: (alone) => set({ alone }),
}));
