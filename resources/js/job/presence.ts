import { create } from 'zustand';
import type { OtherPerson } from '../api/types';

/** Names this window among those of a job. */
export const WINDOW = crypto.randomUUID().slice(0, 36);

interface PresenceStore {
  others: readonly OtherPerson[];
  set: (others: readonly OtherPerson[]) => void;
}

/** Who else is in the open job, as it was told last. */
export const usePresence = create<PresenceStore>()((set) => ({
  others: [],
  set: (others) => set({ others }),
}));
