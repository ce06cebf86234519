import { useMemo } from 'react';
import { useJob } from '../job/useJob';
import type { TubeStretch } from './tube';

/** Thickness of a trunk that nothing is in, mm. */
const EMPTY = 1.5;

/** Returns the bundle of a trunk from place to place, as thick as it is; null of a run that is no trunk. */
export function useBundle(run: string): readonly TubeStretch[] | null {
  const { harnesses } = useJob();
  return useMemo(() => {
    const trunk = harnesses.flatMap((harness) => harness.trunks).find((one) => one.run === run);
    return trunk === undefined
      ? null
      : trunk.spans.map(({ from, to, diameter }, i) => ({
          from,
          // While it is dragged it may be longer than it was.
          to: i === trunk.spans.length - 1 ? Number.POSITIVE_INFINITY : to,
          od: Math.max(EMPTY, diameter),
          bore: 0,
        }));
  }, [harnesses, run]);
}
