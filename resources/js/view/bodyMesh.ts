import { BufferAttribute, BufferGeometry, Color, Float32BufferAttribute, Vector3 } from 'three';
import { toCreasedNormals } from 'three/addons/utils/BufferGeometryUtils.js';
import type { BodyMesh, SolvedRun } from '../api/types';
import { type Piece, pieces } from '../job/layout';
import { stationsOf, type TubeColours, type TubeGeometry } from './tube';

/** Facets that meet at more than this are shown with an edge, radians. */
const SHARP = Math.PI / 5;

export const bytesOf = (text: string) => Uint8Array.from(atob(text), (sign) => sign.charCodeAt(0)).buffer;

/**
 * Returns the triangles of a body as the server made them, for the screen. Colours mark pieces that break a rule and
 * the selected piece: each triangle belongs to the piece that its middle is abeam of; those abeam of what lies behind
 * a length are left out.
 */
export function bodyGeometry(
  run: SolvedRun,
  mesh: BodyMesh,
  colours: TubeColours,
  isPicked: (piece: Piece) => boolean,
  upTo = Number.POSITIVE_INFINITY,
): TubeGeometry {
  const corners = new Float32Array(bytesOf(mesh.positions));
  const triangles = new Uint32Array(bytesOf(mesh.triangles));
  const positions = new Float32Array(triangles.length * 3);
  const tints = new Float32Array(triangles.length * 3);
  const stations = stationsOf(run);
  const all = pieces(run);
  const starts: TubeGeometry['starts'] = [];
  const middle = new Vector3();
  const colour = new Color();
  let drawn = 0;
  for (let triangle = 0; triangle * 3 < triangles.length; triangle++) {
    middle.set(0, 0, 0);
    for (let corner = 0; corner < 3; corner++) {
      const from = (triangles[triangle * 3 + corner] ?? 0) * 3;
      const to = (drawn * 3 + corner) * 3;
      const at = corners.subarray(from, from + 3);
      positions.set(at, to);
      middle.add(new Vector3(at[0], at[1], at[2]).divideScalar(3));
    }
    const along = nearest(middle, stations);
    if (along > upTo) {
      continue;
    }
    const piece = all.find(({ from, to }) => from <= along && along <= to) ?? null;
    if (piece !== starts.at(-1)?.piece || drawn === 0) {
      starts.push({ triangle: drawn, piece });
    }
    colour.set(piece !== null && isPicked(piece) ? colours.picked : piece?.broken ? colours.broken : colours.base);
    for (let corner = 0; corner < 3; corner++) {
      tints.set([colour.r, colour.g, colour.b], (drawn * 3 + corner) * 3);
    }
    drawn++;
  }
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new Float32BufferAttribute(positions.subarray(0, drawn * 9), 3));
  geometry.setAttribute('color', new Float32BufferAttribute(tints.subarray(0, drawn * 9), 3));
  geometry.computeVertexNormals();
  geometry.computeBoundingSphere();
  return { geometry, starts };
}

/** Returns the triangles of a body for the screen: round where it is round, with its edges sharp. */
export function meshGeometry(mesh: BodyMesh): BufferGeometry {
  const indexed = indexedGeometry(mesh);
  const geometry = toCreasedNormals(indexed, SHARP);
  indexed.dispose();
  return geometry;
}

/** Developed length of the place of a path that is nearest to a point, mm. */
export function nearest(point: Vector3, stations: ReturnType<typeof stationsOf>): number {
  let best = 0;
  let least = Number.POSITIVE_INFINITY;
  for (let i = 1; i < stations.length; i++) {
    const [a, b] = [stations[i - 1], stations[i]];
    if (a === undefined || b === undefined) {
      continue;
    }
    const way = b.at.clone().sub(a.at);
    const part = Math.max(0, Math.min(1, point.clone().sub(a.at).dot(way) / Math.max(1e-12, way.lengthSq())));
    const distance = a.at.clone().addScaledVector(way, part).distanceToSquared(point);
    if (distance < least) {
      least = distance;
      best = a.along + part * (b.along - a.along);
    }
  }
  return best;
}

/** Returns the triangles of a body as they came. */
export function indexedGeometry(mesh: BodyMesh): BufferGeometry {
  const indexed = new BufferGeometry();
  indexed.setAttribute('position', new BufferAttribute(new Float32Array(bytesOf(mesh.positions)), 3));
  indexed.setIndex(new BufferAttribute(new Uint32Array(bytesOf(mesh.triangles)), 1));
  return indexed;
}
