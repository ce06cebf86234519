import { Vector3 } from 'three';
import { describe, expect, it } from 'vitest';
import type { SolvedRun, Wire } from '../../resources/js/api/types';
import { degreesAt, endAt, handleOf } from '../../resources/js/board/turning';
import { colourOf, signalsOf } from '../../resources/js/job/wireColours';
import { tapered } from '../../resources/js/view/useBundle';
import { wireGeometry } from '../../resources/js/view/wires/wireGeometry';

const turn = {
  run: 't2',
  towards: null,
  at: [100, 200] as [number, number],
  end: [100, 100] as [number, number],
  length: 100,
  along: 0,
  angle: 90,
  told: false,
  in_way: null,
};

describe('turning on the board', () => {
  // The picture has y downwards; angles count counterclockwise.
  it.each([
    [[200, 200], 0],
    [[100, 100], 90],
    [[200, 100], 45],
    [[100, 300], -90],
    [[0, 200], -180],
    [[200, 190], 5],
  ] as const)('reads the angle of the pointer at %s', (point, degrees) => {
    expect(degreesAt(turn, point, 5)).toBe(degrees);
  });
  it('counts from the trunk that is left', () => {
    expect(degreesAt({ ...turn, along: 90 }, [100, 100], 5)).toBe(0);
    expect(degreesAt({ ...turn, along: 180 }, [100, 100], 1)).toBe(-90);
  });
  it.each([0, 30, 90, -120])('would end where the pointer is, at %s°', (degrees) => {
    const [x, y] = endAt(turn, degrees);
    expect(Math.hypot(x - 100, y - 200)).toBeCloseTo(100, 9);
    expect(degreesAt(turn, [x, y], 1)).toBe(degrees);
  });
  it('has its handle on the branch, before its end', () => {
    expect(handleOf(turn)).toEqual([100, 120]);
  });
});

describe('a bundle in the view', () => {
  it('tapers where wires leave, and not where they do not', () => {
    const stretches = tapered([
      { from: 0, to: 400, diameter: 20 },
      { from: 400, to: 1000, diameter: 10 },
      { from: 1000, to: 1010, diameter: 12 },
    ]);
    expect(stretches.map(({ from, to, od, endOd }) => [from, to, od, endOd ?? od])).toEqual([
      [0, 400, 20, 20],
      [400, 425, 20, 10],
      [425, 1000, 10, 10],
      [1000, 1005, 10, 12],
      [1005, Number.POSITIVE_INFINITY, 12, 12],
    ]);
  });
});

describe('the wires in a trunk', () => {
  const straight = {
    path: [{ kind: 'line', from: [0, 0, 0], to: [0, 0, 100], length: 100 }],
  } as unknown as SolvedRun;
  it('lie off the centre line as they are packed, each as thick as it is', () => {
    const geometry = wireGeometry([{ run: 't', from: 0, to: 100, radius: 1, at: [3, 4] }], () => straight);
    const positions = geometry.getAttribute('position');
    for (let i = 0; i < positions.count; i++) {
      const off = Math.hypot(positions.getX(i), positions.getY(i));
      expect(off).toBeGreaterThan(4 - 1e-6);
      expect(off).toBeLessThan(6 + 1e-6);
    }
    const middle = new Vector3();
    for (let i = 0; i < 8; i++) {
      middle.add(new Vector3(positions.getX(i), positions.getY(i), positions.getZ(i)).divideScalar(8));
    }
    expect(middle.length()).toBeCloseTo(5, 6);
  });
  it('go from one place to the other at the border of two spans', () => {
    const geometry = wireGeometry(
      [
        { run: 't', from: 0, to: 50, radius: 1, at: [0, 0] },
        { run: 't', from: 50, to: 100, radius: 1, at: [6, 0] },
      ],
      () => straight,
    );
    geometry.computeBoundingBox();
    const { min, max } = geometry.boundingBox ?? { min: new Vector3(), max: new Vector3() };
    expect(Math.hypot(max.x - min.x, max.y - min.y)).toBeGreaterThan(6);
    expect(max.z).toBeCloseTo(100, 6);
  });
  it('are not there where the trunk is not', () => {
    expect(wireGeometry([{ run: 't', from: 0, to: 9, radius: 1, at: [0, 0] }], () => undefined).index?.count).toBe(0);
  });
  it('are in the colour of their insulation, else in one for their signal', () => {
    const wire = (told: Partial<Wire>): Wire => ({ id: 'W', from: 'a.b', to: 'c.d', stock: 's', ...told });
    const [one, other] = [wire({ signal: 'A' }), wire({ signal: 'B' })];
    const signals = signalsOf([one, other, one]);
    expect(signals).toEqual(['A', 'B']);
    expect(colourOf(wire({ colour: 'green/yellow', signal: 'A' }), signals)).toBe(
      colourOf(wire({ colour: 'Green' }), signals),
    );
    expect(colourOf(one, signals)).not.toBe(colourOf(other, signals));
    expect(colourOf(wire({ signal: 'A', colour: 'unheard of' }), signals)).toBe(colourOf(one, signals));
  });
});
