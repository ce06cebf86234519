import { create } from 'zustand';

interface Faults {
  /** Connectors of the picked harness at which the tester found something wrong. */
  ports: readonly string[];
  find: (ports: readonly string[]) => void;
}

/** What the simulated tester has found, which is ringed on the board. */
export const useFaults = create<Faults>()((set) => ({
  ports: [],
  find: (ports) => set({ ports }),
}));
