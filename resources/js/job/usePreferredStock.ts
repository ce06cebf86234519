import { usePreferences } from './preferences';
import { useJob } from './useJob';

/** Returns the stock of the next run of this job: the one chosen last. */
export function usePreferredStock(): [string, (stock: string) => void] {
  const { state, items } = useJob();
  const { stock, chooseStock } = usePreferences();
  // The one chosen last for laying, or else the one last given to a run.
  const chosen = stock[state.id] ?? state.remembered.stock;
  return [
    items('stock').some(({ id }) => id === chosen) ? (chosen ?? '') : (items('stock')[0]?.id ?? ''),
    (next) => chooseStock(state.id, next),
  ];
}
