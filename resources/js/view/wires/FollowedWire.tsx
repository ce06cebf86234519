import { useEffect, useMemo } from 'react';
import { LineCurve3, TubeGeometry, Vector3 } from 'three';
import type { Point, SolvedHarness } from '../../api/types';
import { useWorkbench } from '../../job/store';
import { useJob } from '../../job/useJob';
import { useWires } from '../../job/wires';
import { Halo } from '../Halo';
import { placeAlong } from '../tube';

/** Radius of the way from a trunk to a pin, mm. */
const LEAD = 1.2;

const BRASS = '#a8741a';

/** The wire that is hovered in its table, along its trunks and led off to its pins. */
export function FollowedWire() {
  const { harnesses } = useJob();
  const picked = useWorkbench((store) => store.picked);
  const followed = useWires((store) => store.followed);
  const harness = picked?.list === 'harnesses' ? harnesses.find((one) => one.id === picked.id) : undefined;
  return harness === undefined || followed === null ? null : <Followed harness={harness} id={followed} />;
}

function Followed({ harness, id }: { harness: SolvedHarness; id: string }) {
  const { state, solution, item } = useJob();
  const inside = useWires((store) => store.inside);
  const wire = harness.wires.find((one) => one.id === id);
  const told = item('harnesses', harness.id)?.wires?.find((one) => one.id === id);
  const [first, last] = [wire?.ways[0], wire?.ways[wire.ways.length - 1]];
  if (wire === undefined || told === undefined || first === undefined || last === undefined) {
    return null;
  }
  const pinAt = (name: string): Point | null => {
    const port = name.split('.').slice(0, 2).join('.');
    const ports = state.places.flatMap((place) => (place.list === 'fittings' ? place.ports : []));
    return ports.find((one) => one.name === port)?.at ?? null;
  };
  const leads = [
    { end: 'from', length: wire.lead_offs[0] ?? 0, pin: pinAt(told.from), run: first.run, along: first.from },
    { end: 'to', length: wire.lead_offs[1] ?? 0, pin: pinAt(told.to), run: last.run, along: last.to },
  ];
  return (
    <>
      {/* Where wires are seen in the trunks it lights up itself. */}
      {(inside ? [] : wire.ways).map(({ run, from, to }) => {
        const solved = solution(run);
        const spans = harness.trunks.find((one) => one.run === run)?.spans ?? [];
        const [low, high] = [Math.min(from, to), Math.max(from, to)];
        const stretches = spans
          .filter((span) => span.from < high && span.to > low)
          .map((span) => ({
            from: Math.max(low, span.from),
            to: Math.min(high, span.to),
            od: span.diameter,
            bore: 0,
          }));
        return solved !== undefined && <Halo key={`${run} ${from} ${to}`} solved={solved} stretches={stretches} />;
      })}
      {leads.map(({ end, length, pin, run, along }) => {
        const solved = solution(run);
        return length > 0 && pin !== null && solved !== undefined ? (
          <Lead key={end} from={pin} to={placeAlong(solved, along).toArray()} />
        ) : null;
      })}
    </>
  );
}

function Lead({ from, to }: { from: Point; to: Point }) {
  const geometry = useMemo(
    () => new TubeGeometry(new LineCurve3(new Vector3(...from), new Vector3(...to)), 1, LEAD, 8),
    [from, to],
  );
  useEffect(() => () => geometry.dispose(), [geometry]);
  return (
    <mesh geometry={geometry} raycast={() => null}>
      <meshBasicMaterial color={BRASS} />
    </mesh>
  );
}
