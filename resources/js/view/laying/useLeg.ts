import { useCallback, useMemo } from 'react';
import { Vector3 } from 'three';
import type { AddLeg, Run, Vector } from '../../api/types';
import { freshId, useJob } from '../../workbench/useJob';
import { type Track, told } from '../drag/tracks';
import { vectorOf } from './aiming';
import { type Aim, useLaying } from './store';

type Leg = Omit<AddLeg, 'was' | 'token'>;

/** Where the run being laid has come to, and what it is until it is kept. */
export function useLeg() {
  const { state, items, item } = useJob();
  const start = useLaying((store) => store.start);
  const runId = useLaying((store) => store.run);
  const stock = useLaying((store) => store.stock);
  const run = runId === null ? undefined : item('runs', runId);
  const kept = state.solutions.find((one) => one.id === runId);

  const { last, travel } = useMemo(() => {
    const vertices = (kept?.vertices ?? []).map(vectorOf);
    const end = vertices[vertices.length - 1];
    const before = vertices.findLast((vertex) => end !== undefined && vertex.distanceTo(end) > 1e-6);
    if (end !== undefined && before !== undefined) {
      return { last: end, travel: end.clone().sub(before).normalize() };
    }
    return start === null
      ? { last: new Vector3(), travel: null }
      : { last: vectorOf(start.at), travel: vectorOf(start.axis).normalize() };
  }, [kept, start]);

  const draft = useMemo((): Run | null => {
    if (start === null || runId !== null) {
      return null;
    }
    const taken = items('runs');
    const name = `Run ${taken.length + 1}`;
    return {
      id: freshId(taken, name),
      name,
      stock,
      from: { port: start.port, end: { type: 'open' } },
      to: { at: start.at as Vector, end: { type: 'open' } },
      route: { kind: 'corners', stops: [] },
    };
  }, [start, runId, stock, items]);

  /** The leg that is meant, as the server takes it. */
  const legTo = useCallback((aim: Aim | null, track: Track | null, length: number | string | null): Leg | null => {
    if (length !== null && track !== null) {
      return { do: 'add-leg', along: told(track.along), length };
    }
    if (aim === null) {
      return null;
    }
    if (aim.track === null) {
      return { do: 'add-leg', at: aim.point.toArray() as Vector };
    }
    const along = told(aim.track.along);
    return aim.level && aim.caught?.place !== undefined
      ? { do: 'add-leg', along, until: aim.caught.place }
      : { do: 'add-leg', along, length: Math.round(aim.length * 1e6) / 1e6 };
  }, []);

  return { run, draft, last, travel, legTo };
}
