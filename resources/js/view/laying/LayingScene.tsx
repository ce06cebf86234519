import { Line } from '@react-three/drei';
import { useMemo } from 'react';
import type { Vector3 } from 'three';
import { length } from '../../job/format';
import { type Aim, useLaying } from '../../job/laying';
import { Pinned } from '../Pinned';
import { RunMesh } from '../RunMesh';
import { upright, useUp } from '../up';
import { StartMarks } from './StartMarks';
import { useAbeam } from './useFace';
import { useLayingHand } from './useLayingHand';

/** Half length of a drawn track, mm. */
const FAR = 4000;

/** Laying in the scene: the track, the point with its plumb line, what is caught, the draft. */
export function LayingScene() {
  const choosing = useLaying((store) => store.choosing);
  const start = useLaying((store) => store.start);
  return (
    <>
      {choosing && <StartMarks />}
      {start !== null && <Hand />}
    </>
  );
}

function Hand() {
  const { draft, last } = useLayingHand();
  const aim = useLaying((store) => store.aim);
  const answer = useLaying((store) => store.answer);
  const solved = answer?.solutions[0];
  return (
    <>
      {draft !== null && solved !== undefined && <RunMesh run={draft} solved={solved} stage="lay" />}
      <Pinned at={last}>
        <span className="laid-end" />
      </Pinned>
      {aim !== null && <AimMarks aim={aim} last={last} />}
    </>
  );
}

function AimMarks({ aim, last }: { aim: Aim; last: Vector3 }) {
  const abeam = useAbeam();
  const point = aim.caught?.kind === 'port' && aim.track === null ? aim.caught.at : aim.point;
  const walls = useMemo(() => abeam(point), [abeam, point]);
  const upward = upright([0, 0, 1], useUp());
  const height = point.dot(upward);
  const floor = point.clone().addScaledVector(upward, -height);
  const line =
    aim.track === null
      ? null
      : [last.clone().addScaledVector(aim.track.along, -FAR), last.clone().addScaledVector(aim.track.along, FAR)];
  return (
    <>
      {line !== null && (
        <Line
          points={line as [Vector3, Vector3]}
          color="#a8741a"
          lineWidth={1.2}
          dashed
          dashSize={14}
          gapSize={10}
          raycast={() => null}
        />
      )}
      {Math.abs(height) > 1e-6 && (
        <>
          <Line
            points={[point, floor]}
            color="#15242c"
            lineWidth={1}
            dashed
            dashSize={6}
            gapSize={6}
            raycast={() => null}
          />
          <Pinned at={floor} beside>
            <span className="plumb">{`${length(Math.abs(height))} ${height < 0 ? 'below' : 'up'}`}</span>
          </Pinned>
        </>
      )}
      {walls.map(({ at, away }) => (
        <Pinned key={at.toArray().join()} at={at}>
          <span className="abeam">
            <i />
            {length(away, 0)}
          </span>
        </Pinned>
      ))}
      <Pinned at={point} rank={4}>
        <span className={`aim${aim.caught === null ? '' : ' caught'}`} />
      </Pinned>
      {aim.level && aim.caught !== null && (
        <Line
          points={[aim.point, aim.caught.at]}
          color="#0e4254"
          lineWidth={1}
          dashed
          dashSize={5}
          gapSize={5}
          raycast={() => null}
        />
      )}
    </>
  );
}
