import type { FlowPoint, Run, SolvedRun, Vector } from '../api/types';

/** Where a point of a smooth run is told to be; null where that is a clamp's to say. */
export const atOf = (point: FlowPoint): Vector | null =>
  Array.isArray(point) ? point : 'clamp' in point ? null : point.at;

/** The same point elsewhere. */
export const putAt = (point: FlowPoint, at: Vector): FlowPoint =>
  Array.isArray(point) || 'clamp' in point ? at : { ...point, at };

const gap = (a: readonly number[], b: readonly number[]) => Math.hypot(...a.map((part, axis) => part - (b[axis] ?? 0)));

/** Where a new point comes in the list: where it makes the way the least longer. */
export function placeFor(at: readonly number[], points: readonly (readonly number[])[]): number {
  let best = 0;
  let least = Number.POSITIVE_INFINITY;
  for (let i = 0; i + 1 < points.length; i++) {
    const [a = [], b = []] = [points[i], points[i + 1]];
    const longer = gap(a, at) + gap(at, b) - gap(a, b);
    if (longer < least) {
      least = longer;
      best = i;
    }
  }
  return best;
}

/** The way a smooth run goes through a point of it, as a direction to a thousandth. */
export function travelAt(solved: SolvedRun, point: FlowPoint): Vector {
  const at = (atOf(point) ?? [1, 0, 0]).map(Number);
  const points = solved.path.flatMap((segment) => (segment.kind === 'curve' ? segment.points : []));
  let nearest = 0;
  points.forEach((one, index) => {
    nearest = gap(one, at) < gap(points[nearest] ?? [], at) ? index : nearest;
  });
  const before = points[Math.max(0, nearest - 1)] ?? [0, 0, 0];
  const after = points[Math.min(points.length - 1, nearest + 1)] ?? [1, 0, 0];
  const size = gap(after, before) || 1;
  return after.map((part, axis) => Math.round(((part - (before[axis] ?? 0)) / size) * 1000) / 1000) as Vector;
}

/** The points of a smooth run with one more, there on it where it was pointed at. */
export function withPoint(run: Run, solved: SolvedRun, at: readonly number[]): FlowPoint[] {
  const points = run.route.points ?? [];
  // The hand points at its outside; the point is to be in its middle.
  const curves = solved.path.flatMap((segment) => (segment.kind === 'curve' ? segment.points : []));
  const middle = curves.reduce((best, one) => (gap(one, at) < gap(best, at) ? one : best), curves[0] ?? at);
  const near = middle.map((part) => Math.round(part * 10) / 10) as Vector;
  const ends = [solved.path[0]?.from ?? [], solved.path.at(-1)?.to ?? []];
  const places = points.map((point) => (atOf(point) ?? near).map(Number));
  const index = placeFor(near.map(Number), [ends[0] ?? [], ...places, ends[1] ?? []]);
  return [...points.slice(0, index), near, ...points.slice(index)];
}
