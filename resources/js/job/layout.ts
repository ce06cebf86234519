import type { SolvedRun } from '../api/types';
import type { Part } from './store';

/** A piece of a run laid straight: a straight of a leg, a bend, or a curve; developed length from the start, mm. */
export interface Piece {
  kind: 'straight' | 'bend' | 'curve';
  from: number;
  to: number;
  part: Exclude<Part, null>;
  broken: boolean;
}

/** The pieces of a run in order, as the solution has them; a straight too short to see is left out. */
export function pieces(run: SolvedRun): Piece[] {
  const broken = run.findings.filter((finding) => finding.severity === 'violation' && finding.rule !== 'fixed-length');
  const hit = (from: number, to: number) =>
    broken.some(({ span: [start = 0, end = 0] }) => start < to - 1e-6 && end > from + 1e-6);
  const all: Piece[] = [];
  let at = 0;
  if (run.legs.length === 0) {
    // A run that is a curve: what is straight of it, and the curve.
    for (const [index, { kind, length }] of run.path.entries()) {
      const to = at + length;
      all.push(
        kind === 'line'
          ? { kind: 'straight', from: at, to, part: { leg: index }, broken: hit(at, to) }
          : { kind: 'curve', from: at, to, part: { bend: index }, broken: hit(at, to) },
      );
      at = to;
    }
  }
  for (const leg of run.legs) {
    if (leg.straight > 1e-6) {
      const to = at + leg.straight;
      all.push({ kind: 'straight', from: at, to, part: { leg: leg.vertex }, broken: hit(at, to) });
      at = to;
    }
    const bend = leg.bend === null ? undefined : run.bends[leg.bend];
    if (leg.bend !== null && bend !== undefined) {
      const to = at + bend.arc;
      all.push({ kind: 'bend', from: at, to, part: { bend: leg.bend }, broken: hit(at, to) });
      at = to;
    }
  }
  return all;
}

/** The part of a run that a finding's span lies on; none when it is about the whole of it. */
export function partAt(run: SolvedRun, [from = 0, to = 0]: readonly number[]): Part {
  if (to - from > run.length * 0.99) {
    return null;
  }
  const middle = (from + to) / 2;
  return pieces(run).find((piece) => piece.from - 1e-6 <= middle && middle <= piece.to + 1e-6)?.part ?? null;
}
