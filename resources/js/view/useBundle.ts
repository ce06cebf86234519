import { useMemo } from 'react';
import type { SolvedHarness } from '../api/types';
import { useJob } from '../job/useJob';
import type { TubeStretch } from './tube';

type Span = SolvedHarness['trunks'][number]['spans'][number];

/** Thickness of a trunk that nothing is in, mm. */
const EMPTY = 1.5;

/** Length over which a bundle gets thinner where wires leave it, mm; less of a short span. */
const TAPER = 25;

/** Returns the bundle of a trunk from place to place, as thick as it is; null of a run that is no trunk. */
export function useBundle(run: string): readonly TubeStretch[] | null {
  const { harnesses } = useJob();
  return useMemo(() => {
    const trunk = harnesses.flatMap((harness) => harness.trunks).find((one) => one.run === run);
    return trunk === undefined ? null : tapered(trunk.spans);
  }, [harnesses, run]);
}

/** Returns spans of a trunk as stretches of tube, which taper from one thickness to the next. */
export function tapered(spans: readonly Pick<Span, 'from' | 'to' | 'diameter'>[]): TubeStretch[] {
  return spans.flatMap(({ from, to, diameter }, i) => {
    const od = Math.max(EMPTY, diameter);
    // While it is dragged it may be longer than it was.
    const end = i === spans.length - 1 ? Number.POSITIVE_INFINITY : to;
    const before = spans[i - 1];
    const was = before === undefined ? od : Math.max(EMPTY, before.diameter);
    const until = from + Math.min(TAPER, (to - from) / 2);
    return was === od
      ? [{ from, to: end, od, bore: 0 }]
      : [
          { from, to: until, od: was, endOd: od, bore: 0 },
          { from: until, to: end, od, bore: 0 },
        ];
  });
}
