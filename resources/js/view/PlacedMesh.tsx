import type { ThreeEvent } from '@react-three/fiber';
import { useMemo } from 'react';
import { MathUtils, Quaternion, Vector3 } from 'three';
import type { Place } from '../api/types';
import { type Stage, useWorkbench } from '../workbench/store';
import { BodyEdges } from './BodyEdges';
import { useHover } from './hover';
import { useLaying } from './laying/store';
import { PortMark } from './PortMark';

const LOOKS = {
  fittings: { colour: '#ccd4cf', edge: '#5d6f70', opacity: 1 },
  surroundings: { colour: '#e3dcc9', edge: '#b5aa90', opacity: 0.28 },
  clamps: { colour: '#d0b98c', edge: '#7a5a1e', opacity: 0.75 },
} as const;

/** A fitting, a clamp or something of the surroundings: a simple body where it stands, with its ports. */
export function PlacedMesh({ place, name, stage }: { place: Place; name: string; stage: Stage }) {
  const { picked, pick, seeThrough } = useWorkbench();
  const laying = useLaying((store) => store.start !== null || store.choosing);
  const setHover = useHover((store) => store.setHover);
  const look = place.list === 'surroundings' && !seeThrough ? { ...LOOKS.surroundings, opacity: 1 } : LOOKS[place.list];
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
    if (event.delta <= 4 && !laying) {
      event.stopPropagation();
      pick(place.list, place.id);
    }
  };
  const onMove = (event: ThreeEvent<PointerEvent>) => {
    event.stopPropagation();
    if (laying) {
      return;
    }
    setHover({ title: name, rows: [], x: event.nativeEvent.offsetX, y: event.nativeEvent.offsetY });
  };
  // What is seen through does not stand in the way of picking what is behind it.
  const solid = place.list !== 'surroundings' || stage === 'place' || !seeThrough;

  return (
    <>
      {place.body !== null && (
        <group position={place.pose.at} quaternion={turn}>
          <mesh
            userData={{ place: `${place.list}/${place.id}`, name }}
            position={place.body.at}
            rotation={place.body.shape === 'cylinder' ? [Math.PI / 2, 0, 0] : [0, 0, 0]}
            {...(solid || laying
              ? { onClick, onPointerMove: onMove, onPointerOut: () => setHover(null) }
              : { raycast: () => null })}
          >
            {place.body.shape === 'box' ? (
              <boxGeometry args={place.body.size} />
            ) : (
              <cylinderGeometry args={[place.body.size[0] / 2, place.body.size[0] / 2, place.body.size[2], 40]} />
            )}
            <meshLambertMaterial
              color={isPicked ? '#e3c48d' : look.colour}
              transparent={look.opacity < 1}
              opacity={look.opacity}
              depthWrite={look.opacity === 1}
              polygonOffset
              polygonOffsetFactor={1}
            />
            <BodyEdges body={place.body} colour={isPicked ? '#a8741a' : look.edge} />
          </mesh>
        </group>
      )}
      {place.ports.map((port) => (
        <PortMark key={port.name} port={port} fitting={name} large={stage === 'place' || isPicked || laying} />
      ))}
    </>
  );
}
