import { useMemo } from 'react';
import { BoxGeometry, EdgesGeometry, Vector3 } from 'three';
import type { PlacedKeepOut } from '../../api/types';
import { tell } from '../../job/tell';
import { turnOf } from '../../job/turnOf';
import { useJob } from '../../job/useJob';
import { Button } from '../../ui/Button';
import { Pinned } from '../Pinned';

/** The boxes that runs which lay themselves stay out of, as edges with their names. */
export function KeepOuts() {
  const { state } = useJob();
  return state.keep_outs.map((one) => <KeptOut key={one.id} one={one} />);
}

function KeptOut({ one }: { one: PlacedKeepOut }) {
  const turn = useMemo(() => turnOf(one.pose), [one.pose]);
  const edges = useMemo(
    () => new EdgesGeometry(new BoxGeometry(...(one.size as [number, number, number]))),
    [one.size],
  );
  const at = useMemo(() => new Vector3(...(one.pose.at as [number, number, number])), [one.pose]);
  return (
    <>
      <group position={one.pose.at as [number, number, number]} quaternion={turn}>
        <lineSegments geometry={edges} raycast={() => null}>
          <lineBasicMaterial color="#a33a2c" />
        </lineSegments>
      </group>
      <Pinned at={at} rank={2}>
        <span className="kept-out">stay out: {one.name}</span>
      </Pinned>
    </>
  );
}

/** The same in the panel, each to be made a thing that stands there again. */
export function KeepOutList() {
  const { state, edit } = useJob();
  const all = state.job.keep_outs ?? [];
  const bring = (id: string) => {
    const one = all.find((other) => other.id === id);
    return edit(
      [{ list: 'surroundings', id, item: { ...one, id, shape: 'box' } as never }],
      { keep_outs: all.filter((other) => other.id !== id) as never },
      `Make ${one?.name ?? id} a thing that stands there`,
    );
  };
  return all.length === 0 ? null : (
    <div>
      <div className="quiet">They stay out of</div>
      {all.map(({ id, name = id }) => (
        <div className="d-flex align-items-center gap-2" key={id}>
          <span className="flex-grow-1">{name}</span>
          <Button look="link" onClick={() => tell(bring(id))}>
            Make it a body
          </Button>
        </div>
      ))}
    </div>
  );
}
