import { usePreferences } from './preferences';
import { useJob } from './useJob';

/** The stock that the next run of this job is made of: the last one chosen. */
export function usePreferredStock(): [string, (stock: string) => void] {
  const { state, items } = useJob();
  const { stock, chooseStock } = usePreferences();
  // The one last chosen for laying, or else the one that was last given to a run.
  const chosen = stock[state.id] ?? state.remembered.stock;
  return [
    items('stock').some(({ id }) => id === chosen) ? (chosen ?? '') : (items('stock')[0]?.id ?? ''),
    (next) => chooseStock(state.id, next),
  ];
}
