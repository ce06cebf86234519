import { useMemo } from 'react';
import { Vector3 } from 'three';
import type { AddLeg, JobState, Run, ThroughClamp, Vector } from '../../api/types';
import { type Aim, type StandOff, type Start, useLaying } from '../../job/laying';
import { cornerOf } from '../../job/newItems';
import { directionToJson, type Track } from '../../job/tracks';
import { freshId, useJob } from '../../job/useJob';
import { vectorOf } from './aiming';

/** The state of the run that is being laid until it is stored. */
export interface LaidSoFar {
  run: Run | undefined;
  draft: Run | null;
  last: Vector3;
  /** Unit direction of its last leg. */
  travel: Vector3 | null;
}

export function laidSoFar(state: JobState, start: Start | null, runId: string | null, stock: string): LaidSoFar {
  const run = state.job.runs?.find(({ id }) => id === runId);
  const vertices = (state.solutions.find(({ id }) => id === runId)?.vertices ?? []).map(vectorOf);
  const end = vertices.at(-1);
  const before = vertices.findLast((vertex) => end !== undefined && vertex.distanceTo(end) > 1e-6);
  if (run !== undefined && end !== undefined && before !== undefined) {
    return { run, draft: null, last: end, travel: end.clone().sub(before).normalize() };
  }
  if (start === null) {
    return { run, draft: null, last: new Vector3(), travel: null };
  }
  const taken = state.job.runs ?? [];
  const name = `Run ${taken.length + 1}`;
  const draft: Run = {
    id: freshId(taken, name),
    name,
    stock,
    from: { port: start.port, end: { type: 'open' } },
    to: { at: start.at as Vector, end: { type: 'open' } },
    route: { kind: 'corners', ...cornerOf(stock, state.remembered), stops: [] },
  };
  return { run: undefined, draft, last: vectorOf(start.at), travel: vectorOf(start.axis).normalize() };
}

/** Returns the leg as the server takes it: with a length along a track, or to where the pointer aims. */
export function legTo(
  aim: Aim | null,
  track: Track | null,
  length: number | string | null,
  standOff: StandOff | null,
): Bare | null {
  const leg = bareLeg(aim, track, length);
  return leg === null || leg.do !== 'add-leg' || standOff === null
    ? leg
    : { ...leg, ties: [{ away: standOff.distance, from: standOff.anchor }] };
}

function bareLeg(aim: Aim | null, track: Track | null, length: number | string | null): Bare | null {
  if (length !== null && track !== null) {
    return { do: 'add-leg', along: directionToJson(track.along), length };
  }
  if (aim === null) {
    return null;
  }
  if (aim.track === null && aim.caught?.kind === 'clamp' && aim.caught.place !== undefined) {
    return { do: 'through-clamp', clamp: aim.caught.place };
  }
  if (aim.track === null) {
    return { do: 'add-leg', at: aim.point.toArray() as Vector };
  }
  const along = directionToJson(aim.track.along);
  return aim.level && aim.caught?.place !== undefined
    ? { do: 'add-leg', along, until: aim.caught.place }
    : { do: 'add-leg', along, length: Math.round(aim.length * 1e6) / 1e6 };
}

type Bare = Omit<AddLeg, 'was' | 'token' | 'since'> | Omit<ThroughClamp, 'was' | 'token' | 'since'>;

export function useLeg(): LaidSoFar {
  const { state } = useJob();
  const { start, run, stock } = useLaying();
  return useMemo(() => laidSoFar(state, start, run, stock), [state, start, run, stock]);
}
