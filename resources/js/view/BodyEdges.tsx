import { useEffect, useMemo } from 'react';
import { BoxGeometry, CylinderGeometry, EdgesGeometry, ExtrudeGeometry, Shape, Vector2 } from 'three';
import type { PlacedBody } from '../api/types';

/** The edges of a body as thin lines, where its faces meet at more than 25°. */
export function BodyEdges({ body, colour }: { body: PlacedBody; colour: string }) {
  const { shape, size, outline } = body;
  const geometry = useMemo(() => {
    const solid =
      shape === 'box'
        ? new BoxGeometry(...size)
        : shape === 'plate'
          ? plateGeometry(outline ?? [], size[2])
          : new CylinderGeometry(size[0] / 2, size[0] / 2, size[2], 40);
    const edges = new EdgesGeometry(solid, 25);
    solid.dispose();
    return edges;
  }, [shape, size, outline]);
  useEffect(() => () => geometry.dispose(), [geometry]);
  return (
    <lineSegments geometry={geometry} raycast={() => null}>
      <lineBasicMaterial color={colour} />
    </lineSegments>
  );
}

/** Returns a plate with an outline in x and y, half of its thickness to both sides. */
export function plateGeometry(outline: readonly (readonly number[])[], thickness: number): ExtrudeGeometry {
  const shape = new Shape(outline.map(([x = 0, y = 0]) => new Vector2(x, y)));
  const geometry = new ExtrudeGeometry(shape, { depth: thickness, bevelEnabled: false });
  geometry.translate(0, 0, -thickness / 2);
  return geometry;
}
