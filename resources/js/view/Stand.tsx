import { useMemo } from 'react';
import { BufferGeometry, Vector3 } from 'three';
import type { Place } from '../api/types';

/** Half length of the drawn line of a hinge, mm. */
const REACH = 400;

/** What holds a thing: the post of a clamp with a stand-off, the line of a hinge. */
export function Stand({ place }: { place: Place }) {
  const { foot, hinge, pose } = place;
  const points = useMemo(() => {
    if (foot !== null) {
      return [new Vector3(...pose.at), new Vector3(...foot)];
    }
    if (hinge !== null) {
      const at = new Vector3(...hinge.at);
      const along = new Vector3(...hinge.axis).multiplyScalar(REACH);
      return [at.clone().sub(along), at.clone().add(along)];
    }
    return null;
  }, [foot, hinge, pose]);
  const geometry = useMemo(() => (points === null ? null : new BufferGeometry().setFromPoints(points)), [points]);
  return geometry === null ? null : (
    <lineSegments geometry={geometry} raycast={() => null}>
      <lineBasicMaterial color={foot === null ? '#0e4254' : '#7a5a1e'} />
    </lineSegments>
  );
}
