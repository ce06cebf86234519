import type { ThreeEvent } from '@react-three/fiber';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useMemo } from 'react';
import { api } from '../../api/client';
import type { Harness, InsideTrunks as Inside } from '../../api/types';
import { lengthWithUnit } from '../../job/format';
import { useHover } from '../../job/hover';
import { useWorkbench } from '../../job/store';
import { useJob } from '../../job/useJob';
import { colourOf, signalsOf } from '../../job/wireColours';
import { useWires } from '../../job/wires';
import { type WireStretch, wireGeometry } from './wireGeometry';

/** The wires in the trunks of all harnesses, where they are seen. */
export function InsideTrunks() {
  const { items } = useJob();
  const inside = useWires((store) => store.inside);
  return inside ? items('harnesses').map((harness) => <InsideOne key={harness.id} harness={harness} />) : null;
}

function InsideOne({ harness }: { harness: Harness }) {
  const { state } = useJob();
  const alone = useWires((store) => store.alone);
  const { data } = useQuery({
    queryKey: ['inside', state.id, harness.id, state.revision],
    queryFn: () => api.insideTrunks(state.id, harness.id),
    placeholderData: (before) => before,
    retry: false,
  });
  const wires = harness.wires ?? [];
  const signals = useMemo(() => signalsOf(wires), [wires]);
  const stretches = useMemo(() => (data === undefined ? new Map<string, WireStretch[]>() : stretchesOf(data)), [data]);
  return wires
    .filter((wire) => alone === null || (alone.harness === harness.id && alone.wire === wire.id))
    .map((wire) => (
      <WireMesh
        key={wire.id}
        harness={harness.id}
        wire={wire.id}
        title={[wire.id, wire.signal].filter(Boolean).join(' · ')}
        rows={[
          ['from', wire.from],
          ['to', wire.to],
          ...(wire.colour === undefined ? [] : [['colour', wire.colour] as const]),
        ]}
        colour={colourOf(wire, signals)}
        stretches={stretches.get(wire.id) ?? []}
      />
    ));
}

/** Returns the stretches of each wire in the trunks. */
function stretchesOf(inside: Inside): Map<string, WireStretch[]> {
  const found = new Map<string, WireStretch[]>();
  for (const { run, spans } of inside) {
    for (const { from, to, circles } of spans) {
      for (const { wires, radius, at } of circles) {
        // Several in one jacket, or twisted, are drawn as one.
        const [first] = wires;
        if (first !== undefined) {
          found.set(first, [...(found.get(first) ?? []), { run, from, to, radius, at: [at[0], at[1]] }]);
        }
      }
    }
  }
  return found;
}

interface Props {
  harness: string;
  wire: string;
  title: string;
  rows: readonly (readonly [string, string])[];
  colour: string;
  stretches: readonly WireStretch[];
}

function WireMesh({ harness, wire, title, rows, colour, stretches }: Props) {
  const { solution, harnesses } = useJob();
  const pick = useWorkbench((store) => store.pick);
  const { alone, isolate, follow } = useWires();
  const isFollowed = useWires((store) => store.followed === wire);
  const setHover = useHover((store) => store.setHover);
  const geometry = useMemo(() => wireGeometry(stretches, solution), [stretches, solution]);
  useEffect(() => () => geometry.dispose(), [geometry]);
  const length = harnesses.find(({ id }) => id === harness)?.wires.find(({ id }) => id === wire)?.length;
  const onMove = (event: ThreeEvent<PointerEvent>) => {
    event.stopPropagation();
    follow(wire);
    setHover({
      title,
      rows: length == null ? rows : [...rows, ['length', lengthWithUnit(length)]],
      x: event.nativeEvent.offsetX,
      y: event.nativeEvent.offsetY,
    });
  };
  const onOut = () => {
    follow(null);
    setHover(null);
  };
  const onClick = (event: ThreeEvent<MouseEvent>) => {
    if (event.delta <= 4) {
      event.stopPropagation();
      pick('harnesses', harness);
      isolate(alone === null ? { harness, wire } : null);
    }
  };
  return (
    <mesh geometry={geometry} onPointerMove={onMove} onPointerOut={onOut} onClick={onClick}>
      <meshLambertMaterial color={isFollowed ? '#a8741a' : colour} emissive={isFollowed ? '#6b4508' : '#000000'} />
    </mesh>
  );
}
