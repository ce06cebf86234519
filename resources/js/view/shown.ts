import type { List, Run } from '../api/types';
import { useWorkbench } from '../job/store';
import { useJob } from '../job/useJob';

/** Returns whether an item is drawn: neither hidden, nor excluded because another is shown alone. */
export function useShown(): (list: List, id: string) => boolean {
  const { hidden, alone } = useWorkbench();
  const { item, items } = useJob();
  const touches = (run: Run | undefined, fitting: string) =>
    [run?.from?.port, run?.to?.port].some((port) => port?.startsWith(`${fitting}.`));
  return (list, id) => {
    if (hidden.has(`${list}/${id}`)) {
      return false;
    }
    if (alone === null || (alone.list === list && alone.id === id)) {
      return true;
    }
    if (alone.list === 'runs' && list === 'fittings') {
      return touches(item('runs', alone.id), id);
    }
    return (
      alone.list === 'fittings' &&
      list === 'runs' &&
      touches(
        items('runs').find((run) => run.id === id),
        alone.id,
      )
    );
  };
}
