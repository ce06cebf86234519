import { MathUtils, Quaternion, Vector3 } from 'three';
import type { Place, Pose, Vector } from '../api/types';
import { directionToJson } from '../job/tracks';
import { turnOf } from '../job/turnOf';

const tidy = (vector: Vector3): Vector => vector.toArray().map((part) => Math.round(part * 1e6) / 1e6) as Vector;

/** Returns a place and a direction of space in the frame of a host; unchanged without one. */
export function inFrameOf(
  host: Place | undefined,
  at: Vector3,
  along: Vector3,
): { at: Vector; along: string | Vector } {
  const back = host === undefined ? new Quaternion() : turnOf(host.pose).invert();
  const origin = new Vector3(...(host?.pose.at ?? [0, 0, 0]));
  return {
    at: tidy(at.clone().sub(origin).applyQuaternion(back)),
    along: directionToJson(along.clone().applyQuaternion(back)),
  };
}

/** Returns the pose of a thing in the frame of a host, so that mounting does not move it. */
export function poseIn(host: Place | undefined, place: Place): Pose {
  const { at } = inFrameOf(host, new Vector3(...place.pose.at), new Vector3(0, 0, 1));
  const turn = (host === undefined ? new Quaternion() : turnOf(host.pose).invert()).multiply(turnOf(place.pose));
  const angle = 2 * Math.acos(MathUtils.clamp(turn.w, -1, 1));
  const about = new Vector3(turn.x, turn.y, turn.z);
  return about.length() < 1e-9
    ? { at }
    : { at, turn: { about: tidy(about.normalize()), by: Math.round(MathUtils.radToDeg(angle) * 1e6) / 1e6 } };
}
