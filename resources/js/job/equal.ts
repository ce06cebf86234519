import { create } from 'zustand';
import { tell } from './tell';
import { useJob } from './useJob';

type Amount = number | string;

interface Waiting {
  label: string;
  /** Sets the field that is to become equal. */
  set: (value: Amount) => Promise<void>;
}

interface EqualStore {
  waiting: Waiting | null;
  wait: (waiting: Waiting | null) => void;
}

/** The dimension that is to be made equal to the one pointed at next. */
const useEqualStore = create<EqualStore>()((set) => ({
  waiting: null,
  wait: (waiting) => set({ waiting }),
}));

/** The part of a field in making dimensions equal. */
export interface Equal {
  /** This field waits for another one to be pointed at. */
  isWaiting: boolean;
  /** Another field waits, and this one may be pointed at. */
  isOffered: boolean;
  begin: () => void;
  take: () => void;
}

/** A bare name refers to a named value. */
const NAME = /^[A-Za-z_]\w*$/;

/**
 * Makes two dimensions equal by giving both the same named value. Where the other one is a named value already, its
 * name is used; otherwise one is created.
 */
export function useEqual(label: string, value: Amount | undefined, set: (value: Amount) => Promise<void>): Equal {
  const { state, edit } = useJob();
  const { waiting, wait } = useEqualStore();
  const take = async () => {
    if (waiting === null || value === undefined) {
      return;
    }
    wait(null);
    if (typeof value === 'string' && NAME.test(value)) {
      await waiting.set(value);
      return;
    }
    const values = state.job.values ?? {};
    const base =
      label
        .toLowerCase()
        .replace(/[^a-z0-9]+/g, '_')
        .replace(/^_+|_+$/g, '')
        .replace(/^\d/, '_$&') || 'value';
    let name = base;
    for (let n = 2; name in values; n++) {
      name = `${base}_${n}`;
    }
    await edit([], { values: { ...values, [name]: value } }, `Name ${name}`);
    await set(name);
    await waiting.set(name);
  };
  return {
    isWaiting: waiting?.label === label,
    isOffered: waiting !== null && waiting.label !== label,
    begin: () => wait({ label, set }),
    take: () => tell(take()),
  };
}
