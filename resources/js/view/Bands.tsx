import { useMemo } from 'react';
import { DoubleSide, Quaternion, Vector3 } from 'three';
import type { SolvedRun } from '../api/types';

interface Props {
  solved: SolvedRun;
  od: number;
  count: number;
}

/** Bands round a run in the middle of each straight, by which it is told what it carries without its colour. */
export function Bands({ solved, od, count }: Props) {
  const places = useMemo(() => bands(solved, od, count), [solved, od, count]);
  return places.map(({ at, turn }) => (
    <mesh key={at.toArray().join(' ')} position={at} quaternion={turn} raycast={() => null}>
      <cylinderGeometry args={[od * 0.515, od * 0.515, od * 0.3, 24, 1, true]} />
      <meshLambertMaterial color="#fffdf7" side={DoubleSide} />
    </mesh>
  ));
}

function bands(solved: SolvedRun, od: number, count: number) {
  const pitch = od * 0.6;
  return solved.path.flatMap((piece) => {
    if (piece.kind !== 'line' || piece.length < (count + 2) * pitch) {
      return [];
    }
    const [from, to] = [new Vector3(...piece.from), new Vector3(...piece.to)];
    const along = to.clone().sub(from).normalize();
    const turn = new Quaternion().setFromUnitVectors(new Vector3(0, 1, 0), along);
    const middle = from.clone().lerp(to, 0.5);
    return Array.from({ length: count }, (_, i) => ({
      at: middle.clone().addScaledVector(along, (i - (count - 1) / 2) * pitch),
      turn,
    }));
  });
}
