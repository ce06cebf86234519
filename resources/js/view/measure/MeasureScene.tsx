import { Line } from '@react-three/drei';
import { useMeasuring } from '../../job/measuring';
import { useMeasured } from './useMeasured';

/** The way between the two places, its parts along the axes, and where both come nearest. */
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
    </>
  );
}
