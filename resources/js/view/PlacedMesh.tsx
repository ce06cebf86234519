import type { ThreeEvent } from '@react-three/fiber';
import { useMemo } from 'react';
import type { Place } from '../api/types';
import { channelsIn } from '../job/blocks';
import { useHover } from '../job/hover';
import { useLaying } from '../job/laying';
import { usePointing } from '../job/pointing';
import { type Stage, useWorkbench } from '../job/store';
import { turnOf } from '../job/turnOf';
import { useJob } from '../job/useJob';
import { PlacedBodyMesh } from './PlacedBodyMesh';
import { PortMark } from './PortMark';
import { RoundMarks } from './RoundMarks';
import { Stand } from './Stand';

const LOOKS = {
  fittings: { colour: '#ccd4cf', edge: '#5d6f70', opacity: 1 },
  surroundings: { colour: '#e3dcc9', edge: '#b5aa90', opacity: 0.28 },
  clamps: { colour: '#d0b98c', edge: '#7a5a1e', opacity: 0.75 },
} as const;

/** A fitting, a clamp or a surrounding: its bodies and its ports. */
export function PlacedMesh({ place, name, stage }: { place: Place; name: string; stage: Stage }) {
  const { items } = useJob();
  const { picked, pick, seeThrough } = useWorkbench();
  const pointing = usePointing((store) => store.pointing !== null);
  const laying = useLaying((store) => store.start !== null || store.choosing) || pointing;
  const setHover = useHover((store) => store.setHover);
  const isBlock = channelsIn(place.id, items('runs')).length > 0;
  const look = isBlock
    ? { ...LOOKS[place.list], opacity: 0.12 }
    : place.list === 'surroundings' && !seeThrough
      ? { ...LOOKS.surroundings, opacity: 1 }
      : LOOKS[place.list];
  const isPicked = picked?.list === place.list && picked.id === place.id;
  const turn = useMemo(() => turnOf(place.pose), [place.pose]);
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
  // Transparent things do not block picking.
  const solid = stage === 'place' || (place.list !== 'surroundings' ? !isBlock : !seeThrough);
  const hand =
    solid || laying ? { onClick, onPointerMove: onMove, onPointerOut: () => setHover(null) } : { raycast: () => null };

  return (
    <>
      <group position={place.pose.at} quaternion={turn}>
        {place.bodies.map((body, index) => (
          <PlacedBodyMesh
            // biome-ignore lint/suspicious/noArrayIndexKey: a body is its number
            key={index}
            body={body}
            about={{ place: `${place.list}/${place.id}`, name }}
            hand={hand}
            look={isPicked ? { ...look, colour: '#e3c48d', edge: '#a8741a' } : look}
          />
        ))}
      </group>
      {place.ports.map((port) => (
        <PortMark key={port.name} port={port} fitting={name} large={stage === 'place' || isPicked || laying} />
      ))}
      {isPicked && <RoundMarks place={place} />}
      <Stand place={place} />
    </>
  );
}
