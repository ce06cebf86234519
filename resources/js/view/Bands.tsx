import { useMemo } from 'react';
import { DoubleSide, Quaternion, Vector3 } from 'three';
import type { SolvedRun } from '../api/types';
import type { TubeStretch } from './tube';

interface Props {
  solved: SolvedRun;
  stretches: readonly TubeStretch[];
  count: number;
}

/** Bands round a run in the middle of each straight, by which it is told what it carries without its colour. */
export function Bands({ solved, stretches, count }: Props) {
  const places = useMemo(() => bands(solved, stretches, count), [solved, stretches, count]);
  return places.map(({ at, turn, od }) => (
    <mesh key={at.toArray().join(' ')} position={at} quaternion={turn} raycast={() => null}>
      <cylinderGeometry args={[od * 0.515, od * 0.515, od * 0.3, 24, 1, true]} />
      <meshLambertMaterial color="#fffdf7" side={DoubleSide} />
    </mesh>
  ));
}

function bands(solved: SolvedRun, stretches: readonly TubeStretch[], count: number) {
  let start = 0;
  return solved.path.flatMap((piece) => {
    const half = start + piece.length / 2;
    start += piece.length;
    const od = stretches.find((stretch) => stretch.from <= half && half <= stretch.to)?.od ?? 0;
    const pitch = od * 0.6;
    if (piece.kind !== 'line' || od === 0 || piece.length < (count + 2) * pitch) {
      return [];
    }
    const [from, to] = [new Vector3(...piece.from), new Vector3(...piece.to)];
    const along = to.clone().sub(from).normalize();
    const turn = new Quaternion().setFromUnitVectors(new Vector3(0, 1, 0), along);
    const middle = from.clone().lerp(to, 0.5);
    return Array.from({ length: count }, (_, i) => ({
      at: middle.clone().addScaledVector(along, (i - (count - 1) / 2) * pitch),
      turn,
      od,
    }));
  });
}
