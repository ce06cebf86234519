import { useCallback } from 'react';
import { Vector3 } from 'three';
import { type Flat, type Track, withTrack } from '../../job/tracks';
import { useProjection } from '../drag/useProjection';
import { upright, useUp } from '../up';

/** Returns the face of a body under the pointer: its normal and the directions of its edges, as tracks. */
export function useFace() {
  const { rayAt, scene } = useProjection();
  return useCallback(
    (hand: Flat): { tracks: Track[]; normal: Track; point: Vector3 } | null => {
      const hit = rayAt(hand)
        .intersectObjects(scene.children, true)
        .find(({ object }) => object.userData.place !== undefined);
      if (hit?.face == null) {
        return null;
      }
      const name = String(hit.object.userData.name);
      const toWorld = (x: number, y: number, z: number) =>
        new Vector3(x, y, z).transformDirection(hit.object.matrixWorld);
      const normal = hit.face.normal.clone().transformDirection(hit.object.matrixWorld);
      let tracks: Track[] = [];
      for (const own of [toWorld(1, 0, 0), toWorld(0, 1, 0), toWorld(0, 0, 1)]) {
        const square = Math.abs(own.dot(normal)) < 1e-6;
        for (const along of square ? [own, own.clone().negate()] : []) {
          tracks = withTrack(tracks, `along ${name}`, along);
        }
      }
      const across: Track = { name: `square to ${name}`, along: normal };
      return {
        tracks: [...withTrack(tracks, across.name, normal), { name: across.name, along: normal.clone().negate() }],
        normal: across,
        point: hit.point,
      };
    },
    [rayAt, scene],
  );
}

const LEVEL = [
  [1, 0, 0],
  [-1, 0, 0],
  [0, 1, 0],
  [0, -1, 0],
] as const;

/** Returns the distances from a point to the surroundings along the horizontal axes. */
export function useAbeam() {
  const { scene, rayAt } = useProjection();
  const up = useUp();
  return useCallback(
    (point: Vector3): { at: Vector3; away: number }[] => {
      const found: { at: Vector3; away: number }[] = [];
      const ray = rayAt({ x: 0, y: 0 });
      for (const level of LEVEL) {
        const along = upright(level, up);
        ray.set(point, along);
        const hit = ray
          .intersectObjects(scene.children, true)
          .find(({ object, distance }) => object.userData.place !== undefined && distance > 1e-3);
        if (hit !== undefined) {
          found.push({ at: hit.point, away: hit.distance });
        }
      }
      return found.sort((a, b) => a.away - b.away).slice(0, 2);
    },
    [scene, rayAt, up],
  );
}
