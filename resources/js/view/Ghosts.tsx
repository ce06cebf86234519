import { useEffect, useMemo } from 'react';
import type { RunChange } from '../api/types';
import { useComparing, useComparison } from '../job/comparing';
import { sweptTube } from './Envelope';

/** Runs as they were, faded, while two states of the job are compared; the one that is stepped to stands out. */
export function Ghosts() {
  const sides = useComparing((store) => store.sides);
  const at = useComparing((store) => store.run);
  const { data } = useComparison();
  if (sides === null || data == null) {
    return null;
  }
  return data.runs.map((run) =>
    run.ghost === null ? null : <Was key={run.id} ghost={run.ghost} isAt={at === null || at === run.id} />,
  );
}

function Was({ ghost: { points, od }, isAt }: { ghost: NonNullable<RunChange['ghost']>; isAt: boolean }) {
  const tube = useMemo(() => (points.length > 1 ? sweptTube(points, od, 16) : null), [points, od]);
  useEffect(() => () => tube?.dispose(), [tube]);
  return tube === null ? null : (
    <mesh geometry={tube} raycast={() => null}>
      <meshLambertMaterial color="#a8741a" transparent opacity={isAt ? 0.45 : 0.15} depthWrite={false} />
    </mesh>
  );
}
