import { useEffect, useMemo } from 'react';
import type { Run, SolvedRun } from '../api/types';
import { useJob } from '../job/useJob';
import { useSettling } from '../job/useSettling';
import { sweptTube } from './Envelope';

/** The present shape of a draped run that is still settling. */
export function SettlingLine({ run, solved }: { run: Run; solved: SolvedRun }) {
  const { state } = useJob();
  const od = state.stocks[run.stock]?.od ?? 10;
  const points = useSettling(solved)?.points ?? [];
  const tube = useMemo(() => (points.length > 2 ? sweptTube(points, od, 10) : null), [points, od]);
  useEffect(() => () => tube?.dispose(), [tube]);
  return tube === null ? null : (
    <mesh geometry={tube} raycast={() => null}>
      <meshLambertMaterial color="#c98f2e" transparent opacity={0.8} />
    </mesh>
  );
}
