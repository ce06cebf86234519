import type { Run, SolvedRun } from '../api/types';
import { show } from '../ui/format';

/** Length so far against its target, and the tightest radius: what a tag says of a run that is being changed. */
export function runRows(run: Run | undefined, solved: SolvedRun | undefined): [string, string][] {
  if (solved === undefined) {
    return [];
  }
  const target = run?.fixed_length === undefined ? Number.NaN : Number(run.fixed_length.length);
  const off = target - solved.length;
  return [
    [
      'length',
      `${show(solved.length)}${Number.isFinite(target) ? ` of ${show(target)}, ${show(Math.abs(off))} ${off < 0 ? 'over' : 'left'}` : ' mm'}`,
    ],
    ...(solved.min_radius === null ? [] : [['tightest', `R ${show(solved.min_radius)}`] as [string, string]]),
  ];
}
