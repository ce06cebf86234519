import { BufferGeometry, Color, Float32BufferAttribute, Vector3 } from 'three';
import type { Curve, Point, SolvedRun } from '../api/types';
import { type Piece, pieces } from '../job/layout';

/** The position of a section on the centreline, and the piece of the run it belongs to. */
interface Station {
  at: Vector3;
  first: Vector3;
  second: Vector3;
  along: number;
}

/** A stretch of a run that is plain tube of one size; developed lengths, mm. */
export interface TubeStretch {
  from: number;
  to: number;
  od: number;
  bore: number;
  /** Outside diameter at its end, where that is another than at its start. */
  endOd?: number;
}

/** Returns the outside diameter of a stretch at a developed length, mm. */
const odAt = ({ from, to, od, endOd }: TubeStretch, along: number): number =>
  endOd === undefined ? od : od + ((endOd - od) * (along - from)) / (to - from);

export interface TubeGeometry {
  geometry: BufferGeometry;
  /** The first triangle of each piece, in order. */
  starts: { triangle: number; piece: Piece | null }[];
}

export interface TubeColours {
  base: string;
  broken: string;
  picked: string;
  bore: string;
}

const vector = ([x, y, z]: Point) => new Vector3(x, y, z);

/** Most rings of a curve. */
const MOST_STATIONS = 900;

/** Angle of one division of a bend on the screen, degrees. */
const BEND_STEP = 6;

/**
 * Returns the triangles of a solved path for the screen: outer wall and bore where it is plain tube. Straights are not
 * divided. Colours mark pieces that break a rule and the selected piece.
 */
export function tubeGeometry(
  run: SolvedRun,
  stretches: readonly TubeStretch[],
  colours: TubeColours,
  isPicked: (piece: Piece) => boolean,
): TubeGeometry {
  const sides = stretches.some(({ od }) => od > 20) ? 28 : 20;
  const stations = stationsOf(run);
  const all = pieces(run);
  const positions: number[] = [];
  const normals: number[] = [];
  const tints: number[] = [];
  const indices: number[] = [];
  const starts: TubeGeometry['starts'] = [];

  const ring = (station: Station, radius: number, colour: Color, inward: boolean) => {
    const start = positions.length / 3;
    for (let i = 0; i < sides; i++) {
      const angle = (2 * Math.PI * i) / sides;
      const out = station.first
        .clone()
        .multiplyScalar(Math.cos(angle))
        .addScaledVector(station.second, Math.sin(angle));
      const at = station.at.clone().addScaledVector(out, radius);
      positions.push(at.x, at.y, at.z);
      const sign = inward ? -1 : 1;
      normals.push(sign * out.x, sign * out.y, sign * out.z);
      tints.push(colour.r, colour.g, colour.b);
    }
    return start;
  };
  const wall = (from: number, to: number) => {
    for (let i = 0; i < sides; i++) {
      const j = (i + 1) % sides;
      indices.push(from + i, from + j, to + j, from + i, to + j, to + i);
    }
  };

  for (const [a, b, stretch] of divided(stations, stretches)) {
    const { bore } = stretch;
    const middle = (a.along + b.along) / 2;
    const piece = all.find((candidate) => candidate.from <= middle && middle <= candidate.to) ?? null;
    starts.push({ triangle: indices.length / 3, piece });
    const tint = new Color(
      piece !== null && isPicked(piece) ? colours.picked : piece?.broken ? colours.broken : colours.base,
    );
    wall(ring(a, odAt(stretch, a.along) / 2, tint, false), ring(b, odAt(stretch, b.along) / 2, tint, false));
    if (bore > 0) {
      const dark = new Color(colours.bore);
      wall(ring(b, bore / 2, dark, true), ring(a, bore / 2, dark, true));
    }
  }

  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new Float32BufferAttribute(positions, 3));
  geometry.setAttribute('normal', new Float32BufferAttribute(normals, 3));
  geometry.setAttribute('color', new Float32BufferAttribute(tints, 3));
  geometry.setIndex(indices);
  geometry.computeBoundingSphere();
  return { geometry, starts };
}

/** Returns the pairs of neighbouring stations within each stretch, with the stretch. */
function* divided(
  stations: readonly Station[],
  stretches: readonly TubeStretch[],
): Generator<[Station, Station, TubeStretch]> {
  for (const stretch of stretches) {
    for (let i = 1; i < stations.length; i++) {
      const [a, b] = [stations[i - 1], stations[i]];
      if (a === undefined || b === undefined || b.along <= stretch.from || a.along >= stretch.to) {
        continue;
      }
      yield [
        a.along < stretch.from ? between(a, b, stretch.from) : a,
        b.along > stretch.to ? between(a, b, stretch.to) : b,
        stretch,
      ];
    }
  }
}

function between(a: Station, b: Station, along: number): Station {
  const share = (along - a.along) / (b.along - a.along);
  return { at: a.at.clone().lerp(b.at, share), first: a.first, second: a.second, along };
}

/** Returns the place on the centre line of a run at a developed length. */
export function placeAlong(run: SolvedRun, along: number): Vector3 {
  const stations = stationsOf(run);
  for (let i = 1; i < stations.length; i++) {
    const [a, b] = [stations[i - 1], stations[i]];
    if (a !== undefined && b !== undefined && along <= b.along && b.along > a.along) {
      return between(a, b, Math.max(a.along, along)).at;
    }
  }
  return stations[stations.length - 1]?.at.clone() ?? new Vector3();
}

/** Returns the frame at a developed length, between those that there are. */
export function frameAlong(stations: readonly Station[], along: number): Station {
  for (let i = 1; i < stations.length; i++) {
    const [a, b] = [stations[i - 1], stations[i]];
    if (a !== undefined && b !== undefined && along <= b.along && b.along > a.along) {
      return along >= b.along ? b : between(a, b, Math.max(a.along, along));
    }
  }
  const last = stations[stations.length - 1];
  return last ?? { at: new Vector3(), first: new Vector3(1, 0, 0), second: new Vector3(0, 1, 0), along };
}

/** Returns the piece of a picked triangle. */
export function pieceAt(tube: TubeGeometry, triangle: number): Piece | null {
  let found: Piece | null = null;
  for (const start of tube.starts) {
    if (start.triangle > triangle) {
      break;
    }
    found = start.piece;
  }
  return found;
}

/** Returns the frames along the path, by parallel transport. */
export function stationsOf(run: SolvedRun): Station[] {
  const stations: Station[] = [];
  let along = 0;
  let first: Vector3 | null = null;
  for (const segment of run.path) {
    const from = vector(segment.from);
    const to = vector(segment.to);
    if (segment.kind === 'curve') {
      first = alongCurve(segment, along, first, stations);
      along += segment.length;
      continue;
    }
    const travel =
      segment.kind === 'line'
        ? to.clone().sub(from).normalize()
        : vector(segment.normal)
            .cross(from.clone().sub(vector(segment.centre)))
            .normalize();
    if (first === null || Math.abs(first.dot(travel)) > 0.5) {
      const helper = Math.abs(travel.z) < 0.9 ? new Vector3(0, 0, 1) : new Vector3(1, 0, 0);
      first = helper.cross(travel).normalize();
    }
    first = first.clone().addScaledVector(travel, -first.dot(travel)).normalize();
    stations.push({ at: from, first, second: travel.clone().cross(first), along });
    if (segment.kind === 'line') {
      stations.push({ at: to, first, second: travel.clone().cross(first), along: along + segment.length });
    } else {
      const axis = vector(segment.normal);
      const arm = from.clone().sub(vector(segment.centre));
      const count = Math.max(2, Math.ceil(segment.angle / BEND_STEP));
      const start: Vector3 = first;
      for (let i = 1; i <= count; i++) {
        const turn = (segment.angle * i * Math.PI) / 180 / count;
        const turned: Vector3 = start.clone().applyAxisAngle(axis, turn);
        const direction = travel.clone().applyAxisAngle(axis, turn);
        stations.push({
          at: vector(segment.centre).add(arm.clone().applyAxisAngle(axis, turn)),
          first: turned,
          second: direction.cross(turned),
          along: along + (segment.length * i) / count,
        });
        first = turned;
      }
    }
    along += segment.length;
  }
  return stations;
}

/** Returns the first direction made perpendicular to the travel, or a new one where there is none or it is parallel. */
function squareTo(travel: Vector3, first: Vector3 | null): Vector3 {
  const near = Math.abs(travel.z) < 0.9 ? new Vector3(0, 0, 1) : new Vector3(1, 0, 0);
  const start = first === null || Math.abs(first.dot(travel)) > 0.5 ? near.cross(travel) : first;
  return start.clone().addScaledVector(travel, -start.dot(travel)).normalize();
}

/** Carries the frame along a curve, at points as far apart as the screen allows. */
function alongCurve(curve: Curve, along: number, start: Vector3 | null, stations: Station[]): Vector3 {
  const every = Math.max(1, Math.floor(curve.points.length / MOST_STATIONS));
  let first = start;
  for (const [index, point] of curve.points.entries()) {
    const isLast = index === curve.points.length - 1;
    if (index % every !== 0 && !isLast) {
      continue;
    }
    const before = curve.points[Math.max(0, index - 1)] ?? point;
    const after = curve.points[Math.min(curve.points.length - 1, index + 1)] ?? point;
    const travel = vector(after).sub(vector(before)).normalize();
    first = squareTo(travel, first);
    stations.push({
      at: vector(point),
      first,
      second: travel.clone().cross(first),
      along: along + (curve.along[index] ?? 0),
    });
  }
  return first ?? new Vector3(0, 0, 1);
}

/** Returns the ends of a path with their outward directions. */
export function endsOf(run: SolvedRun): { at: Vector3; outward: Vector3 }[] {
  const first = run.path[0];
  const last = run.path[run.path.length - 1];
  if (first === undefined || last === undefined) {
    return [];
  }
  const into = (segment: typeof first, point: Point) =>
    segment.kind === 'curve'
      ? (point === segment.from
          ? vector(segment.points[1] ?? segment.to).sub(vector(segment.from))
          : vector(segment.to).sub(vector(segment.points.at(-2) ?? segment.from))
        ).normalize()
      : segment.kind === 'line'
        ? vector(segment.to).sub(vector(segment.from)).normalize()
        : vector(segment.normal)
            .cross(vector(point).sub(vector(segment.centre)))
            .normalize();
  return [
    { at: vector(first.from), outward: into(first, first.from).negate() },
    { at: vector(last.to), outward: into(last, last.to) },
  ];
}
