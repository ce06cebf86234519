import type { Vector3 } from 'three';
import { create } from 'zustand';
import type { Anchor, Preview, Ways } from '../api/types';
import type { Track } from './tracks';

/** The port at which a run begins. */
export interface Start {
  port: string;
  at: [number, number, number];
  axis: [number, number, number];
}

/** A thing under the pointer, with its name. */
export interface Caught {
  kind: 'port' | 'clamp' | 'round' | 'corner' | 'middle' | 'face' | 'axis' | 'edge';
  name: string;
  at: Vector3;
  /** The port or clamp to be level with, by its name in the job file. */
  place?: string;
}

/** Where the next corner would be. */
export interface Aim {
  track: Track | null;
  length: number;
  point: Vector3;
  caught: Caught | null;
  /** Whether the leg ends level with what is under the pointer. */
  level: boolean;
  hand: { x: number; y: number };
}

/** The track that is held by a key: an axis (in either direction), the axis of the port, or the normal of the face. */
export interface Held {
  key: 'x' | 'y' | 'z' | 'a' | 'f';
  track: Track;
}

/** A face and the distance that corners keep off it, mm or an expression. */
export interface StandOff {
  anchor: Anchor;
  name: string;
  distance: number | string;
}

interface LayingStore {
  /** Waiting for the first port to be chosen. */
  choosing: boolean;
  start: Start | null;
  /** Id of the run once it has a leg; null while there is only a draft. */
  run: string | null;
  stock: string;
  held: Held | null;
  aim: Aim | null;
  typed: string;
  /** Preview of laying to the aim. */
  answer: Preview | null;
  /** The ways into the port under the pointer, and the one that is shown. */
  ways: { port: string; name: string; list: Ways; shown: number } | null;
  /** The face that new corners keep off. */
  standOff: StandOff | null;
  refused: string | null;
  choose: () => void;
  begin: (start: Start, stock: string, run?: string | null) => void;
  stop: () => void;
  set: (
    changed: Partial<
      Pick<LayingStore, 'run' | 'stock' | 'held' | 'aim' | 'typed' | 'answer' | 'ways' | 'standOff' | 'refused'>
    >,
  ) => void;
}

const idle = {
  choosing: false,
  start: null,
  run: null,
  held: null,
  aim: null,
  typed: '',
  answer: null,
  ways: null,
  standOff: null,
  refused: null,
} as const;

/** The state of laying a run by hand. */
export const useLaying = create<LayingStore>()((set) => ({
  ...idle,
  stock: '',
  choose: () => set({ ...idle, choosing: true }),
  begin: (start, stock, run = null) => set({ ...idle, start, stock, run }),
  stop: () => set(idle),
  set: (changed) => set(changed),
}));
