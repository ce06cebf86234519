import { MathUtils, Quaternion, Vector3 } from 'three';
import type { Place, PlacedBody, SolvedRun } from '../../api/types';
import type { Caught } from '../../job/laying';
import type { Flat, Project } from '../../job/tracks';

/** Reach of the pointer, pixels. */
const REACH = 11;

/** Length of the axis of a port that can be caught, mm. */
const AXIS = 1500;

/** A point that can be caught; with a far end, a line of which the point nearest to the pointer is caught. */
export interface Catchable extends Caught {
  to?: Vector3;
}

/**
 * Returns what can be caught: ports and their axes, corners of runs, clamps; and of bodies corners, edges, faces, holes
 * and round ends.
 */
export function catchable(
  places: readonly Place[],
  runs: readonly { name: string; solved: SolvedRun }[],
  nameOf: (place: Place) => string,
): Catchable[] {
  const found: Catchable[] = [];
  for (const place of places) {
    const name = nameOf(place);
    for (const port of place.ports) {
      const at = new Vector3(...port.at);
      const to = at.clone().addScaledVector(new Vector3(...port.axis), AXIS);
      found.push({ kind: 'port', name: `${name}, ${port.id}`, at, place: port.name });
      found.push({ kind: 'axis', name: `${name}, axis of ${port.id}`, at, to });
    }
    if (place.list === 'clamps') {
      const at = new Vector3(...place.pose.at);
      const axis = new Vector3(0, 0, 1).applyAxisAngle(
        new Vector3(...place.pose.about).normalize(),
        MathUtils.degToRad(place.pose.angle),
      );
      found.push({ kind: 'clamp', name, at, place: place.id });
      found.push({
        kind: 'axis',
        name: `axis of ${name}`,
        at: at.clone().addScaledVector(axis, -AXIS),
        to: at.clone().addScaledVector(axis, AXIS),
      });
    } else {
      found.push(...place.bodies.flatMap((body) => ofBody(place, body, name)));
      for (const { at, axis, hollow } of place.rounds) {
        const middle = new Vector3(...at);
        const words = hollow ? 'hole' : 'round end';
        found.push({ kind: 'round', name: `${name}, middle of a ${words}`, at: middle });
        found.push({
          kind: 'axis',
          name: `${name}, axis of a ${words}`,
          at: middle,
          to: middle.clone().addScaledVector(new Vector3(...axis), AXIS),
        });
      }
    }
  }
  for (const { name, solved } of runs) {
    for (const [index, vertex] of solved.vertices.entries()) {
      if (index > 0 && index < solved.vertices.length - 1) {
        found.push({ kind: 'corner', name: `${name}, corner ${index}`, at: new Vector3(...vertex) });
      }
    }
  }
  return found;
}

const SIDES = [-1, 0, 1] as const;

function ofBody(place: Place, body: PlacedBody, name: string): Catchable[] {
  if (body.shape === 'mesh') {
    return [];
  }
  const turn = new Quaternion().setFromAxisAngle(
    new Vector3(...place.pose.about).normalize(),
    MathUtils.degToRad(place.pose.angle),
  );
  const { pose, size, shape, outline } = body;
  const own = new Quaternion().setFromAxisAngle(new Vector3(...pose.about).normalize(), MathUtils.degToRad(pose.angle));
  const point = (part: readonly number[]) =>
    new Vector3(...part.map((side, axis) => (side * (size[axis] ?? 0)) / 2))
      .applyQuaternion(own)
      .add(new Vector3(...pose.at))
      .applyQuaternion(turn)
      .add(new Vector3(...place.pose.at));
  const found: Catchable[] = [];
  if (shape === 'plate') {
    for (const [x = 0, y = 0] of outline ?? []) {
      for (const side of [-1, 1]) {
        const at = point([(2 * x) / (size[0] || 1), (2 * y) / (size[1] || 1), side]);
        found.push({ kind: 'corner', name: `${name}, corner`, at });
      }
    }
    return found;
  }
  for (const part of SIDES.flatMap((x) => SIDES.flatMap((y) => SIDES.map((z) => [x, y, z])))) {
    const across = part.indexOf(0);
    const sides = part.filter((side) => side !== 0).length;
    if (shape === 'cylinder') {
      // Of a cylinder only the centres of its two ends are points.
      if (sides === 1 && part[2] !== 0) {
        found.push({ kind: 'face', name: `${name}, middle of its end`, at: point(part) });
      }
    } else if (sides === 3) {
      found.push({ kind: 'corner', name: `${name}, corner`, at: point(part) });
    } else if (sides === 2) {
      const end = (side: number) => point(part.map((own, axis) => (axis === across ? side : own)));
      found.push({ kind: 'middle', name: `${name}, middle of an edge`, at: point(part) });
      found.push({ kind: 'edge', name: `${name}, edge`, at: end(-1), to: end(1) });
    } else if (sides === 1) {
      found.push({ kind: 'face', name: `${name}, middle of a face`, at: point(part) });
    }
  }
  return found;
}

/** Priority where several are in reach: points before lines, a port before a corner before a face. */
const RANK: Record<Caught['kind'], number> = {
  port: 0,
  clamp: 1,
  round: 1,
  corner: 2,
  middle: 4,
  face: 5,
  axis: 8,
  edge: 9,
};

/** Returns what is caught under the pointer, if anything. */
export function caughtAt(hand: Flat, candidates: readonly Catchable[], project: Project, not: Vector3): Caught | null {
  let best: { caught: Caught; off: number } | null = null;
  for (const candidate of candidates) {
    const at = nearest(hand, candidate, project);
    const seen = project(at);
    const away = Math.hypot(seen.x - hand.x, seen.y - hand.y);
    if (away > REACH || at.distanceTo(not) < 1e-6) {
      continue;
    }
    const off = away + RANK[candidate.kind];
    if (best === null || off < best.off) {
      best = { caught: { kind: candidate.kind, name: candidate.name, place: candidate.place, at }, off };
    }
  }
  return best?.caught ?? null;
}

/**
 * Returns the point itself; of a line the point that appears nearest to the pointer (an orthographic projection keeps
 * ratios).
 */
function nearest(hand: Flat, { at, to }: Catchable, project: Project): Vector3 {
  if (to === undefined) {
    return at;
  }
  const start = project(at);
  const end = project(to);
  const [x, y] = [end.x - start.x, end.y - start.y];
  const part = ((hand.x - start.x) * x + (hand.y - start.y) * y) / Math.max(x * x + y * y, 1e-9);
  return at.clone().lerp(to, Math.min(1, Math.max(0, part)));
}
