import { create } from 'zustand';
import type { Joined, Vector } from '../api/types';

export interface Piece {
  from: Vector;
  to: Vector;
}

interface PiecesStore {
  /** Null while no pieces are being placed. */
  pieces: readonly Piece[] | null;
  stock: string;
  /** Start of the piece that is being placed. */
  begun: [number, number, number] | null;
  joined: Joined | null;
  refused: string | null;
  begin: (stock: string) => void;
  set: (changed: Partial<Pick<PiecesStore, 'pieces' | 'stock' | 'begun' | 'joined' | 'refused'>>) => void;
  stop: () => void;
}

const idle = { pieces: null, begun: null, joined: null, refused: null } as const;

/** Straight pieces that are being placed before they are joined into a run. */
export const usePieces = create<PiecesStore>()((set) => ({
  ...idle,
  stock: '',
  begin: (stock) => set({ ...idle, pieces: [], stock }),
  set: (changed) => set(changed),
  stop: () => set(idle),
}));
