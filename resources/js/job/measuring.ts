import { create } from 'zustand';
import type { MeasuredThing, MeasureOf } from '../api/types';
import type { Target } from './pointing';

interface MeasuringStore {
  /** Whether something is being measured. */
  on: boolean;
  from: Target | null;
  to: Target | null;
  begin: () => void;
  stop: () => void;
  take: (target: Target) => void;
}

/** The two things that are measured between. */
export const useMeasuring = create<MeasuringStore>()((set) => ({
  on: false,
  from: null,
  to: null,
  begin: () => set({ on: true, from: null, to: null }),
  stop: () => set({ on: false, from: null, to: null }),
  // A third thing is the first of the next measurement.
  take: (target) => set(({ from, to }) => (from === null || to !== null ? { from: target, to: null } : { to: target })),
}));

/** Returns what the server is asked for; null while one of them is missing. */
export const askedOf = (from: Target | null, to: Target | null): MeasureOf | null =>
  from === null || to === null ? null : { from: thing(from), to: thing(to) };

function thing({ kind, at, run, vertex, along }: Target): MeasuredThing {
  return {
    at: at.toArray(),
    ...(run === undefined ? {} : { run }),
    ...(kind === 'leg' && vertex !== undefined ? { leg: vertex } : {}),
    ...(kind === 'face' && along !== undefined ? { normal: along.toArray() } : {}),
  };
}
