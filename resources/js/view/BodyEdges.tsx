import { useEffect, useMemo } from 'react';
import { BoxGeometry, CylinderGeometry, EdgesGeometry } from 'three';
import type { PlacedBody } from '../api/types';

/** The edges of a body as thin lines, where its faces meet at more than 25°. */
export function BodyEdges({ body, colour }: { body: PlacedBody; colour: string }) {
  const { shape, size } = body;
  const geometry = useMemo(() => {
    const solid =
      shape === 'box' ? new BoxGeometry(...size) : new CylinderGeometry(size[0] / 2, size[0] / 2, size[2], 40);
    const edges = new EdgesGeometry(solid, 25);
    solid.dispose();
    return edges;
  }, [shape, size]);
  useEffect(() => () => geometry.dispose(), [geometry]);
  return (
    <lineSegments geometry={geometry} raycast={() => null}>
      <lineBasicMaterial color={colour} />
    </lineSegments>
  );
}
