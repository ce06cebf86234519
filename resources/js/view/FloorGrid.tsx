import { useMemo } from 'react';
import { type Box3, BufferGeometry, Float32BufferAttribute } from 'three';

export const GRID_STEP = 100;

/** A grid on the floor, a line every 100 mm, under everything there is. */
export function FloorGrid({ box }: { box: Box3 }) {
  const geometry = useMemo(() => {
    const down = (value: number) => Math.floor(value / GRID_STEP - 2) * GRID_STEP;
    const up = (value: number) => Math.ceil(value / GRID_STEP + 2) * GRID_STEP;
    const [x0, x1, y0, y1] = [down(box.min.x), up(box.max.x), down(box.min.y), up(box.max.y)];
    const points: number[] = [];
    for (let x = x0; x <= x1; x += GRID_STEP) {
      points.push(x, y0, 0, x, y1, 0);
    }
    for (let y = y0; y <= y1; y += GRID_STEP) {
      points.push(x0, y, 0, x1, y, 0);
    }
    return new BufferGeometry().setAttribute('position', new Float32BufferAttribute(points, 3));
  }, [box]);
  return (
    <lineSegments geometry={geometry} raycast={() => null}>
      <lineBasicMaterial color="#cfc8b6" transparent opacity={0.6} />
    </lineSegments>
  );
}
