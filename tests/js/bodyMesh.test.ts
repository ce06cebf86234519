import { describe, expect, test } from 'vitest';
import type { SolvedRun, Vector } from '../../resources/js/api/types';
import { bodyGeometry } from '../../resources/js/view/bodyMesh';
import { pieceAt } from '../../resources/js/view/tube';

/* The triangles of a body as the server makes them, for the screen. */

const packed = (bytes: ArrayBuffer) => btoa(String.fromCharCode(...new Uint8Array(bytes)));

const leg = (from: Vector, to: Vector) => ({ kind: 'line', from, to, length: 100 });

/** Two legs of 100 along x, the second one broken. */
const run = {
  id: 'r',
  path: [leg([0, 0, 0], [100, 0, 0]), leg([100, 0, 0], [200, 0, 0])],
  legs: [
    { vertex: 1, from: 0, to: 100, straight: 100, start: 0 },
    { vertex: 2, from: 100, to: 200, straight: 100, start: 100 },
  ],
  findings: [],
  bends: [],
  vertices: [
    [0, 0, 0],
    [100, 0, 0],
    [200, 0, 0],
  ],
  clamps: [],
  corners: [],
} as unknown as SolvedRun;

const colours = { base: '#0000ff', broken: '#ff0000', picked: '#00ff00', bore: '#000000' };

describe('a body as the server makes it', () => {
  const corners = [
    [0, 5, 0],
    [40, 5, 0],
    [0, 5, 9],
    [160, 5, 0],
    [200, 5, 0],
    [160, 5, 9],
  ];
  const mesh = {
    positions: packed(new Float32Array(corners.flat()).buffer),
    triangles: packed(new Uint32Array([0, 1, 2, 3, 4, 5]).buffer),
  };

  test('has the corners of each triangle, in their order', () => {
    const { geometry } = bodyGeometry(run, mesh, colours, () => false);
    expect([...geometry.getAttribute('position').array]).toEqual(corners.flat());
    // Counter-clockwise from outside: (1, 0, 0) × (0, 0, 1) is −y.
    const normals = geometry.getAttribute('normal');
    expect([normals.getX(0), normals.getY(0), normals.getZ(0)]).toEqual([0, -1, 0]);
  });

  test('knows the piece that a triangle is abeam of, and gives it its colour', () => {
    const all = bodyGeometry(run, mesh, colours, () => false);
    const [first, second] = [pieceAt(all, 0), pieceAt(all, 1)];
    expect(first?.to ?? 0).toBeLessThanOrEqual(100.1);
    expect(second?.to ?? 0).toBeGreaterThan(100);
    const lit = bodyGeometry(run, mesh, colours, (piece) => piece.from === second?.from);
    const tints = lit.geometry.getAttribute('color');
    expect([tints.getX(0), tints.getY(0), tints.getZ(0)]).toEqual([0, 0, 1]);
    expect([tints.getX(3), tints.getY(3), tints.getZ(3)]).toEqual([0, 1, 0]);
  });
});
