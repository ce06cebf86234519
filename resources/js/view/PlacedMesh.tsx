import { Edges } from '@react-three/drei';
import type { ThreeEvent } from '@react-three/fiber';
import { useMemo } from 'react';
import { MathUtils, Quaternion, Vector3 } from 'three';
import type { Place } from '../api/types';
import { type Stage, useWorkbench } from '../workbench/store';
import { useHover } from './hover';
import { PortMark } from './PortMark';

const LOOKS = {
  fittings: { colour: '#ccd4cf', edge: '#5d6f70', opacity: 1 },
  surroundings: { colour: '#e3dcc9', edge: '#b5aa90', opacity: 0.28 },
  clamps: { colour: '#d0b98c', edge: '#7a5a1e', opacity: 0.75 },
} as const;

/** A fitting, a clamp or something of the surroundings: a simple body where it stands, with its ports. */
export function PlacedMesh({ place, name, stage }: { place: Place; name: string; stage: Stage }) {
  const { picked, pick } = useWorkbench();
  const setHover = useHover((store) => store.setHover);
  const look = LOOKS[place.list];
  const isPicked = picked?.list === place.list && picked.id === place.id;
  const turn = useMemo(
    () =>
      new Quaternion().setFromAxisAngle(
        new Vector3(...place.pose.about).normalize(),
        MathUtils.degToRad(place.pose.angle),
      ),
    [place.pose],
  );
  const onClick = (event: ThreeEvent<MouseEvent>) => {
    if (event.delta <= 4) {
      event.stopPropagation();
      pick(place.list, place.id);
    }
  };
  const onMove = (event: ThreeEvent<PointerEvent>) => {
    event.stopPropagation();
    setHover({ title: name, text: '', x: event.nativeEvent.offsetX, y: event.nativeEvent.offsetY });
  };
  // What is seen through does not stand in the way of picking what is behind it.
  const solid = place.list !== 'surroundings' || stage === 'place';

  return (
    <>
      {place.body !== null && (
        <group position={place.pose.at} quaternion={turn}>
          <mesh
            position={place.body.at}
            rotation={place.body.shape === 'cylinder' ? [Math.PI / 2, 0, 0] : [0, 0, 0]}
            {...(solid
              ? { onClick, onPointerMove: onMove, onPointerOut: () => setHover(null) }
              : { raycast: () => null })}
          >
            {place.body.shape === 'box' ? (
              <boxGeometry args={place.body.size} />
            ) : (
              <cylinderGeometry args={[place.body.size[0] / 2, place.body.size[0] / 2, place.body.size[2], 40]} />
            )}
            <meshStandardMaterial
              color={isPicked ? '#e3c48d' : look.colour}
              roughness={0.9}
              transparent={look.opacity < 1}
              opacity={look.opacity}
              depthWrite={look.opacity === 1}
              polygonOffset
              polygonOffsetFactor={1}
            />
            <Edges threshold={25} color={isPicked ? '#a8741a' : look.edge} raycast={() => null} />
          </mesh>
        </group>
      )}
      {place.ports.map((port) => (
        <PortMark key={port.name} port={port} fitting={name} large={stage === 'place' || isPicked} />
      ))}
    </>
  );
}
