import { create } from 'zustand';
import type { Clash, List, Place, SolvedClearance, SolvedRun, TriedItem } from '../api/types';

export type Stage = 'place' | 'lay' | 'check' | 'make';

export const stages: readonly Stage[] = ['place', 'lay', 'check', 'make'];

/** A part of a run: the leg that ends at a vertex, or a bend; both counted from 0. */
export type Part = { leg: number } | { bend: number } | null;

interface Picked {
  list: List;
  id: string;
  part: Part;
}

/** A preview of what is being dragged or laid: it replaces the stored state. */
export interface Trying {
  solutions: readonly SolvedRun[];
  places: readonly Place[];
  /** The item as it would stand in the job file; undefined while it is not in that yet. */
  item?: TriedItem;
  /** What is nearest to it; undefined or null where nothing is near. */
  nearest?: SolvedClearance | null;
}

/** Two windows changed the same thing, and the user has to choose. */
export interface OpenClash {
  list: List;
  id: string;
  clash: Clash;
}

type Panel =
  | 'find'
  | 'keys'
  | 'steps'
  | 'values'
  | 'lines'
  | 'catalogue'
  | 'benders'
  | 'services'
  | 'sheets'
  | 'revisions'
  | 'sets'
  | 'several'
  | 'comb'
  | 'people'
  | null;

interface WorkbenchStore {
  picked: Picked | null;
  /** The part of a run under the pointer, in the view, the strip or a table. */
  pointed: { run: string; part: Part } | null;
  hidden: ReadonlySet<string>;
  /** The only item that is shown, with what it depends on. */
  alone: { list: List; id: string } | null;
  seeThrough: boolean;
  trying: Trying | null;
  notice: string | null;
  /** Whether the server does not answer. */
  away: boolean;
  clash: OpenClash | null;
  panel: Panel;
  /** Whether the movement of the selected run is shown, and at which position; null is the tightest. */
  film: boolean;
  moment: number | null;
  pick: (list: List, id: string, part?: Part) => void;
  unpick: () => void;
  point: (pointed: { run: string; part: Part } | null) => void;
  toggleHidden: (list: List, id: string) => void;
  showAll: () => void;
  isolate: (alone: { list: List; id: string } | null) => void;
  toggleSeeThrough: () => void;
  setTrying: (trying: Trying | null) => void;
  setNotice: (notice: string | null) => void;
  setAway: (away: boolean) => void;
  setClash: (clash: OpenClash | null) => void;
  open: (panel: Panel) => void;
  showFilm: (film: boolean) => void;
  setMoment: (moment: number | null) => void;
}

/** The state of the user interface; the state of the server is in TanStack Query. */
export const useWorkbench = create<WorkbenchStore>()((set) => ({
  picked: null,
  pointed: null,
  hidden: new Set<string>(),
  alone: null,
  seeThrough: true,
  trying: null,
  notice: null,
  away: false,
  clash: null,
  panel: null,
  film: false,
  moment: null,
  pick: (list, id, part = null) =>
    set(({ picked, moment }) => ({ picked: { list, id, part }, moment: picked?.id === id ? moment : null })),
  unpick: () => set({ picked: null }),
  point: (pointed) =>
    set((store) =>
      store.pointed?.run === pointed?.run && isSamePart(store.pointed?.part ?? null, pointed?.part ?? null)
        ? store
        : { pointed },
    ),
  toggleHidden: (list, id) =>
    set(({ hidden }) => {
      const next = new Set(hidden);
      if (!next.delete(`${list}/${id}`)) {
        next.add(`${list}/${id}`);
      }
      return { hidden: next };
    }),
  showAll: () => set({ hidden: new Set<string>(), alone: null }),
  isolate: (alone) => set({ alone }),
  toggleSeeThrough: () => set(({ seeThrough }) => ({ seeThrough: !seeThrough })),
  setTrying: (trying) => set({ trying }),
  setNotice: (notice) => set({ notice }),
  setAway: (away) => set((store) => (store.away === away ? store : { away })),
  setClash: (clash) => set({ clash }),
  open: (panel) => set({ panel }),
  showFilm: (film) => set({ film }),
  setMoment: (moment) => set({ moment }),
}));

export const isSamePart = (a: Part, b: Part): boolean =>
  a !== null && b !== null && ('leg' in a ? 'leg' in b && a.leg === b.leg : 'bend' in b && a.bend === b.bend);
