import { create } from 'zustand';
import type { SectionOf } from '../api/types';

export type SectionPoint = [number, number, number];

/** The plane in which a run is looked at: square to it, the plane that it lies in, or through three points. */
export type PlaneKind = 'square' | 'own' | 'points';

interface SectionPlaneStore {
  /** The run; null while nothing is cut. */
  run: string | null;
  kind: PlaneKind;
  /** Developed length at which it is square to the run, mm. */
  along: number;
  /** Along its normal from the plane of the run or of the points, mm. */
  offset: number;
  /** Degrees. */
  turn: number;
  points: readonly SectionPoint[];
  /** The place on a cut at which the wall is measured. */
  pointed: SectionPoint | null;
  begin: (run: string, along: number) => void;
  stop: () => void;
  setKind: (kind: PlaneKind) => void;
  move: (to: Partial<Pick<SectionPlaneStore, 'along' | 'offset' | 'turn'>>) => void;
  addPoint: (point: SectionPoint) => void;
  point: (pointed: SectionPoint | null) => void;
}

/** The plane that cuts the bodies in the view. */
export const useSectionPlane = create<SectionPlaneStore>()((set) => ({
  run: null,
  kind: 'square',
  along: 0,
  offset: 0,
  turn: 0,
  points: [],
  pointed: null,
  begin: (run, along) => set({ run, kind: 'square', along, offset: 0, turn: 0, points: [], pointed: null }),
  stop: () => set({ run: null, pointed: null }),
  setKind: (kind) => set({ kind, offset: 0, turn: 0, points: [], pointed: null }),
  move: (to) => set({ ...to, pointed: null }),
  addPoint: (point) => set(({ points }) => ({ points: [...points.slice(-2), point] })),
  point: (pointed) => set({ pointed }),
}));

/** Returns the plane as the server is asked for it; null while points are missing. */
export function asked(store: SectionPlaneStore, runs: string[]): SectionOf | null {
  const { run, kind, along, offset, turn, points, pointed } = store;
  if (run === null || (kind === 'points' && points.length < 3)) {
    return null;
  }
  return {
    run,
    runs,
    ...(kind === 'square' ? { along, turn } : kind === 'own' ? { offset, turn } : { offset }),
    ...(kind === 'points'
      ? { points: points.map((point) => [...point]) as [SectionPoint, SectionPoint, SectionPoint] }
      : {}),
    ...(pointed === null ? {} : { pointed }),
  };
}
