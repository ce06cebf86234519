import type { Vector3 } from 'three';
import { create } from 'zustand';
import type { Anchor, Preview, Ways } from '../api/types';
import type { Track } from './tracks';

/** The port a run is laid from. */
export interface Start {
  port: string;
  at: [number, number, number];
  axis: [number, number, number];
}

/** Something caught under the pointer, by its name. */
export interface Caught {
  kind: 'port' | 'clamp' | 'corner' | 'middle' | 'face' | 'axis' | 'edge';
  name: string;
  at: Vector3;
  /** A port or clamp that a leg can be level with, by the name the job file has for it. */
  place?: string;
}

/** Where the next corner would be. */
export interface Aim {
  track: Track | null;
  length: number;
  point: Vector3;
  caught: Caught | null;
  /** The leg goes until level with what was caught. */
  level: boolean;
  hand: { x: number; y: number };
}

/** Which track is held by its key: an axis (turned round or not), the port's axis, the normal of the face. */
export interface Held {
  key: 'x' | 'y' | 'z' | 'a' | 'f';
  track: Track;
}

/** A face and how far corners keep off it, mm or an expression. */
export interface StandOff {
  anchor: Anchor;
  name: string;
  distance: number | string;
}

interface LayingStore {
  /** Waiting for the port to begin at. */
  choosing: boolean;
  start: Start | null;
  /** The run once it has a leg; until then the draft's only. */
  run: string | null;
  stock: string;
  held: Held | null;
  aim: Aim | null;
  typed: string;
  /** What laying up to the aim would come to. */
  answer: Preview | null;
  /** The ways into the port pointed at, and which of them is shown. */
  ways: { port: string; name: string; list: Ways; shown: number } | null;
  /** The face that corners keep off while they are placed. */
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

/** A run being laid by hand. */
export const useLaying = create<LayingStore>()((set) => ({
  ...idle,
  stock: '',
  choose: () => set({ ...idle, choosing: true }),
  begin: (start, stock, run = null) => set({ ...idle, start, stock, run }),
  stop: () => set(idle),
  set: (changed) => set(changed),
}));
