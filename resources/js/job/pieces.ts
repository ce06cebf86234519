import { create } from 'zustand';
import type { Joined, Vector } from '../api/types';

export interface Piece {
  from: Vector;
  to: Vector;
}

interface PiecesStore {
  /** Null while no pieces are being put down. */
  pieces: readonly Piece[] | null;
  stock: string;
  /** Where the piece that is being put down begins. */
  begun: [number, number, number] | null;
  joined: Joined | null;
  refused: string | null;
  begin: (stock: string) => void;
  set: (changed: Partial<Pick<PiecesStore, 'pieces' | 'stock' | 'begun' | 'joined' | 'refused'>>) => void;
  stop: () => void;
}

const idle = { pieces: null, begun: null, joined: null, refused: null } as const;

/** Straight pieces being put down where they belong, before they are joined into a run. */
export const usePieces = create<PiecesStore>()((set) => ({
  ...idle,
  stock: '',
  begin: (stock) => set({ ...idle, pieces: [], stock }),
  set: (changed) => set(changed),
  stop: () => set(idle),
}));
