import type { Route, Run, SolvedRun } from '../../api/types';

/** Props of the fields of one kind of route. */
export interface BehaviourProps {
  run: Run;
  route: Route;
  solved: SolvedRun;
  onChange: (changed: Partial<Route>) => Promise<void>;
}

/** Returns the route with a dragged length, to a tenth of a millimetre. */
export const byLength = (amount: number) => ({ length: Math.round(amount * 10) / 10 });
