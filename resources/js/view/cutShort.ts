import { Vector3 } from 'three';
import type { Curve, Point, SolvedRun } from '../api/types';

type Segment = SolvedRun['path'][number];

/** Returns a run as far as a developed length, mm: its path, and what is on it by then. */
export function cutShort(run: SolvedRun, length: number): SolvedRun {
  const path: Segment[] = [];
  let left = length;
  for (const segment of run.path) {
    if (left <= 0) {
      break;
    }
    path.push(segment.length <= left ? segment : part(segment, left));
    left -= segment.length;
  }
  return {
    ...run,
    path,
    repeats: run.repeats.map((repeat) => ({ ...repeat, places: repeat.places.filter(({ along }) => along <= length) })),
  };
}

/** Returns the beginning of a segment. */
function part(segment: Segment, length: number): Segment {
  const share = length / segment.length;
  if (segment.kind === 'curve') {
    return beginning(segment, length);
  }
  if (segment.kind === 'line') {
    return { ...segment, to: between(segment.from, segment.to, share), length };
  }
  const centre = new Vector3(...segment.centre);
  const turn = (segment.angle * share * Math.PI) / 180;
  const to = new Vector3(...segment.from)
    .sub(centre)
    .applyAxisAngle(new Vector3(...segment.normal), turn)
    .add(centre);
  return { ...segment, to: to.toArray(), angle: segment.angle * share, length };
}

function beginning(curve: Curve, length: number): Curve {
  const next = Math.max(
    1,
    curve.along.findIndex((along) => along >= length),
  );
  const [before, behind] = [curve.along[next - 1] ?? 0, curve.along[next] ?? length];
  const share = behind > before ? (length - before) / (behind - before) : 1;
  const to = between(curve.points[next - 1] ?? curve.from, curve.points[next] ?? curve.to, share);
  return {
    ...curve,
    points: [...curve.points.slice(0, next), to],
    along: [...curve.along.slice(0, next), length],
    curvature: curve.curvature.slice(0, next + 1),
    to,
    length,
  };
}

const between = (a: Point, b: Point, share: number): Point =>
  new Vector3(...a).lerp(new Vector3(...b), share).toArray();
