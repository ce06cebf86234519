import { Quaternion, Vector3 } from 'three';
import { useJob } from '../job/useJob';

export type Up = 'x' | 'y' | 'z';

/** A vector told for a job whose z points up, in a job where another axis does: right-handed, axes in order. */
export function upright(told: readonly [number, number, number], up: Up): Vector3 {
  const [x, y, z] = told;
  return { z: new Vector3(x, y, z), x: new Vector3(z, x, y), y: new Vector3(y, z, x) }[up];
}

const NAMES: Record<Up, Readonly<Record<string, string>>> = {
  z: { X: 'X', Y: 'Y', Z: 'Z' },
  x: { X: 'Y', Y: 'Z', Z: 'X' },
  y: { X: 'Z', Y: 'X', Z: 'Y' },
};

/** The name of an axis in the same way: the job's own for what would be X, Y or Z with z up. */
export const axisName = (told: string, up: Up): string => told.replace(/[XYZ]/, (axis) => NAMES[up][axis] ?? axis);

/** Turns what is drawn for z upwards to stand upright in a job. */
export function standing(up: Up): Quaternion {
  // A third of a turn about the space diagonal changes the axes round in order.
  const third = (2 * Math.PI) / 3;
  const angle = { z: 0, x: third, y: -third }[up];
  return new Quaternion().setFromAxisAngle(new Vector3(1, 1, 1).normalize(), angle);
}

export const useUp = (): Up => useJob().state.job.up ?? 'z';
