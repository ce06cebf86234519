import { useEffect, useMemo } from 'react';
import { BufferGeometry, CatmullRomCurve3, Line, LineBasicMaterial, TubeGeometry, Vector3 } from 'three';
import type { Place, Run, SweptRun } from '../api/types';
import { useWorkbench } from '../job/store';
import { turnOf } from '../job/turnOf';
import { useJob } from '../job/useJob';
import { PlacedBodyMesh } from './PlacedBodyMesh';

const GHOST = { colour: '#d9b566', edge: '#a8741a', opacity: 0.35 };

const PENCIL = new LineBasicMaterial({ color: '#a8741a', transparent: true, opacity: 0.6 });

/** The envelope of a run over its movement, and the run at the position shown. */
export function Envelope({ run, movement }: { run: Run; movement: SweptRun }) {
  const { state, places } = useJob();
  const moment = useWorkbench((store) => store.moment);
  const od = state.stocks[run.stock]?.od ?? 10;
  const at = movement.positions[moment ?? movement.tightest];
  const lines = useMemo(
    () =>
      movement.positions.map(
        ({ points }) =>
          new Line(new BufferGeometry().setFromPoints(points.map((point) => new Vector3(...point))), PENCIL),
      ),
    [movement],
  );
  const swept = useMemo(() => movement.positions.map(({ points }) => sweptTube(points, od, 8)), [movement, od]);
  const shown = useMemo(() => (at === undefined ? null : sweptTube(at.points, od * 1.02, 16)), [at, od]);
  useEffect(
    () => () => {
      for (const one of [...lines.map(({ geometry }) => geometry), ...swept]) {
        one.dispose();
      }
    },
    [lines, swept],
  );
  useEffect(() => () => shown?.dispose(), [shown]);
  const tight = at?.tight === true;
  return (
    <group>
      {swept.map((geometry, index) => (
        <mesh key={movement.positions[index]?.part} geometry={geometry} raycast={() => null}>
          <meshBasicMaterial color="#a8741a" transparent opacity={0.12} depthWrite={false} />
        </mesh>
      ))}
      {lines.map((line, index) => (
        <primitive key={movement.positions[index]?.part} object={line} raycast={() => null} />
      ))}
      {shown !== null && (
        <mesh geometry={shown} raycast={() => null}>
          <meshLambertMaterial color={tight ? '#bc2f26' : '#c98f2e'} transparent opacity={0.85} />
        </mesh>
      )}
      {at?.places.map(({ id, pose }) => {
        const place = places.find((one) => one.list === 'fittings' && one.id === id);
        return place === undefined ? null : <Ghost key={id} place={{ ...place, pose }} />;
      })}
    </group>
  );
}

/** A fitting where it stands at a position of its movement. */
export function Ghost({ place }: { place: Place }) {
  const turn = useMemo(() => turnOf(place.pose), [place.pose]);
  return (
    <group position={place.pose.at} quaternion={turn}>
      {place.bodies.map((body, index) => (
        <PlacedBodyMesh
          // biome-ignore lint/suspicious/noArrayIndexKey: a body is its number
          key={index}
          body={body}
          about={{ place: `fittings/${place.id}`, name: place.id }}
          hand={{ raycast: () => null }}
          look={GHOST}
        />
      ))}
    </group>
  );
}

/** Returns a tube along points. */
export const sweptTube = (points: readonly number[][], od: number, sides: number) =>
  new TubeGeometry(
    new CatmullRomCurve3(
      points.map(([x = 0, y = 0, z = 0]) => new Vector3(x, y, z)),
      false,
      'centripetal',
    ),
    points.length * 2,
    od / 2,
    sides,
  );
