import { useEffect, useMemo } from 'react';
import {
  BoxGeometry,
  BufferGeometry,
  EdgesGeometry,
  ExtrudeGeometry,
  Float32BufferAttribute,
  Shape,
  Vector2,
} from 'three';
import type { PlacedBody } from '../api/types';

/** The edges of a body as thin lines, where its faces meet at more than 25°. */
export function BodyEdges({ body, colour }: { body: PlacedBody; colour: string }) {
  const { shape, size, outline } = body;
  const geometry = useMemo(() => {
    if (shape === 'cylinder') {
      // Without its triangles, of which edges would be found by comparing all of them.
      return rims(size[0] / 2, size[2]);
    }
    const solid = shape === 'box' ? new BoxGeometry(...size) : plateGeometry(outline ?? [], size[2]);
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

/** How many sides a cylinder is drawn with. */
export const SIDES = 40;

/** Returns both rims of a cylinder along y, round the origin, as segments. */
export function rims(radius: number, height: number): BufferGeometry {
  const places: number[] = [];
  for (const y of [height / 2, -height / 2]) {
    for (let side = 0; side < SIDES; side++) {
      for (const turn of [side, side + 1].map((corner) => (2 * Math.PI * corner) / SIDES)) {
        places.push(radius * Math.sin(turn), y, radius * Math.cos(turn));
      }
    }
  }
  return new BufferGeometry().setAttribute('position', new Float32BufferAttribute(places, 3));
}

/** Returns a plate with an outline in x and y, half of its thickness to both sides. */
export function plateGeometry(outline: readonly (readonly number[])[], thickness: number): ExtrudeGeometry {
  const shape = new Shape(outline.map(([x = 0, y = 0]) => new Vector2(x, y)));
  const geometry = new ExtrudeGeometry(shape, { depth: thickness, bevelEnabled: false });
  geometry.translate(0, 0, -thickness / 2);
  return geometry;
}
