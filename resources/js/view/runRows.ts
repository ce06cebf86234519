import type { Run, SolvedRun } from '../api/types';
import { length } from '../job/format';
import { units } from '../job/units';

/** Returns the rows of a tag: length against the fixed length, and the tightest radius. */
export function runRows(run: Run | undefined, solved: SolvedRun | undefined): [string, string][] {
  if (solved === undefined) {
    return [];
  }
  const target = run?.fixed_length === undefined ? Number.NaN : Number(run.fixed_length.length ?? Number.NaN);
  const off = target - solved.length;
  const against = Number.isFinite(target)
    ? `of ${length(target)}, ${length(Math.abs(off))} ${off < 0 ? 'over' : 'left'}`
    : units().word;
  return [
    ['length', `${length(solved.length)} ${against}`],
    ...(solved.min_radius === null ? [] : [['tightest', `R ${length(solved.min_radius)}`] as [string, string]]),
  ];
}
