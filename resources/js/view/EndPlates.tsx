import { useEffect, useMemo } from 'react';
import { DoubleSide, Quaternion, Vector3 } from 'three';
import type { Run, SolvedRun } from '../api/types';
import { meshGeometry } from './bodyMesh';
import { endsOf } from './tube';

interface Props {
  run: Run;
  solved: SolvedRun;
  od: number;
  bore: number;
  colour: string;
}

/** What closes a round run at its ends, and stands on it: flanges, couplings, plugs, the ring of an open end. */
export function EndPlates({ run, solved, od, bore, colour }: Props) {
  const ends = useMemo(() => endsOf(solved), [solved]);
  const finishes = [run.from?.end, run.to?.end];
  return (
    <>
      {ends.map((end, index) => (
        <group key={index === 0 ? 'start' : 'end'} position={end.at} quaternion={facing(end.outward)}>
          <mesh raycast={() => null}>
            {finishes[index]?.type === 'closed' || bore <= 0 ? (
              <circleGeometry args={[od / 2, 32]} />
            ) : (
              <ringGeometry args={[bore / 2, od / 2, 32]} />
            )}
            <meshLambertMaterial color={colour} />
          </mesh>
        </group>
      ))}
      <Finishes solved={solved} colour={colour} />
    </>
  );
}

function Finishes({ solved, colour }: { solved: SolvedRun; colour: string }) {
  const meshes = solved.body.finishes;
  const geometries = useMemo(() => meshes?.map(meshGeometry) ?? [], [meshes]);
  useEffect(
    () => () => {
      for (const geometry of geometries) {
        geometry.dispose();
      }
    },
    [geometries],
  );
  return geometries.map((geometry) => (
    <mesh key={geometry.uuid} geometry={geometry} raycast={() => null}>
      <meshLambertMaterial color={colour} side={DoubleSide} />
    </mesh>
  ));
}

/** Rotates z outward. */
const facing = (outward: Vector3) => new Quaternion().setFromUnitVectors(new Vector3(0, 0, 1), outward);
