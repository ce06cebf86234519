import { useCallback } from 'react';
import { Vector3 } from 'three';
import type { Anchor, Place, Vector } from '../../api/types';
import type { Target } from '../../job/pointing';
import type { Flat } from '../../job/tracks';
import { turnOf } from '../../job/turnOf';
import { useJob } from '../../job/useJob';
import { useProjection } from '../drag/useProjection';

/** Largest distance of a point from the plane of a named face, mm. */
const ON_FACE = 0.05;

const tidy = (vector: Vector3): Vector => vector.toArray().map((part) => Math.round(part * 1e6) / 1e6) as Vector;

/** Returns the face of a surrounding under the pointer, by its name where it has one. */
export function useFaceTarget(): (hand: Flat) => Target | null {
  const { places, item } = useJob();
  const { rayAt, scene } = useProjection();
  return useCallback(
    (hand) => {
      const hit = rayAt(hand)
        .intersectObjects(scene.children, true)
        .find(({ object }) => String(object.userData.place ?? '').startsWith('surroundings/'));
      const id = String(hit?.object.userData.place ?? '').replace('surroundings/', '');
      const place = places.find((one) => one.list === 'surroundings' && one.id === id);
      if (hit?.face == null || place === undefined) {
        return null;
      }
      const normal = hit.face.normal.clone().transformDirection(hit.object.matrixWorld);
      const name = item('surroundings', id)?.name ?? id;
      const face = place.faces.find(
        (one) =>
          normal.dot(new Vector3(...one.normal)) > 0.999 &&
          Math.abs(
            hit.point
              .clone()
              .sub(new Vector3(...one.at))
              .dot(normal),
          ) < ON_FACE,
      );
      return {
        kind: 'face',
        name: face === undefined || face.name === 'front' ? name : `${name}, ${face.name}`,
        at: hit.point,
        anchor: face === undefined ? own(place, hit.point, normal) : { face: face.name, of: id },
        along: normal,
      };
    },
    [rayAt, scene, places, item],
  );
}

/** Returns a face without a name by a point and its normal in the frame of its thing, so that it moves with that. */
function own(place: Place, point: Vector3, normal: Vector3): Anchor {
  const back = turnOf(place.pose).invert();
  return {
    at: tidy(
      point
        .clone()
        .sub(new Vector3(...place.pose.at))
        .applyQuaternion(back),
    ),
    normal: tidy(normal.clone().applyQuaternion(back)),
    of: place.id,
  };
}
