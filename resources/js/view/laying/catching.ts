import { MathUtils, Quaternion, Vector3 } from 'three';
import type { Place, SolvedRun } from '../../api/types';
import type { Flat, Project } from '../drag/tracks';
import type { Caught } from './store';

/** How near the pointer must come, pixels. */
const REACH = 11;

/** What may be caught: ports, corners of runs, clamps, and the corners, edges and faces of bodies. */
export function catchable(
  places: readonly Place[],
  runs: readonly { name: string; solved: SolvedRun }[],
  nameOf: (place: Place) => string,
): Caught[] {
  const found: Caught[] = [];
  for (const place of places) {
    const name = nameOf(place);
    for (const port of place.ports) {
      found.push({ kind: 'port', name: `${name}, ${port.id}`, at: new Vector3(...port.at), place: port.name });
    }
    if (place.list === 'clamps') {
      found.push({ kind: 'axis', name, at: new Vector3(...place.pose.at), place: place.id });
    } else {
      found.push(...ofBody(place, name));
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

function ofBody(place: Place, name: string): Caught[] {
  if (place.body === null) {
    return [];
  }
  const turn = new Quaternion().setFromAxisAngle(
    new Vector3(...place.pose.about).normalize(),
    MathUtils.degToRad(place.pose.angle),
  );
  const { at, size, shape } = place.body;
  const point = (x: number, y: number, z: number) =>
    new Vector3((x * size[0]) / 2, (y * size[1]) / 2, (z * size[2]) / 2)
      .add(new Vector3(...at))
      .applyQuaternion(turn)
      .add(new Vector3(...place.pose.at));
  const found: Caught[] = [];
  for (const x of [-1, 0, 1]) {
    for (const y of [-1, 0, 1]) {
      for (const z of [-1, 0, 1]) {
        const off = Math.abs(x) + Math.abs(y) + Math.abs(z);
        // Of a cylinder only the middles of its two ends are points of it.
        if (off === 0 || (shape === 'cylinder' && !(x === 0 && y === 0))) {
          continue;
        }
        const kind = off === 3 ? 'corner' : off === 2 ? 'edge' : 'face';
        const words = { corner: 'corner', edge: 'middle of an edge', face: 'middle of a face' }[kind];
        found.push({ kind, name: `${name}, ${words}`, at: point(x, y, z) });
      }
    }
  }
  return found;
}

/** A port before a corner, a corner before an edge or a face, where several are in reach. */
const RANK: Record<Caught['kind'], number> = { port: 0, axis: 1, corner: 2, edge: 5, face: 6 };

/** What is caught under the hand, if anything. */
export function caughtAt(hand: Flat, candidates: readonly Caught[], project: Project, not: Vector3): Caught | null {
  let best: { caught: Caught; off: number } | null = null;
  for (const caught of candidates) {
    const seen = project(caught.at);
    const away = Math.hypot(seen.x - hand.x, seen.y - hand.y);
    if (away > REACH || caught.at.distanceTo(not) < 1e-6) {
      continue;
    }
    const off = away + RANK[caught.kind];
    if (best === null || off < best.off) {
      best = { caught, off };
    }
  }
  return best?.caught ?? null;
}
