import type { Vector3 } from 'three';
import { create } from 'zustand';
import type { Anchor } from '../api/types';

export type TargetKind = 'port' | 'clamp' | 'corner' | 'face' | 'leg' | 'round';

/** A thing that was pointed at. */
export interface Target {
  kind: TargetKind;
  name: string;
  at: Vector3;
  /** Its reference in the job file, for a tie. */
  anchor: Anchor | null;
  /** For a leg or corner: its run, and the vertex (for a leg, the one at its end). */
  run?: string;
  vertex?: number;
  /** For the round end of a hole or spigot: its body, and its number there. */
  round?: { surrounding: string; round: number };
  /** For a leg its direction; for a face its normal. */
  along?: Vector3;
}

/** What is to be pointed at, and what is done with it. */
export interface Pointing {
  words: string;
  kinds: readonly TargetKind[];
  /** Runs that are excluded. */
  not?: string;
  take: (target: Target) => Promise<unknown>;
}

interface PointingStore {
  pointing: Pointing | null;
  target: Target | null;
  ask: (pointing: Pointing | null) => void;
  setTarget: (target: Target | null) => void;
}

/** While something is to be pointed at, the pointer does nothing else in the view. */
export const usePointing = create<PointingStore>()((set) => ({
  pointing: null,
  target: null,
  ask: (pointing) => set({ pointing, target: null }),
  setTarget: (target) => set({ target }),
}));
