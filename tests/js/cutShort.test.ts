import { describe, expect, it } from 'vitest';
import type { SolvedRun } from '../../resources/js/api/types';
import { cutShort } from '../../resources/js/view/cutShort';

/** 100 along x, a bend of R 50 up by 90° (78.54 long), 60 up; then a quarter circle of R 200 as a curve of points. */
const quarter = Array.from({ length: 91 }, (_, i) => (i * Math.PI) / 180);
const run = {
  length: 100 + 25 * Math.PI + 60 + 100 * Math.PI,
  path: [
    { kind: 'line', from: [0, 0, 0], to: [100, 0, 0], length: 100 },
    {
      kind: 'arc',
      from: [100, 0, 0],
      to: [150, 0, 50],
      centre: [100, 0, 50],
      normal: [0, -1, 0],
      radius: 50,
      angle: 90,
      length: 25 * Math.PI,
    },
    { kind: 'line', from: [150, 0, 50], to: [150, 0, 110], length: 60 },
    {
      kind: 'curve',
      from: [150, 0, 110],
      to: [350, 0, 310],
      points: quarter.map((a) => [350 - 200 * Math.cos(a), 0, 110 + 200 * Math.sin(a)]),
      along: quarter.map((a) => 200 * a),
      curvature: quarter.map(() => 1 / 200),
      min_radius: 200,
      length: 100 * Math.PI,
    },
  ],
  repeats: [{ kind: 'clip', places: [{ along: 50 }, { along: 150 }] }],
} as unknown as SolvedRun;

const endOf = (length: number) =>
  cutShort(run, length)
    .path.at(-1)
    ?.to.map((part) => Math.round(part * 100) / 100);

describe('a run that is shown up to a length', () => {
  it.each([
    ['in the first straight', 40, 1, [40, 0, 0]],
    ['where the bend begins', 100, 1, [100, 0, 0]],
    // Half of the bend: 50·sin 45° = 35.36 along, 50 − 35.36 up.
    ['in the middle of the bend', 100 + 12.5 * Math.PI, 2, [135.36, 0, 14.64]],
    ['in the second straight', 100 + 25 * Math.PI + 15, 3, [150, 0, 65]],
    // 30° into the curve: 350 − 200·cos 30°, 110 + 100.
    ['in the curve, on a point', 160 + 25 * Math.PI + (100 * Math.PI) / 3, 4, [176.79, 0, 210]],
    ['at its end', 160 + 125 * Math.PI, 4, [350, 0, 310]],
  ])('%s ends there', (_, length, count, end) => {
    expect(cutShort(run, length).path).toHaveLength(count);
    expect(endOf(length)).toEqual(end);
  });

  it('is as long as asked for, with what stands on it by then', () => {
    for (const length of [10, 120, 170, 250, 400]) {
      const { path, repeats } = cutShort(run, length);
      expect(path.reduce((sum, segment) => sum + segment.length, 0)).toBeCloseTo(length, 9);
      expect(repeats[0]?.places).toHaveLength(length < 50 ? 0 : length < 150 ? 1 : 2);
    }
    expect(cutShort(run, 0).path).toHaveLength(0);
  });

  it('keeps a curve within its points, with as many of everything', () => {
    const curve = cutShort(run, 300).path[3];
    if (curve?.kind !== 'curve') {
      throw new Error('the last segment is the curve');
    }
    expect(curve.points.length).toBe(curve.along.length);
    expect(curve.curvature.length).toBe(curve.along.length);
    expect(curve.along.at(-1)).toBe(curve.length);
    // On the circle within the sagitta of a chord of 1°: 200·(1 − cos 0.5°) = 0.0076.
    const [x = 0, , z = 0] = curve.to;
    expect(Math.abs(Math.hypot(x - 350, z - 110) - 200)).toBeLessThan(0.0077);
  });
});
