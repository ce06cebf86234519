import { useEffect, useMemo } from 'react';
import { DoubleSide, Quaternion, Vector3 } from 'three';
import type { Run, SolvedRun } from '../api/types';
import { meshGeometry, nearest } from './bodyMesh';
import { endsOf, stationsOf, type TubeStretch } from './tube';

interface Props {
  run: Run;
  /** As far as it is shown. */
  solved: SolvedRun;
  whole: SolvedRun;
  stretches: readonly TubeStretch[];
  colour: string;
  /** Developed length up to which it is shown, mm; all of it at null. */
  upTo: number | null;
}

/** Distance within which a stretch reaches an end, mm. */
const NEAR = 1e-3;

/** What closes a round run at its ends, and stands on it: flanges, couplings, plugs, the ring of an open end. */
export function EndPlates({ run, solved, whole, stretches, colour, upTo }: Props) {
  const ends = useMemo(() => endsOf(solved), [solved]);
  const finishes = [run.from?.end, upTo === null ? run.to?.end : undefined];
  return (
    <>
      {ends.map((end, index) => {
        const at = index === 0 ? 0 : (upTo ?? whole.length);
        // Where a reducer ends the run it has its own face.
        const tube = stretches.find(({ from, to }) => from <= at + NEAR && at - NEAR <= to);
        const { od, bore } = tube ?? { od: 0, bore: 0 };
        return tube === undefined ? null : (
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
        );
      })}
      <Finishes solved={whole} colour={colour} upTo={upTo ?? Number.POSITIVE_INFINITY} />
    </>
  );
}

function Finishes({ solved, colour, upTo }: { solved: SolvedRun; colour: string; upTo: number }) {
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
  const isWhole = upTo === Number.POSITIVE_INFINITY;
  const along = useMemo(() => {
    const stations = isWhole ? [] : stationsOf(solved);
    return (isWhole ? [] : geometries).map((geometry) => {
      geometry.computeBoundingSphere();
      return geometry.boundingSphere === null ? 0 : nearest(geometry.boundingSphere.center, stations);
    });
  }, [geometries, solved, isWhole]);
  return geometries
    .filter((_, index) => (along[index] ?? 0) <= upTo)
    .map((geometry) => (
      <mesh key={geometry.uuid} geometry={geometry} raycast={() => null}>
        <meshLambertMaterial color={colour} side={DoubleSide} />
      </mesh>
    ));
}

/** Rotates z outward. */
const facing = (outward: Vector3) => new Quaternion().setFromUnitVectors(new Vector3(0, 0, 1), outward);
