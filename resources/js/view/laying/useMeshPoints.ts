import { useCallback } from 'react';
import { Vector3 } from 'three';
import type { Flat } from '../../job/tracks';
import { edgeKey } from '../../job/useTriangles';
import { useProjection } from '../drag/useProjection';
import type { Catchable } from './catching';

/** Returns the corners and sharp edges of the triangle of a mesh under the pointer. */
export function useMeshPoints(): (hand: Flat) => Catchable[] {
  const { rayAt, scene } = useProjection();
  return useCallback(
    (hand) => {
      const hit = rayAt(hand)
        .intersectObjects(scene.children, true)
        .find(({ object }) => object.userData.place !== undefined);
      const sharp = hit?.object.userData.sharp as ReadonlySet<string> | undefined;
      const geometry = hit !== undefined && 'geometry' in hit.object ? hit.object.geometry : null;
      if (hit?.face == null || sharp === undefined || geometry === null) {
        return [];
      }
      const position = (geometry as { getAttribute: (name: string) => { array: ArrayLike<number> } }).getAttribute(
        'position',
      ).array;
      const name = String(hit.object.userData.name);
      const own = [hit.face.a, hit.face.b, hit.face.c].map((corner) =>
        [0, 1, 2].map((axis) => position[3 * corner + axis] ?? 0),
      );
      const inSpace = (corner: readonly number[]) =>
        new Vector3(corner[0], corner[1], corner[2]).applyMatrix4(hit.object.matrixWorld);
      const found: Catchable[] = own.map((corner) => ({
        kind: 'corner',
        name: `${name}, corner`,
        at: inSpace(corner),
      }));
      for (const [index, corner] of own.entries()) {
        const next = own[(index + 1) % 3] ?? corner;
        if (sharp.has(edgeKey(corner, next))) {
          found.push({ kind: 'edge', name: `${name}, edge`, at: inSpace(corner), to: inSpace(next) });
        }
      }
      return found;
    },
    [rayAt, scene],
  );
}
