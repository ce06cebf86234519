import { Quaternion, Vector3 } from 'three';
import { describe, expect, test } from 'vitest';
import type { FlowPoint, Place, Run, SolvedRun, Subject, Vector } from '../../resources/js/api/types';
import { poseIn } from '../../resources/js/card/mounting';
import { putAt } from '../../resources/js/job/flowPoints';
import { direction, fieldText, length, lengthEven, show, showEven } from '../../resources/js/job/format';
import { partOf, pieces } from '../../resources/js/job/layout';
import { handStep, inFractions, showIn } from '../../resources/js/job/units';
import { flattened, frames } from '../../resources/js/strip/frames';
import { runRows } from '../../resources/js/view/runRows';
import { endsOf, pieceAt, tubeGeometry } from '../../resources/js/view/tube';
import { isKey } from '../../resources/js/workbench/keys';

/* What the browser works out by itself, without a page. */

const none = { findings: [], bends: [], legs: [], vertices: [], clamps: [], corners: [] };

/** A solution of a path alone. */
const solved = (path: object[], more: object = {}): SolvedRun =>
  ({
    id: 'r',
    status: 'good',
    length: path.reduce((sum, one) => sum + (one as { length: number }).length, 0),
    min_radius: null,
    path,
    ...none,
    ...more,
  }) as unknown as SolvedRun;

const line = (from: Vector, to: Vector) => ({
  kind: 'line',
  from,
  to,
  length: Math.hypot(...to.map((part, axis) => Number(part) - Number(from[axis]))),
});

/** A quarter bend of 50 from going along +x at (100, 0, 0) to going along +y. */
const quarter = {
  kind: 'arc',
  from: [100, 0, 0],
  to: [150, 50, 0],
  centre: [100, 50, 0],
  normal: [0, 0, 1],
  radius: 50,
  angle: 90,
  length: 25 * Math.PI,
};

/** A half circle of 100 about the origin from (100, 0, 0) over (0, 100, 0), in so many pieces. */
const half = (pieces: number) => {
  const at = Array.from({ length: pieces + 1 }, (_, i) => (Math.PI * i) / pieces);
  return {
    kind: 'curve',
    from: [100, 0, 0],
    to: [-100, 0, 0],
    points: at.map((angle) => [100 * Math.cos(angle), 100 * Math.sin(angle), 0]),
    along: at.map((angle) => 100 * angle),
    curvature: at.map(() => 0.01),
    length: 100 * Math.PI,
    min_radius: 100,
  };
};

describe('numbers as they are read', () => {
  test.afterEach(() => showIn({ word: 'mm', fraction: null }));

  test('are short, with a true minus, and never minus nothing', () => {
    expect([0, -0.04, 12.5, 12.04, -3.25, 1e-9].map((one) => show(one))).toEqual(['0', '0', '12.5', '12', '−3.3', '0']);
    expect([show(1.25, 3), show(2, 2), showEven(2, 2), showEven(-0.001, 2)]).toEqual(['1.25', '2', '2.00', '0.00']);
  });

  test('are inches as a rule has them', () => {
    // 34.925 mm is 1 3/8 in to the last digit.
    showIn({ word: 'in', fraction: 16 });
    expect(length(34.925)).toBe('1 3/8');
    expect(length(-25.4 / 2)).toBe('−1/2');
    expect(length(25.4 * 3)).toBe('3');
    // Nearer to nothing than half a sixteenth it is said in decimals, not hidden.
    expect(length(0.5)).toBe('0.02');
    expect(inFractions(63 / 64, 64)).toBe('63/64');
    expect(inFractions(0.999, 16)).toBe('1');
    expect(handStep()).toBeCloseTo(25.4 / 16, 12);
    showIn({ word: 'in', fraction: null });
    expect(length(34.925)).toBe('1.375');
    expect(lengthEven(25.4)).toBe('1.000');
  });

  test('stay as exact in a field as they were said', () => {
    expect([fieldText(undefined), fieldText('2 * gap'), fieldText(0.1 + 0.2)]).toEqual(['', '=2 * gap', '0.3']);
    showIn({ word: 'in', fraction: 32 });
    expect(fieldText(34.925, true)).toBe('1 3/8');
    // A third of an inch is no fraction of a rule.
    expect(fieldText(25.4 / 3, true)).toBe('0.333333');
    expect(fieldText(45, false)).toBe('45');
  });

  test('say directions by their axis', () => {
    expect([direction('-z'), direction([0, 0.6, -0.8])]).toEqual(['−Z', '0 0.6 −0.8']);
  });
});

describe('a run laid straight', () => {
  const bent = solved([line([0, 0, 0], [100, 0, 0]), quarter, line([150, 50, 0], [150, 110, 0])], {
    legs: [
      { vertex: 0, straight: 100, bend: 0 },
      { vertex: 1, straight: 60, bend: null },
    ],
    bends: [{ arc: 25 * Math.PI }],
  });

  test('is its straights and bends one after another, to the length', () => {
    const all = pieces(bent);
    expect(all.map(({ kind }) => kind)).toEqual(['straight', 'bend', 'straight']);
    expect(all.map(({ from }) => from)).toEqual([0, 100, 100 + 25 * Math.PI]);
    expect(all.at(-1)?.to).toBeCloseTo(bent.length, 9);
  });

  test('marks what a violation is about, and warns nowhere', () => {
    const hit = (severity: string, subject: Subject, rule = 'bend-radius', span = [0, bent.length]) =>
      pieces({ ...bent, findings: [{ severity, rule, subject, span }] } as unknown as SolvedRun).map(
        ({ broken }) => broken,
      );
    expect(hit('violation', { kind: 'bend', index: 0 })).toEqual([false, true, false]);
    expect(hit('warning', { kind: 'bend', index: 0 })).toEqual([false, false, false]);
    expect(hit('violation', { kind: 'leg', vertex: 0 })).toEqual([true, false, false]);
    // An end is on the leg beside it, and what is about the whole run is about all of it.
    expect(hit('violation', { kind: 'end', name: 'to', vertex: 1 })).toEqual([false, false, true]);
    expect(hit('violation', { kind: 'run' }, 'cut-length')).toEqual([true, true, true]);
    expect(hit('violation', { kind: 'run' }, 'fixed-length')).toEqual([false, false, false]);
    // What is about the run at one place of it, as something that it lies in, is about the piece there.
    expect(hit('violation', { kind: 'run' }, 'lies-in', [50, 50])).toEqual([true, false, false]);
    expect(hit('violation', { kind: 'run' }, 'lies-in', [90, 110])).toEqual([true, true, false]);
    // At a joint between two it is about neither.
    expect(hit('violation', { kind: 'run' }, 'moving-radius', [100, 100])).toEqual([false, false, false]);
  });

  test('finds the part that a finding is about', () => {
    const part = (run: SolvedRun, subject: Subject, span: [number, number] = [0, run.length]) =>
      partOf(run, { subject, span });
    expect(part(bent, { kind: 'bend', index: 0 })).toEqual({ bend: 0 });
    expect(part(bent, { kind: 'leg', vertex: 1 })).toEqual({ leg: 1 });
    // A corner with a bend is picked as that, one without as the leg that ends there.
    expect(part(bent, { kind: 'corner', vertex: 0, tie: 1 })).toEqual({ bend: 0 });
    expect(part(bent, { kind: 'corner', vertex: 1 })).toEqual({ leg: 1 });
    expect(part(bent, { kind: 'run' })).toBeNull();
    // Where the run has something at one place, the piece there is shown.
    expect(part(bent, { kind: 'run' }, [120, 120])).toEqual({ bend: 0 });
    expect(part(bent, { kind: 'run' }, [200, 238])).toEqual({ leg: 1 });
    expect(part(bent, { kind: 'clamp', name: 'c' })).toBeNull();
    const curved = solved([line([0, 0, 0], [100, 0, 0]), half(8)]);
    expect(part(curved, { kind: 'curve', index: 1 })).toEqual({ bend: 1 });
  });

  test('says what is left of a length, or how much it is over', () => {
    const run = { fixed_length: { length: 250 } } as unknown as Run;
    expect(runRows(run, bent)).toEqual([['length', '238.5 of 250, 11.5 left']]);
    expect(runRows({ fixed_length: { length: 230 } } as unknown as Run, { ...bent, min_radius: 50 })).toEqual([
      ['length', '238.5 of 230, 8.5 over'],
      ['tightest', 'R 50'],
    ]);
    expect(runRows(undefined, bent)[0]?.[1]).toBe('238.5 mm');
    expect(runRows(run, undefined)).toEqual([]);
  });
});

describe('a run as a body on the screen', () => {
  const all = (od: number, bore: number) => [{ from: 0, to: Number.POSITIVE_INFINITY, od, bore }];
  const colours = { base: '#888888', broken: '#ff0000', picked: '#00ff00', bore: '#000000' };
  const run = solved([line([0, 0, 0], [100, 0, 0]), quarter, line([150, 50, 0], [150, 110, 0])], {
    legs: [
      { vertex: 0, straight: 100, bend: 0 },
      { vertex: 1, straight: 60, bend: null },
    ],
    bends: [{ arc: 25 * Math.PI }],
  });
  const off = (point: Vector3) => {
    const toLine = (from: Vector3, to: Vector3) => {
      const way = to.clone().sub(from);
      const part = Math.min(1, Math.max(0, point.clone().sub(from).dot(way) / way.lengthSq()));
      return point.distanceTo(from.clone().addScaledVector(way, part));
    };
    const arm = point.clone().sub(new Vector3(100, 50, 0));
    const inPlane = Math.hypot(arm.x, arm.y);
    const isBent = arm.x >= 0 && arm.y <= 0;
    return Math.min(
      toLine(new Vector3(0, 0, 0), new Vector3(100, 0, 0)),
      toLine(new Vector3(150, 50, 0), new Vector3(150, 110, 0)),
      isBent ? Math.hypot(inPlane - 50, arm.z) : Number.POSITIVE_INFINITY,
    );
  };

  test('has its walls half its outside and half its bore off the centre line', () => {
    const { geometry } = tubeGeometry(run, all(12, 8), colours, () => false);
    const at = geometry.getAttribute('position');
    const radii = new Set<number>();
    for (let i = 0; i < at.count; i++) {
      radii.add(Math.round(off(new Vector3().fromBufferAttribute(at, i)) * 1e4) / 1e4);
    }
    expect([...radii].sort()).toEqual([4, 6]);
  });

  test('is as wide as its stock in each stretch, and leaves out what is between them', () => {
    const stretches = [
      { from: 0, to: 40, od: 12, bore: 0 },
      { from: 60, to: 90, od: 8, bore: 0 },
    ];
    const { geometry } = tubeGeometry(run, stretches, colours, () => false);
    const at = geometry.getAttribute('position');
    const rings = new Set<string>();
    for (let i = 0; i < at.count; i++) {
      const point = new Vector3().fromBufferAttribute(at, i);
      rings.add(`${Math.round(point.x * 1e3) / 1e3}: ${Math.round(off(point) * 1e3) / 1e3}`);
    }
    // The first leg of 100 lies along x.
    expect([...rings].sort()).toEqual(['0: 6', '40: 6', '60: 4', '90: 4']);
  });

  test('looks outward on the outer wall', () => {
    const { geometry } = tubeGeometry(run, all(12, 0), colours, () => false);
    const [at, normal, index] = [geometry.getAttribute('position'), geometry.getAttribute('normal'), geometry.index];
    for (let i = 0; i < (index?.count ?? 0); i += 3) {
      const [a, b, c] = [0, 1, 2].map((k) => new Vector3().fromBufferAttribute(at, index?.getX(i + k) ?? 0));
      const facing =
        b
          ?.clone()
          .sub(a ?? b)
          .cross(c?.clone().sub(a ?? c) ?? b) ?? new Vector3();
      // Between two pieces that meet there is a ring of no length.
      expect(facing.dot(new Vector3().fromBufferAttribute(normal, index?.getX(i) ?? 0))).toBeGreaterThan(-1e-6);
    }
  });

  test('knows which piece a triangle is of', () => {
    const tube = tubeGeometry(run, all(12, 0), colours, () => false);
    const count = (tube.geometry.index?.count ?? 0) / 3;
    expect(pieceAt(tube, 0)?.kind).toBe('straight');
    expect(pieceAt(tube, count - 1)?.part).toEqual({ leg: 1 });
    expect(pieceAt(tube, Math.round(count / 2))?.kind).toBe('bend');
  });

  test('ends square to the way it goes there, looking away from it', () => {
    const [start, end] = endsOf(run);
    expect(start?.outward.distanceTo(new Vector3(-1, 0, 0))).toBeLessThan(1e-9);
    expect(end?.outward.distanceTo(new Vector3(0, 1, 0))).toBeLessThan(1e-9);
    // A curve of 90 pieces leaves within a degree of its true tangent.
    const [first, last] = endsOf(solved([half(90)]));
    expect(first?.outward.angleTo(new Vector3(0, -1, 0))).toBeLessThan((1.01 * Math.PI) / 180);
    expect(last?.outward.angleTo(new Vector3(0, -1, 0))).toBeLessThan((1.01 * Math.PI) / 180);
  });
});

describe('points of a smooth run', () => {
  test('keep what else is said of them when they are put elsewhere', () => {
    const held: FlowPoint = { at: [1, 2, 3], along: [0, 0, 1], pull: 1.5 };
    expect(putAt(held, [4, 5, 6])).toEqual({ at: [4, 5, 6], along: [0, 0, 1], pull: 1.5 });
    expect(putAt([1, 2, 3], [4, 5, 6])).toEqual([4, 5, 6]);
    // One at a clamp leaves it.
    expect(putAt({ clamp: 'c1' }, [4, 5, 6])).toEqual([4, 5, 6]);
  });
});

describe('the film of a movement', () => {
  const positions = Array.from({ length: 33 }, (_, i) => ({ part: i / 32 }));

  test('shows both ends, the tightest and the nearest, whatever the room, and others evenly', () => {
    for (let room = 3; room <= 33; room++) {
      const shown = frames({ positions, tightest: 20, nearest: 7, tautest: null }, room);
      expect(shown.length).toBeLessThanOrEqual(room);
      expect(shown).toEqual([...new Set(shown)].sort((a, b) => a - b));
      expect(shown).toEqual(expect.arrayContaining([0, 32, 20]));
      if (room > 3) {
        expect(shown).toContain(7);
      }
    }
    const nine = frames({ positions, tightest: 0, nearest: null, tautest: null }, 9);
    expect(nine).toEqual([0, 4, 8, 12, 16, 20, 24, 28, 32]);
  });

  test('draws all positions to one scale, upright, within the frame', () => {
    // A line 1000 high that swings out by 300 in the plane of x and z.
    // biome-ignore format: a row of points
    const swung = [0, 300].map((x) => ({ points: [[0, 0, 1000], [x, 0, 0]] as [number, number, number][] }));
    const drawn = flattened(swung, 104, 84).map((text) => text.split(' ').map((pair) => pair.split(',').map(Number)));
    const [top, bottom] = drawn[0] ?? [];
    // 84 less 6 at both edges is 72 for 1000: the higher end is higher on the screen, at 6.
    expect([top?.[1], bottom?.[1]]).toEqual([6, 78]);
    expect(top?.[0]).toBe(bottom?.[0]);
    expect((drawn[1]?.[1]?.[0] ?? 0) - (bottom?.[0] ?? 0)).toBeCloseTo(300 * 0.072, 1);
  });
});

test('what is mounted stays where it stands', () => {
  const pose = (at: number[], about: number[], angle: number) => ({ at, about, angle }) as Place['pose'];
  const host = { pose: pose([100, 200, 300], [0, 0, 1], 90) } as Place;
  const place = { pose: pose([100, 260, 300], [0, 0, 1], 120) } as Place;
  const mounted = poseIn(host, place);
  // 60 along y of space is 60 along x of a host turned by 90°; 30° of turn are left.
  expect(mounted).toEqual({ at: [60, 0, 0], turn: { about: [0, 0, 1], by: 30 } });
  // And back into space with any host: its pose times that is where it stood.
  for (const [angle, own] of [
    [37, 11],
    [-80, 150],
    [180, 3],
  ] as const) {
    // biome-ignore format: a row of pairs
    const axis = new Vector3(1, 2, -2).normalize();
    const turned = { pose: pose([5, -7, 11], axis.toArray(), angle) } as Place;
    const stands = { pose: pose([50, 60, -70], new Vector3(0, 1, 1).normalize().toArray(), own) } as Place;
    const { at, turn } = poseIn(turned, stands);
    const rad = Math.PI / 180;
    const back = new Quaternion().setFromAxisAngle(axis, angle * rad);
    const there = new Vector3(...(at as [number, number, number])).applyQuaternion(back).add(new Vector3(5, -7, 11));
    expect(there.distanceTo(new Vector3(50, 60, -70))).toBeLessThan(1e-4);
    const { about, by } = turn as { about: [number, number, number]; by: number };
    const turned3 = new Quaternion().setFromAxisAngle(new Vector3(0, 1, 1).normalize(), own * rad);
    const both = back.clone().multiply(new Quaternion().setFromAxisAngle(new Vector3(...about).normalize(), by * rad));
    for (const way of [new Vector3(1, 0, 0), new Vector3(0, 1, 0), new Vector3(0, 0, 1)]) {
      expect(way.clone().applyQuaternion(both).distanceTo(way.clone().applyQuaternion(turned3))).toBeLessThan(1e-5);
    }
  }
});

test('a key is the one that is directionToJson, with no other held', () => {
  const press = (key: string, held: Partial<Record<'ctrlKey' | 'shiftKey' | 'altKey' | 'metaKey', boolean>> = {}) =>
    ({ key, ctrlKey: false, shiftKey: false, altKey: false, metaKey: false, ...held }) as KeyboardEvent;
  expect(isKey(press('Z', { ctrlKey: true, shiftKey: true }), 'Ctrl+Shift+Z')).toBe(true);
  expect(isKey(press('z', { ctrlKey: true }), 'Ctrl+Shift+Z')).toBe(false);
  expect(isKey(press('z', { metaKey: true }), 'Ctrl+Z')).toBe(true);
  expect(isKey(press('?', { shiftKey: true }), '?')).toBe(true);
  expect(isKey(press('+'), '+')).toBe(true);
  expect(isKey(press('Delete'), 'Del')).toBe(true);
  expect(isKey(press('l', { altKey: true }), 'L')).toBe(false);
});
