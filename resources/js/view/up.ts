import { Quaternion, Vector3 } from 'three';
import { useJob } from '../job/useJob';

export type Up = 'x' | 'y' | 'z';

/** Converts a vector for z up into a job with another up axis: right-handed, axes in order. */
export function upright(told: readonly [number, number, number], up: Up): Vector3 {
  const [x, y, z] = told;
  return { z: new Vector3(x, y, z), x: new Vector3(z, x, y), y: new Vector3(y, z, x) }[up];
}

const NAMES: Record<Up, Readonly<Record<string, string>>> = {
  z: { X: 'X', Y: 'Y', Z: 'Z' },
  x: { X: 'Y', Y: 'Z', Z: 'X' },
  y: { X: 'Z', Y: 'X', Z: 'Y' },
};

/** Converts the name of an axis likewise: the job's own for X, Y or Z with z up. */
export const axisName = (told: string, up: Up): string => told.replace(/[XYZ]/, (axis) => NAMES[up][axis] ?? axis);

/** Returns the rotation that puts what is drawn for z up upright in a job. */
export function standing(up: Up): Quaternion {
  // A third of a turn about the space diagonal permutes the axes cyclically.
  const third = (2 * Math.PI) / 3;
  const angle = { z: 0, x: third, y: -third }[up];
  return new Quaternion().setFromAxisAngle(new Vector3(1, 1, 1).normalize(), angle);
}

export const useUp = (): Up => useJob().state.job.up ?? 'z';
