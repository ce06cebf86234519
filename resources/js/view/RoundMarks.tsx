import { useMemo } from 'react';
import { DoubleSide, Quaternion, Vector3 } from 'three';
import type { Place } from '../api/types';
import { useRounds } from '../job/rounds';

const Z = new Vector3(0, 0, 1);

/** Outside of the ring that marks a round end, as a part of the end's radius. */
const RING = 1.12;

/** The holes and round ends of a body; the one that is pointed at in the card stands out. */
export function RoundMarks({ place }: { place: Place }) {
  const pointed = useRounds((store) => store.pointed);
  return place.rounds.map((round, index) => (
    <RoundMark
      // biome-ignore lint/suspicious/noArrayIndexKey: a round end is its number
      key={index}
      {...round}
      isPointed={pointed?.surrounding === place.id && pointed.round === index}
    />
  ));
}

function RoundMark({ at, axis, diameter, isPointed }: Place['rounds'][number] & { isPointed: boolean }) {
  const turn = useMemo(() => new Quaternion().setFromUnitVectors(Z, new Vector3(...axis)), [axis]);
  return (
    <mesh position={at} quaternion={turn} raycast={() => null} renderOrder={isPointed ? 9 : 1}>
      <ringGeometry args={[(diameter / 2) * (isPointed ? 0.6 : 0.97), (diameter / 2) * RING, 40]} />
      <meshBasicMaterial
        color={isPointed ? '#c8851d' : '#0e4254'}
        side={DoubleSide}
        depthTest={!isPointed}
        transparent={isPointed}
        polygonOffset
        polygonOffsetFactor={-2}
      />
    </mesh>
  );
}
