import { MathUtils, Quaternion, Vector3 } from 'three';
import type { PlacedPose } from '../api/types';

/** How something placed is turned in space. */
export const turnOf = ({ about, angle }: PlacedPose) =>
  new Quaternion().setFromAxisAngle(new Vector3(...about).normalize(), MathUtils.degToRad(angle));
