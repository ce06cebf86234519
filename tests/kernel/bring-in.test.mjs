import { readFileSync } from 'node:fs';
import { beforeAll, describe, expect, it } from 'vitest';
import { stlOf } from '../../resources/js/kernel/fromStep.ts';
import { readStep } from '../../resources/js/kernel/readStep.ts';
import { bowline, kernel } from './kernel.mjs';

/* What the page takes from a STEP file: here of bodies that the command line wrote. */
let oc;
beforeAll(async () => {
  oc = await kernel();
}, 60_000);

const triple = (floats, at) => [floats[at], floats[at + 1], floats[at + 2]];
const cross = ([a, b, c], [x, y, z]) => [b * z - c * y, c * x - a * z, a * y - b * x];
const dot = (a, b) => a.reduce((sum, part, axis) => sum + part * b[axis], 0);

/** Volume inside of triangles that look outwards (Gauss), mm³. */
function volumeOf(triangles) {
  let six = 0;
  for (let at = 0; at < triangles.length; at += 9) {
    six += dot(triple(triangles, at), cross(triple(triangles, at + 3), triple(triangles, at + 6)));
  }
  return six / 6;
}

const suction = () => bowline('step', 'database/demo/ternwake.json', '--run', 'suction');

describe('a run with a weld neck flange at each end', () => {
  it('comes in as triangles that look outwards, about as large as the body', { timeout: 180_000 }, () => {
    const { triangles } = readStep(oc, suction());
    const [{ volume }] = JSON.parse(bowline('mass', 'database/demo/ternwake.json', '--run', 'suction')).runs;
    expect(Math.abs(volumeOf(triangles) / volume - 1)).toBeLessThan(0.02);
    const stl = new DataView(stlOf(triangles));
    expect(stl.getUint32(80, true)).toBe(triangles.length / 9);
    expect(stl.byteLength).toBe(84 + 50 * (triangles.length / 9));
    expect(stl.getFloat32(84 + 12 + 32, true)).toBe(triangles[8]);
  });

  it('has the holes and rims that EN 1092-1 gives DN 25, PN 10', { timeout: 180_000 }, () => {
    // The port of the sea chest stands at 2300, 720, 200 and looks up; the face of the flange looks down at it.
    const { rounds } = readStep(oc, suction());
    const own = rounds.filter(({ at: [, , z] }) => z < 250);
    const told = (hollow, diameter) =>
      own.filter((round) => round.hollow === hollow && Math.abs(round.diameter - diameter) < 1e-6);
    // Its rim over and under, the raised face, four holes of both sides on a circle of 85, the bore of 33.7 × 2.6.
    expect(told(false, 115)).toHaveLength(2);
    expect(told(false, 68)).toHaveLength(1);
    expect(told(true, 14)).toHaveLength(8);
    expect(told(true, 28.5)).toHaveLength(1);
    expect(own).toHaveLength(12);
    for (const { at } of told(true, 14)) {
      expect(Math.hypot(at[0] - 2300, at[1] - 720)).toBeCloseTo(42.5, 6);
    }
    const [bore] = told(true, 28.5);
    expect(bore.at.map((part) => Math.round(part * 1e6) / 1e6)).toEqual([2300, 720, 200]);
    expect(bore.axis[2]).toBeCloseTo(-1, 9);
  });
});

describe('a file that is none', () => {
  it.each([
    ['text', () => new TextEncoder().encode('a letter'), 'no STEP file'],
    ['nothing', () => new Uint8Array(), 'no STEP file'],
    ['the first half of one', () => suction().subarray(0, 4000), 'no STEP file'],
    ['one without a body', () => readFileSync('tests/kernel/empty.step'), 'no body'],
  ])('%s is refused with the reason', (_, bytes, reason) => {
    expect(() => readStep(oc, bytes())).toThrow(reason);
  });
});
