import type { Route, Run, SolvedRun } from '../../api/types';

/** What the fields of one way to behave are given. */
export interface BehaviourProps {
  run: Run;
  route: Route;
  solved: SolvedRun;
  onChange: (changed: Partial<Route>) => Promise<void>;
}

/** The route with the length that a hand is at, to a tenth of a millimetre. */
export const byLength = (amount: number) => ({ length: Math.round(amount * 10) / 10 });
