import { useMemo } from 'react';
import { type Box3, BufferGeometry, Float32BufferAttribute } from 'three';
import { useCamera } from './camera';
import { standing, useUp } from './up';

/** Most lines in each direction; beyond that the grid covers less. */
const MOST_LINES = 160;

/** A grid on the floor below everything, as fine as can be distinguished, every fifth line stronger. */
export function FloorGrid({ box }: { box: Box3 }) {
  const step = useCamera((store) => store.gridStep);
  const up = useUp();
  const [fine, strong] = useMemo(() => {
    const lying = box.clone();
    const back = standing(up).invert();
    lying.min.applyQuaternion(back);
    lying.max.applyQuaternion(back);
    const spans = (['x', 'y'] as const).map((axis) => {
      const middle = (lying.min[axis] + lying.max[axis]) / 2;
      const half = Math.min((lying.max[axis] - lying.min[axis]) / 2 + 2 * step, (MOST_LINES / 2) * step);
      return [Math.floor((middle - half) / step), Math.ceil((middle + half) / step)] as const;
    });
    const [[x0, x1], [y0, y1]] = spans as [readonly [number, number], readonly [number, number]];
    const points: [number[], number[]] = [[], []];
    for (let x = x0; x <= x1; x++) {
      points[x % 5 === 0 ? 1 : 0].push(x * step, y0 * step, 0, x * step, y1 * step, 0);
    }
    for (let y = y0; y <= y1; y++) {
      points[y % 5 === 0 ? 1 : 0].push(x0 * step, y * step, 0, x1 * step, y * step, 0);
    }
    return points.map((list) => new BufferGeometry().setAttribute('position', new Float32BufferAttribute(list, 3))) as [
      BufferGeometry,
      BufferGeometry,
    ];
  }, [box, step, up]);
  return (
    <group quaternion={standing(up)}>
      <lineSegments geometry={fine} raycast={() => null}>
        <lineBasicMaterial color="#cfc8b6" transparent opacity={0.45} />
      </lineSegments>
      <lineSegments geometry={strong} raycast={() => null}>
        <lineBasicMaterial color="#b9b09a" transparent opacity={0.7} />
      </lineSegments>
    </group>
  );
}
