import { Line } from '@react-three/drei';
import { useEffect, useMemo } from 'react';
import { Vector3 } from 'three';
import type { SolvedClearance } from '../api/types';
import { lengthWithUnit } from '../job/format';
import { useNearness } from '../job/nearness';
import { useWorkbench } from '../job/store';
import { useJob } from '../job/useJob';
import { Ghost, sweptTube } from './Envelope';
import { Pinned } from './Pinned';

type Moment = NonNullable<SolvedClearance['moment']>;

/** A thin line to what is nearest to what is dragged, as far as its tag tells it. */
export function NearLine() {
  const dragged = useWorkbench((store) => store.trying?.nearest ?? null);
  return dragged === null ? null : (
    <Line
      points={dragged.at.map((at) => new Vector3(...at)) as [Vector3, Vector3]}
      color={dragged.distance < dragged.required || dragged.inside ? '#a33a2c' : '#0e4254'}
      lineWidth={1.5}
      depthTest={false}
    />
  );
}

/** Where two things are too near to each other: a mark on each, the way between them, and how far that is. */
export function NearMark() {
  const marked = useNearness((store) => store.marked);
  if (marked === null) {
    return null;
  }
  const [one, other] = marked.at.map((at) => new Vector3(...at)) as [Vector3, Vector3];
  const colour = marked.severity === 'violation' ? '#a33a2c' : '#a8741a';
  return (
    <>
      {marked.moment !== null && <AtMoment moment={marked.moment} />}
      <Line points={[one, other]} color={colour} lineWidth={4} depthTest={false} />
      {[one, other].map((at, number) => (
        <Pinned key={number === 0 ? 'one' : 'other'} at={at} rank={4}>
          <span className={`near-place ${marked.severity}`} />
        </Pinned>
      ))}
      <Pinned at={one.clone().lerp(other, 0.5)} rank={3}>
        <span className="measured-figure near-figure">{lengthWithUnit(marked.measured)}</span>
      </Pinned>
    </>
  );
}

/** What moves, as it stands at the moment of its movement at which it is too near to something. */
function AtMoment({ moment }: { moment: Moment }) {
  const { places } = useJob();
  return (
    <>
      {moment.places.map(({ id, pose }) => {
        const place = places.find((one) => one.list === 'fittings' && one.id === id);
        return place === undefined ? null : <Ghost key={id} place={{ ...place, pose }} />;
      })}
      {moment.lines.map((line) => (
        <MovedTube key={line.id} {...line} />
      ))}
    </>
  );
}

function MovedTube({ id, points }: Moment['lines'][number]) {
  const { state, item } = useJob();
  const od = state.stocks[item('runs', id)?.stock ?? '']?.od ?? 10;
  const tube = useMemo(() => sweptTube(points, od, 16), [points, od]);
  useEffect(() => () => tube.dispose(), [tube]);
  return (
    <mesh geometry={tube} raycast={() => null}>
      <meshLambertMaterial color="#c98f2e" transparent opacity={0.6} />
    </mesh>
  );
}
