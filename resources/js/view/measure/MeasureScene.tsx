import { Line } from '@react-three/drei';
import { Vector3 } from 'three';
import { lengthWithUnit } from '../../job/format';
import { useMeasuring } from '../../job/measuring';
import { Pinned } from '../Pinned';
import { useMeasured } from './useMeasured';

/** The way between the two places with its parts along the axes, and where both come nearest; each with its figure. */
export function MeasureScene() {
  const { on, from, to } = useMeasuring();
  const measured = useMeasured();
  if (!on || from === null || to === null) {
    return null;
  }
  const [a, b] = [from.at, to.at];
  const least = measured.data?.least;
  return (
    <>
      <Line points={[a, b]} color="#a8741a" lineWidth={3} depthTest={false} />
      <Line
        points={[a, [b.x, a.y, a.z], [b.x, b.y, a.z], b]}
        color="#0e4254"
        lineWidth={1.5}
        dashed
        dashSize={12}
        gapSize={8}
        depthTest={false}
      />
      {least != null && <Line points={[least.from, least.to]} color="#2c7a57" lineWidth={3} depthTest={false} />}
      {measured.data !== undefined && (
        <Pinned at={middle(a, b)} rank={3}>
          <span className="measured-figure">{lengthWithUnit(measured.data.distance)}</span>
        </Pinned>
      )}
      {least != null && Math.abs(least.distance - (measured.data?.distance ?? 0)) > 1e-6 && (
        <Pinned at={middle(new Vector3(...least.from), new Vector3(...least.to))} rank={3}>
          <span className="measured-figure least">{lengthWithUnit(least.distance)}</span>
        </Pinned>
      )}
    </>
  );
}

function middle(one: Vector3, other: Vector3): Vector3 {
  return one.clone().lerp(other, 0.5);
}
