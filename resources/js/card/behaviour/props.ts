import type { Route, Run, SolvedRun } from '../../api/types';

/** What the fields of one way to behave are given. */
export interface BehaviourProps {
  run: Run;
  route: Route;
  solved: SolvedRun;
  onChange: (changed: Partial<Route>) => Promise<void>;
}

/** How far apart the ends of a curve are. */
export const spanOf = (solved: SolvedRun) => {
  const [from, to] = [solved.path[0]?.from ?? [0, 0, 0], solved.path.at(-1)?.to ?? [0, 0, 0]];
  return Math.hypot(...to.map((part, axis) => part - (from[axis] ?? 0)));
};

export const tidy = (amount: number) => Math.round(amount * 10) / 10;

export const byLength = (amount: number) => ({ length: tidy(amount) });
