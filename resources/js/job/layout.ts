import type { SolvedRun, Subject } from '../api/types';
import { isSamePart, type Part } from './store';

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
  const subjects = run.findings
    .filter((finding) => finding.severity === 'violation' && finding.rule !== 'fixed-length')
    .map(({ subject }) => subject);
  const hit = (part: Part) =>
    subjects.some((subject) => subject.kind === 'run' || isSamePart(partOf(run, subject), part));
  const all: Piece[] = [];
  let at = 0;
  if (run.legs.length === 0) {
    // A run that is a curve: what is straight of it, and the curve.
    for (const [index, { kind, length }] of run.path.entries()) {
      const to = at + length;
      all.push(
        kind === 'line'
          ? { kind: 'straight', from: at, to, part: { leg: index }, broken: hit({ leg: index }) }
          : { kind: 'curve', from: at, to, part: { bend: index }, broken: hit({ bend: index }) },
      );
      at = to;
    }
  }
  for (const leg of run.legs) {
    if (leg.straight > 1e-6) {
      const to = at + leg.straight;
      all.push({ kind: 'straight', from: at, to, part: { leg: leg.vertex }, broken: hit({ leg: leg.vertex }) });
      at = to;
    }
    const bend = leg.bend === null ? undefined : run.bends[leg.bend];
    if (leg.bend !== null && bend !== undefined) {
      const to = at + bend.arc;
      all.push({ kind: 'bend', from: at, to, part: { bend: leg.bend }, broken: hit({ bend: leg.bend }) });
      at = to;
    }
  }
  return all;
}

/** The part of a run that a finding is about; none when it is about the whole of it. */
export function partOf(run: SolvedRun, { kind, index, vertex }: Subject): Part {
  if ((kind === 'bend' || kind === 'curve') && index !== undefined) {
    return { bend: index };
  }
  if (vertex === undefined) {
    return null;
  }
  const bend = kind === 'corner' ? run.legs.find((leg) => leg.vertex === vertex)?.bend : null;
  return typeof bend === 'number' ? { bend } : { leg: vertex };
}
