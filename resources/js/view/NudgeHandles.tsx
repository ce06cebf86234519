import { Vector3 } from 'three';
import { api } from '../api/client';
import type { Curve, Run } from '../api/types';
import { axisTracks } from '../job/tracks';
import { useJob } from '../job/useJob';
import { type Grip, useHandDrag } from './drag/useHandDrag';
import { Pinned } from './Pinned';
import { along } from './PointHandles';
import { runRows } from './runRows';

/** Positions of the handles of a draped run, as shares of its length. */
const PARTS = [0.2, 0.35, 0.5, 0.65, 0.8];

/** Most nudges that are kept; the oldest are dropped. */
const MOST = 8;

/** Handles on a draped run: dragging one moves the point there, and the run settles again. */
export function NudgeHandles({ run }: { run: Run }) {
  const { state, solution, lay } = useJob();
  const grab = useHandDrag();
  const curve = solution(run.id)?.path.find((segment): segment is Curve => segment.kind === 'curve');
  if (curve === undefined || run.route.kept !== undefined || (run.route.through ?? []).length > 0) {
    return null;
  }
  const grip = (part: number, at: Vector3): Grip => {
    const nudged = (track: Parameters<Grip['ask']>[0], distance: number) => ({
      do: 'set-route' as const,
      route: {
        nudges: [...(run.route.nudges ?? []), { along: part, to: along(at.toArray(), track, distance) }].slice(-MOST),
      },
    });
    return {
      at,
      tracks: axisTracks().filter((_, axis) => axis % 2 === 0),
      // Not held: it settles from wherever it is moved.
      ask: async (track, distance) => ({
        ...(await api.dragRun(state.id, { run: run.id, change: nudged(track, distance), hold: null })),
        amount: Math.abs(distance),
      }),
      keep: (track, amount) => lay(run.id, nudged(track, amount)),
      rows: (answer) => runRows(run, answer.solutions[0]),
    };
  };
  return (
    <>
      {PARTS.map((part) => {
        const index = curve.along.findIndex((one) => one >= part * curve.length);
        const at = new Vector3(...(curve.points[index] ?? [0, 0, 0]));
        return (
          <Pinned key={part} at={at} rank={3}>
            <button
              type="button"
              className="corner-handle"
              aria-label={`Nudge it at ${Math.round(part * 100)} % of its length`}
              title="Drag it along an axis: it settles again from there"
              onPointerDown={(event) => {
                event.stopPropagation();
                grab(event, grip(part, at));
              }}
            />
          </Pinned>
        );
      })}
    </>
  );
}
