import { Vector3 } from 'three';
import type { Place, Run, SolvedRun } from '../../api/types';
import { lengthWithUnit } from '../../job/format';
import type { Target, TargetKind } from '../../job/pointing';
import type { Flat, Project } from '../../job/tracks';

/** Reach of the pointer, pixels. */
const REACH = 14;

const vector = (point: readonly number[] | undefined) => new Vector3(point?.[0], point?.[1], point?.[2]);

/** Returns all points that can be pointed at: ports, clamps, corners of runs, holes and round ends of bodies. */
export function pointTargets(
  places: readonly Place[],
  runs: readonly { run: Run; solved: SolvedRun }[],
  kinds: readonly TargetKind[],
  nameOf: (place: Place) => string,
): Target[] {
  const found: Target[] = [];
  for (const place of places) {
    if (kinds.includes('port')) {
      for (const port of place.ports) {
        found.push({ kind: 'port', name: `${nameOf(place)}, ${port.id}`, at: vector(port.at), anchor: port.name });
      }
    }
    if (place.list === 'clamps' && kinds.includes('clamp')) {
      found.push({ kind: 'clamp', name: nameOf(place), at: vector(place.pose.at), anchor: place.id });
    }
    for (const [round, { at, diameter, hollow }] of kinds.includes('round') ? place.rounds.entries() : []) {
      found.push({
        kind: 'round',
        name: `${nameOf(place)}, ${hollow ? 'hole' : 'round end'} ø ${lengthWithUnit(diameter)}, ${round + 1}`,
        at: vector(at),
        anchor: null,
        round: { surrounding: place.id, round },
      });
    }
    // Keys reach a face by its name; the pointer reaches it anywhere.
    if (kinds.includes('face')) {
      for (const face of place.faces) {
        found.push({
          kind: 'face',
          name: `${nameOf(place)}, ${face.name}`,
          at: vector(face.at),
          anchor: { face: face.name, of: place.id },
          along: vector(face.normal),
        });
      }
    }
  }
  for (const { run, solved } of kinds.includes('corner') ? runs : []) {
    for (const { vertex, stop } of solved.corners) {
      if (stop !== null) {
        found.push({
          kind: 'corner',
          name: `${run.name ?? run.id}, corner ${vertex}`,
          at: vector(solved.vertices[vertex]),
          anchor: { stop, run: run.id },
          run: run.id,
          vertex,
        });
      }
    }
  }
  return found;
}

/** Returns the point under the pointer; faces are hit on their surface, not at their centre. */
export function targetAt(hand: Flat, targets: readonly Target[], project: Project): Target | null {
  let best: { target: Target; off: number } | null = null;
  for (const target of targets) {
    const seen = project(target.at);
    const off = Math.hypot(seen.x - hand.x, seen.y - hand.y);
    if (target.kind !== 'face' && off < REACH && (best === null || off < best.off)) {
      best = { target, off };
    }
  }
  return best?.target ?? null;
}

/** Returns the leg under the pointer, at its nearest point on the screen. */
export function legAt(hand: Flat, runs: readonly { run: Run; solved: SolvedRun }[], project: Project): Target | null {
  let best: { target: Target; off: number } | null = null;
  for (const { run, solved } of runs) {
    for (const { vertex, length } of solved.legs) {
      if (length < 1e-6) {
        continue;
      }
      const [from, to] = [vector(solved.vertices[vertex - 1]), vector(solved.vertices[vertex])];
      const [start, end] = [project(from), project(to)];
      const [x, y] = [end.x - start.x, end.y - start.y];
      const part = Math.min(
        1,
        Math.max(0, ((hand.x - start.x) * x + (hand.y - start.y) * y) / Math.max(x * x + y * y, 1e-9)),
      );
      const off = Math.hypot(start.x + part * x - hand.x, start.y + part * y - hand.y);
      if (off < REACH && (best === null || off < best.off)) {
        const target: Target = {
          kind: 'leg',
          name: `${run.name ?? run.id}, leg ${vertex}`,
          at: from.clone().lerp(to, part),
          anchor: null,
          run: run.id,
          vertex,
          along: to.clone().sub(from).normalize(),
        };
        best = { target, off };
      }
    }
  }
  return best?.target ?? null;
}
