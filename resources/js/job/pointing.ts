import type { Vector3 } from 'three';
import { create } from 'zustand';
import type { Anchor } from '../api/types';

export type TargetKind = 'port' | 'clamp' | 'corner' | 'face' | 'leg';

/** Something that was pointed at. */
export interface Target {
  kind: TargetKind;
  name: string;
  at: Vector3;
  /** How the job file names it, for a relation. */
  anchor: Anchor | null;
  /** Of a leg or corner: its run, and the vertex (of a leg, the one at its end). */
  run?: string;
  vertex?: number;
  /** Of a leg: its direction; of a face: its normal. */
  along?: Vector3;
}

/** Something that is to be pointed at, and what is done with it. */
export interface Pointing {
  words: string;
  kinds: readonly TargetKind[];
  /** Runs that do not count. */
  not?: string;
  take: (target: Target) => Promise<unknown>;
}

interface PointingStore {
  pointing: Pointing | null;
  target: Target | null;
  ask: (pointing: Pointing | null) => void;
  setTarget: (target: Target | null) => void;
}

/** While something is to be pointed at, the hand does nothing else in the view. */
export const usePointing = create<PointingStore>()((set) => ({
  pointing: null,
  target: null,
  ask: (pointing) => set({ pointing, target: null }),
  setTarget: (target) => set({ target }),
}));
