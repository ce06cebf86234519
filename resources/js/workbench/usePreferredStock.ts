import { usePreferences } from './preferences';
import { useJob } from './useJob';

/** The stock that the next run of this job is made of: the last one chosen. */
export function usePreferredStock(): [string, (stock: string) => void] {
  const { state, items } = useJob();
  const { stock, chooseStock } = usePreferences();
  const chosen = stock[state.id];
  return [
    items('stock').some(({ id }) => id === chosen) ? (chosen ?? '') : (items('stock')[0]?.id ?? ''),
    (next) => chooseStock(state.id, next),
  ];
}
