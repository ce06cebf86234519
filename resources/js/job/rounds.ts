import { create } from 'zustand';

/** The round end of a body that is pointed at in its card. */
interface RoundsStore {
  pointed: { surrounding: string; round: number } | null;
  point: (pointed: RoundsStore['pointed']) => void;
}

export const useRounds = create<RoundsStore>()((set) => ({ pointed: null, point: (pointed) => set({ pointed }) }));
