import type { ThreeEvent } from '@react-three/fiber';
import { useEffect, useMemo } from 'react';
import { DoubleSide } from 'three';
import type { FoundWay } from '../../api/types';
import { useHover } from '../../job/hover';
import { useJob } from '../../job/useJob';
import { areChoices, useWays } from '../../job/ways';
import { tubeGeometry } from '../tube';
import { useWayWords } from './wayWords';

const CHOSEN = '#d99a2b';
const OTHER = '#5f8f9e';

/** The ways that were found, drawn together: the chosen one solid, the others seen through; a click chooses. */
export function WayLines() {
  const { errands, work, shown } = useWays();
  if (errands === null || work === null) {
    return null;
  }
  const isChoice = areChoices(errands);
  return work.ways.map((way, number) => (
    <WayTube
      key={isChoice ? number : way.run.id}
      way={way}
      number={number}
      isChoice={isChoice}
      isChosen={!isChoice || number === shown}
    />
  ));
}

interface Props {
  way: FoundWay;
  number: number;
  isChoice: boolean;
  isChosen: boolean;
}

function WayTube({ way, number, isChoice, isChosen }: Props) {
  const { state } = useJob();
  const show = useWays((store) => store.show);
  const setHover = useHover((store) => store.setHover);
  const words = useWayWords();
  const tube = useMemo(() => {
    const colour = isChosen ? CHOSEN : OTHER;
    const colours = { base: colour, broken: colour, picked: colour, bore: colour };
    const { od, bore } = state.stocks[way.run.stock] ?? { od: 10, bore: 0 };
    return tubeGeometry(
      way.solution,
      [{ from: 0, to: way.solution.length, od: od ?? 10, bore: bore ?? 0 }],
      colours,
      () => false,
    );
  }, [way, isChosen, state.stocks]);
  useEffect(() => () => tube.geometry.dispose(), [tube]);
  const onMove = (event: ThreeEvent<PointerEvent>) => {
    event.stopPropagation();
    setHover({
      title: isChoice ? `Way ${number + 1}` : (way.run.name ?? way.run.id),
      rows: words(way),
      x: event.nativeEvent.offsetX,
      y: event.nativeEvent.offsetY,
    });
  };
  const onClick = (event: ThreeEvent<MouseEvent>) => {
    if (event.delta <= 4 && isChoice) {
      event.stopPropagation();
      show(number);
    }
  };
  return (
    <mesh geometry={tube.geometry} onPointerMove={onMove} onPointerOut={() => setHover(null)} onClick={onClick}>
      <meshLambertMaterial
        vertexColors
        side={DoubleSide}
        transparent={!isChosen}
        opacity={isChosen ? 1 : 0.45}
        depthWrite={isChosen}
      />
    </mesh>
  );
}
