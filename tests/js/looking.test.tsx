// @vitest-environment jsdom
import { cleanup, render, screen } from '@testing-library/react';
import { Vector3 } from 'three';
import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import type { CutPart } from '../../resources/js/api/types';
import { isFlange, isSame, isStandard } from '../../resources/js/job/flanges';
import { askedOf, useMeasuring } from '../../resources/js/job/measuring';
import type { Target } from '../../resources/js/job/pointing';
import { asked, useSectionPlane } from '../../resources/js/job/sectionPlane';
import { CutTable } from '../../resources/js/make/CutTable';
import { ServiceMark } from '../../resources/js/ui/ServiceMark';

/* What is asked of the server when bodies are looked at, and what is shown of pieces and services. */

afterEach(cleanup);

describe('a section', () => {
  const plane = () => useSectionPlane.getState();
  beforeEach(() => plane().stop());

  test('asks nothing until it is begun, and nothing after it is stopped', () => {
    expect(asked(plane(), [])).toBeNull();
    plane().begin('feed', 120);
    expect(asked(plane(), ['feed', 'return'])).toEqual({ run: 'feed', runs: ['feed', 'return'], along: 120, turn: 0 });
    plane().stop();
    expect(asked(plane(), [])).toBeNull();
  });

  test('is square to a run at a length, or in its plane at an offset, each turned', () => {
    plane().begin('feed', 120);
    plane().move({ along: 300, turn: 30 });
    expect(asked(plane(), [])).toEqual({ run: 'feed', runs: [], along: 300, turn: 30 });
    // Another plane is not turned or moved as the one before.
    plane().setKind('own');
    expect(asked(plane(), [])).toEqual({ run: 'feed', runs: [], offset: 0, turn: 0 });
    plane().move({ offset: -4 });
    expect(asked(plane(), [])).toEqual({ run: 'feed', runs: [], offset: -4, turn: 0 });
  });

  test('waits for three points, and takes the last three', () => {
    plane().begin('feed', 0);
    plane().setKind('points');
    for (const x of [1, 2]) {
      plane().addPoint([x, 0, 0]);
      expect(asked(plane(), [])).toBeNull();
    }
    plane().addPoint([0, 3, 0]);
    expect(asked(plane(), [])?.points).toEqual([
      [1, 0, 0],
      [2, 0, 0],
      [0, 3, 0],
    ]);
    plane().addPoint([0, 0, 4]);
    expect(asked(plane(), [])?.points).toEqual([
      [2, 0, 0],
      [0, 3, 0],
      [0, 0, 4],
    ]);
  });

  test('forgets the wall that was pointed at as soon as the plane moves', () => {
    plane().begin('feed', 120);
    plane().point([120, 0, 19]);
    expect(asked(plane(), [])?.pointed).toEqual([120, 0, 19]);
    plane().move({ along: 121 });
    expect(asked(plane(), [])).not.toHaveProperty('pointed');
  });
});

describe('measuring', () => {
  const target = (more: Partial<Target>): Target => ({ kind: 'point', at: new Vector3(1, 2, 3), ...more }) as Target;
  const store = () => useMeasuring.getState();

  test('takes two things, and a third as the first of the next', () => {
    const [first, second, third] = [target({}), target({}), target({})];
    store().begin();
    store().take(first);
    expect([store().from, store().to]).toEqual([first, null]);
    store().take(second);
    expect([store().from, store().to]).toEqual([first, second]);
    store().take(third);
    expect(store().from).toBe(third);
    expect(store().to).toBeNull();
    store().stop();
    expect([store().on, store().from, store().to]).toEqual([false, null, null]);
  });

  test('asks for a leg by its run and vertex, for a face by its normal, for a point by its place', () => {
    const leg = target({ kind: 'leg', run: 'feed', vertex: 2, along: new Vector3(1, 0, 0) });
    const face = target({ kind: 'face', along: new Vector3(0, 0, 1) });
    expect(askedOf(leg, face)).toEqual({
      from: { at: [1, 2, 3], run: 'feed', leg: 2 },
      to: { at: [1, 2, 3], normal: [0, 0, 1] },
    });
    expect(askedOf(target({}), target({}))?.from).toEqual({ at: [1, 2, 3] });
    expect(askedOf(leg, null)).toBeNull();
    expect(askedOf(null, leg)).toBeNull();
  });
});

describe('a cut list', () => {
  const part = (more: Partial<CutPart>): CutPart =>
    ({ kind: 'pipe', words: 'Pipe DN 50', length: 744, angle: null, radius: null, bends: [], ...more }) as CutPart;

  test('has a row a piece, a length for what is cut alone, and the pipe in all', () => {
    render(
      <CutTable
        parts={[
          part({ length: 1422 }),
          part({ kind: 'elbow', words: 'elbow 90°, long radius', length: null, angle: 90, radius: 76 }),
          part({}),
        ]}
        pipe={2166}
      />,
    );
    const rows = screen
      .getAllByRole('row')
      .map((row) => [...row.querySelectorAll('th, td')].map((cell) => cell.textContent));
    expect(rows).toEqual([
      ['Piece', 'What', 'Cut to'],
      ['1', 'Pipe DN 50', '1422.0'],
      ['2', 'elbow 90°, long radius', ''],
      ['3', 'Pipe DN 50', '744.0'],
      ['Pipe in all', '2166.0 mm'],
    ]);
  });

  test('says how a piece between elbows is bent', () => {
    const bend = { mark: 120.5, straight: 120.5, rotation: 0, angle: 45, set_angle: 46, radius: 180, arc: 141.4 };
    render(<CutTable parts={[part({ bends: [bend] as unknown as CutPart['bends'] })]} pipe={744} />);
    expect(screen.getByText('bent 45.0° R180.0 at 120.5')).toBeTruthy();
  });
});

test('a service is told by as many bands as it has, about the middle of its mark', () => {
  for (const bands of [0, 1, 2, 3]) {
    const { container } = render(<ServiceMark colour="#2f7d4f" bands={bands} />);
    const [pipe, ...others] = [...container.querySelectorAll('rect')];
    expect(pipe?.getAttribute('fill')).toBe('#2f7d4f');
    const middles = others.map((one) => Number(one.getAttribute('x')) + 1.5);
    expect(middles).toHaveLength(bands);
    if (bands > 0) {
      expect(middles.reduce((sum, one) => sum + one, 0) / bands).toBeCloseTo(17, 9);
      expect(Math.min(...middles)).toBeGreaterThan(0);
      expect(Math.max(...middles)).toBeLessThan(34);
    }
    cleanup();
  }
});

test('flanges are told apart by what they say', () => {
  const standard = { type: 'flange', standard: 'EN 1092-1 type 11 PN 16' } as const;
  const same = { type: 'flange', same_as: { run: 'feed', end: 'to' } } as const;
  const own = { type: 'flange', od: 90, thickness: 10, bore: 13 } as const;
  expect([standard, same, own].map(isFlange)).toEqual([true, true, true]);
  expect([standard, same, own].map(isStandard)).toEqual([true, false, false]);
  expect([standard, same, own].map(isSame)).toEqual([false, true, false]);
  expect(isFlange({ type: 'open' })).toBe(false);
});
