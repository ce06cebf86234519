import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import type { WayWeights } from '../api/types';

/** XYZ: a row a corner; LRA: a row a bend, with length, rotation and angle. */
export type MachineKind = 'xyz' | 'lra';

export interface MachineColumn {
  column: string;
  name: string;
  shown: boolean;
}

interface Preferences {
  /** The stock chosen last, by job. */
  stock: Readonly<Record<number, string>>;
  stripFolded: boolean;
  /** Whether runs have the colours of what they carry, in place of those of their material. */
  byService: boolean;
  /** Whose name stands beside what is issued, remarked and answered here. */
  person: string;
  sign: (person: string) => void;
  /** What ways of runs that lay themselves are weighed by. */
  weights: WayWeights;
  weigh: (weights: WayWeights) => void;
  /** Columns of the tables of the shop's own bender, in their order. */
  machineColumns: Readonly<Record<MachineKind, readonly MachineColumn[]>>;
  keepMachineColumns: (kind: MachineKind, columns: readonly MachineColumn[]) => void;
  chooseStock: (job: number, stock: string) => void;
  foldStrip: () => void;
  toggleByService: () => void;
}

const column = (one: string, name: string, shown = true): MachineColumn => ({ column: one, name, shown });

const MACHINE_COLUMNS: Readonly<Record<MachineKind, readonly MachineColumn[]>> = {
  xyz: [column('vertex', 'No'), column('x', 'X'), column('y', 'Y'), column('z', 'Z'), column('radius', 'Radius')],
  lra: [
    column('bend', 'No'),
    column('straight', 'Length'),
    column('rotation', 'Rotation'),
    column('angle', 'Angle'),
    column('radius', 'Radius'),
    column('set_angle', 'Set angle', false),
    column('mark', 'Start', false),
  ],
};

/** Choices that are stored in this browser. */
export const usePreferences = create<Preferences>()(
  persist(
    (set) => ({
      stock: {},
      stripFolded: false,
      byService: false,
      person: '',
      sign: (person) => set({ person }),
      weights: {},
      weigh: (weights) => set({ weights }),
      machineColumns: MACHINE_COLUMNS,
      keepMachineColumns: (kind, columns) =>
        set((now) => ({ machineColumns: { ...now.machineColumns, [kind]: columns } })),
      chooseStock: (job, stock) => set((now) => ({ stock: { ...now.stock, [job]: stock } })),
      foldStrip: () => set(({ stripFolded }) => ({ stripFolded: !stripFolded })),
      toggleByService: () => set(({ byService }) => ({ byService: !byService })),
    }),
    { name: 'bowline' },
  ),
);
