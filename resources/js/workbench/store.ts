import { create } from 'zustand';
import type { List, SolvedRun } from '../api/types';

export type Stage = 'place' | 'lay' | 'check' | 'make';

export const stages: readonly Stage[] = ['place', 'lay', 'check', 'make'];

/** A part of a run: the leg that ends at a vertex, or a bend; both counted from 0. */
export type Part = { leg: number } | { bend: number } | null;

export interface Picked {
  list: List;
  id: string;
  part: Part;
}

/** What is being dragged, before it is kept. */
export interface Dragged {
  run: string;
  solution: SolvedRun;
  /** Why the drag stopped, when it did. */
  held: string | null;
}

interface WorkbenchStore {
  picked: Picked | null;
  hidden: ReadonlySet<string>;
  dragged: Dragged | null;
  notice: string | null;
  pick: (list: List, id: string, part?: Part) => void;
  unpick: () => void;
  toggleHidden: (list: List, id: string) => void;
  setDragged: (dragged: Dragged | null) => void;
  setNotice: (notice: string | null) => void;
}

/** What the person at the screen is doing; what the server knows is in TanStack Query. */
export const useWorkbench = create<WorkbenchStore>()((set) => ({
  picked: null,
  hidden: new Set<string>(),
  dragged: null,
  notice: null,
  pick: (list, id, part = null) => set({ picked: { list, id, part } }),
  unpick: () => set({ picked: null }),
  toggleHidden: (list, id) =>
    set(({ hidden }) => {
      const next = new Set(hidden);
      if (!next.delete(`${list}/${id}`)) {
        next.add(`${list}/${id}`);
      }
      return { hidden: next };
    }),
  setDragged: (dragged) => set({ dragged }),
  setNotice: (notice) => set({ notice }),
}));

export const isSamePart = (a: Part, b: Part): boolean =>
  a !== null && b !== null && ('leg' in a ? 'leg' in b && a.leg === b.leg : 'bend' in b && a.bend === b.bend);
