import { Vector3 } from 'three';
import { api } from '../api/client';
import type { Run, Vector } from '../api/types';
import { useJob } from '../workbench/useJob';
import { axisTracks, type Track } from './drag/tracks';
import { type Grip, useHandDrag } from './drag/useHandDrag';
import { Pinned } from './Pinned';
import { runRows } from './runRows';

/** Handles on the points that a smooth run goes through, dragged along the axes with the curve following. */
export function PointHandles({ run }: { run: Run }) {
  const { state, solution, lay } = useJob();
  const grab = useHandDrag();
  const solved = solution(run.id);
  const points = run.route.points ?? [];
  // A point told by a named value stays where that puts it.
  const numbers = points.map((point) => (point.every((part) => typeof part === 'number') ? (point as number[]) : null));
  if (run.route.kind !== 'flow' || solved === undefined) {
    return null;
  }
  const moved = (index: number, { along }: Track, distance: number): Vector[] =>
    points.map((point, i) =>
      i === index
        ? (point.map(
            (part, axis) => Math.round((Number(part) + along.getComponent(axis) * distance) * 1e6) / 1e6,
          ) as Vector)
        : point,
    );
  const grip = (index: number, at: Vector3): Grip => ({
    at,
    tracks: axisTracks().filter((_, axis) => axis % 2 === 0),
    ask: async (track, distance, hold) => ({
      ...(await api.previewRun(state.id, {
        run: run.id,
        change: { do: 'set-route', route: { points: moved(index, track, distance) } },
        hold,
      })),
      amount: Math.abs(distance),
    }),
    keep: (track, amount) => lay(run.id, { do: 'set-route', route: { points: moved(index, track, amount) } }),
    rows: (answer) => runRows(run, answer.solutions[0]),
  });
  return (
    <>
      {numbers.map((point, index) => {
        if (point === null) {
          return null;
        }
        const at = new Vector3(...point);
        return (
          // biome-ignore lint/suspicious/noArrayIndexKey: a point is its number
          <Pinned key={index} at={at} rank={3}>
            <button
              type="button"
              className="corner-handle"
              aria-label={`Point ${index + 1}`}
              title={`Point ${index + 1}: drag it along an axis`}
              onPointerDown={(event) => {
                event.stopPropagation();
                grab(event, grip(index, at));
              }}
            />
          </Pinned>
        );
      })}
    </>
  );
}
