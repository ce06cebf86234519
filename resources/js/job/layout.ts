import type { Finding, SolvedRun } from '../api/types';
import { isSamePart, type Part } from './store';

/** A piece of a run laid straight: a straight of a leg, a bend, or a curve; developed lengths from the start, mm. */
export interface Piece {
  kind: 'straight' | 'bend' | 'curve';
  from: number;
  to: number;
  part: Exclude<Part, null>;
  broken: boolean;
}

/** Returns the pieces of a run in order; a straight too short to be visible is left out. */
export function pieces(run: SolvedRun): Piece[] {
  const broken = run.findings.filter((finding) => finding.severity === 'violation' && finding.rule !== 'fixed-length');
  // A finding about the whole run gives the length it is about.
  const hit = (part: Part, from: number, to: number) =>
    broken.some((finding) => {
      const [start = 0, end = 0] = finding.span;
      return finding.subject.kind === 'run'
        ? start < to - 1e-6 && end > from + 1e-6
        : isSamePart(partOf(run, finding), part);
    });
  const all: Piece[] = [];
  let at = 0;
  if (run.legs.length === 0) {
    // A run that is a curve: its straight parts, and the curve.
    for (const [index, { kind, length }] of run.path.entries()) {
      const to = at + length;
      all.push(
        kind === 'line'
          ? { kind: 'straight', from: at, to, part: { leg: index }, broken: hit({ leg: index }, at, to) }
          : { kind: 'curve', from: at, to, part: { bend: index }, broken: hit({ bend: index }, at, to) },
      );
      at = to;
    }
  }
  for (const leg of run.legs) {
    if (leg.straight > 1e-6) {
      const to = at + leg.straight;
      all.push({ kind: 'straight', from: at, to, part: { leg: leg.vertex }, broken: hit({ leg: leg.vertex }, at, to) });
      at = to;
    }
    const bend = leg.bend === null ? undefined : run.bends[leg.bend];
    if (leg.bend !== null && bend !== undefined) {
      const to = at + bend.arc;
      all.push({ kind: 'bend', from: at, to, part: { bend: leg.bend }, broken: hit({ bend: leg.bend }, at, to) });
      at = to;
    }
  }
  return all;
}

/** Returns the part of a run that a finding is about, or where its place is; null when it is about the whole run. */
export function partOf(run: SolvedRun, { subject, span: [from = 0, to = 0] }: Pick<Finding, 'subject' | 'span'>): Part {
  const { kind, index, vertex } = subject;
  if (kind === 'run' && to - from < run.length * 0.99) {
    const middle = (from + to) / 2;
    return pieces(run).find((piece) => piece.from - 1e-6 <= middle && middle <= piece.to + 1e-6)?.part ?? null;
  }
  if ((kind === 'bend' || kind === 'curve') && index !== undefined) {
    return { bend: index };
  }
  if (vertex === undefined) {
    return null;
  }
  const bend = kind === 'corner' ? run.legs.find((leg) => leg.vertex === vertex)?.bend : null;
  return typeof bend === 'number' ? { bend } : { leg: vertex };
}
