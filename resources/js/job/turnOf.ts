import { MathUtils, Quaternion, Vector3 } from 'three';
import type { PlacedPose } from '../api/types';

/** Returns the rotation of a placed item. */
export const turnOf = ({ about, angle }: PlacedPose) =>
  new Quaternion().setFromAxisAngle(new Vector3(...about).normalize(), MathUtils.degToRad(angle));
