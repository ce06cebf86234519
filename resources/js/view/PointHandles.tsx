import { Vector3 } from 'three';
import { api } from '../api/client';
import type { FlowPoint, Run, Vector } from '../api/types';
import { atOf, putAt } from '../job/flowPoints';
import { tell } from '../job/tell';
import { axisTracks, type Track } from '../job/tracks';
import { useJob } from '../job/useJob';
import { type Grip, useHandDrag } from './drag/useHandDrag';
import { Pinned } from './Pinned';
import { runRows } from './runRows';

/** Handles on the points of a smooth run, dragged along the axes. */
export function PointHandles({ run }: { run: Run }) {
  const { state, solution, lay } = useJob();
  const grab = useHandDrag();
  const solved = solution(run.id);
  const points = run.route.points ?? [];
  if (run.route.kind !== 'flow' || solved === undefined) {
    return null;
  }
  const setPoints = (next: FlowPoint[]) => lay(run.id, { do: 'set-route', route: { points: next } });
  const moved = (index: number, track: Track, distance: number): FlowPoint[] =>
    points.map((point, i) => {
      const at = atOf(point);
      return i === index && at !== null ? putAt(point, along(at, track, distance)) : point;
    });
  const grip = (index: number, at: Vector3): Grip => ({
    at,
    tracks: axisTracks().filter((_, axis) => axis % 2 === 0),
    ask: (track, distance, hold) =>
      api.dragRun(state.id, {
        run: run.id,
        change: { do: 'set-route', route: { points: moved(index, track, distance) } },
        hold,
      }),
    keep: (track, amount) => setPoints(moved(index, track, amount)),
    rows: (answer) => runRows(run, answer.solutions[0]),
  });
  return (
    <>
      {points.map((point, index) => {
        const told = atOf(point);
        // A point given by a named value or in a clamp cannot be dragged.
        if (told === null || !told.every((part) => typeof part === 'number')) {
          return null;
        }
        const at = new Vector3(...(told as number[]));
        return (
          // biome-ignore lint/suspicious/noArrayIndexKey: a point is its number
          <Pinned key={index} at={at} rank={3}>
            <button
              type="button"
              className="corner-handle"
              aria-label={`Point ${index + 1}`}
              title={`Point ${index + 1}: drag it along an axis; Del takes it out`}
              onPointerDown={(event) => {
                event.stopPropagation();
                grab(event, grip(index, at));
              }}
              onKeyDown={(event) => {
                if (event.key === 'Delete') {
                  event.stopPropagation();
                  tell(setPoints(points.filter((_, i) => i !== index)));
                }
              }}
            />
          </Pinned>
        );
      })}
    </>
  );
}

/** Returns a point moved along a track, in rounded numbers. */
export const along = (at: readonly (number | string)[], { along: way }: Track, distance: number): Vector =>
  at.map((part, axis) => Math.round((Number(part) + way.getComponent(axis) * distance) * 1e6) / 1e6) as Vector;
