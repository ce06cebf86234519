import classNames from 'classnames';
import { Vector3 } from 'three';
import { api } from '../api/client';
import type { Leg, Point, SolvedRun } from '../api/types';
import { direction } from '../job/format';
import { isSamePart, useWorkbench } from '../job/store';
import { axisTracks, directionToJson, type Flat, type Project, type Track, withTrack } from '../job/tracks';
import { useJob } from '../job/useJob';
import { useCamera } from './camera';
import { type Grip, useHandDrag } from './drag/useHandDrag';
import { useProjection } from './drag/useProjection';
import { Pinned } from './Pinned';
import { runRows } from './runRows';

/** Size of a handle on the screen, pixels. */
const HANDLE = 17;

const vector = (point: Point | undefined) => new Vector3(...(point ?? [0, 0, 0]));

/** A handle at each movable corner of the selected run, and one on each leg. */
export function RunHandles({ run }: { run: string }) {
  const { state, solution, item, lay } = useJob();
  const { picked, pick } = useWorkbench();
  const grab = useHandDrag();
  const { project } = useProjection();
  // Which handles have room depends on the zoom.
  useCamera((store) => store.gridStep);
  const solved = solution(run);
  const kept = state.solutions.find((one) => one.id === run);
  if (solved === undefined || kept === undefined) {
    return null;
  }
  const last = solved.vertices.length - 1;
  const roomy = spaced(solved, project);

  const grip = (change: 'move-corner' | 'move-leg', vertex: number): Grip => {
    const by = ({ along }: Track, distance: number) =>
      along.clone().multiplyScalar(distance).toArray() as [number, number, number];
    return {
      at: change === 'move-corner' ? vector(kept.vertices[vertex]) : middleOf(kept, vertex),
      tracks: change === 'move-corner' ? cornerTracks(kept, vertex) : legTracks(kept, vertex),
      ask: (track, distance, hold) =>
        api.dragRun(state.id, { run, change: { do: change, vertex, by: by(track, distance) }, hold }),
      keep: (track, amount) => lay(run, { do: change, vertex, by: by(track, amount) }),
      rows: (answer) => runRows(item('runs', run), answer.solutions[0]),
    };
  };
  const isPicked = (part: { leg: number }) =>
    picked?.list === 'runs' && picked.id === run && isSamePart(picked.part, part);

  return (
    <>
      {solved.legs
        .filter((leg) => canMove(solved, leg) && roomy.has(leg.vertex) && roomy.has(leg.vertex - 1))
        .map((leg) => (
          <Pinned key={`leg ${leg.vertex}`} at={middleOf(solved, leg.vertex)}>
            <button
              type="button"
              className={`leg-handle${isPicked({ leg: leg.vertex }) ? ' picked' : ''}`}
              aria-label={`Leg ${leg.vertex}`}
              title={`Leg ${leg.vertex}: drag it parallel to itself; double-click puts a corner in`}
              onPointerDown={(event) => {
                event.stopPropagation();
                pick('runs', run, { leg: leg.vertex });
                grab(event, grip('move-leg', leg.vertex));
              }}
              onDoubleClick={() => void lay(run, { do: 'insert-corner', vertex: leg.vertex })}
            />
          </Pinned>
        ))}
      {solved.legs
        .filter(
          (leg) =>
            leg.vertex < last && leg.place !== 'like' && (roomy.has(leg.vertex) || isPicked({ leg: leg.vertex })),
        )
        .map((leg) => (
          <Pinned key={leg.vertex} at={solved.vertices[leg.vertex] ?? [0, 0, 0]} rank={3}>
            <button
              type="button"
              className={classNames(
                'corner-handle',
                isPicked({ leg: leg.vertex }) && 'picked',
                (solved.corners[leg.vertex]?.ties.length ?? 0) > 0 && 'tied',
              )}
              aria-label={`Corner ${leg.vertex}`}
              title={handleTitle(solved, leg.vertex)}
              onPointerDown={(event) => {
                event.stopPropagation();
                pick('runs', run, { leg: leg.vertex });
                grab(event, grip('move-corner', leg.vertex));
              }}
              onFocus={() => pick('runs', run, { leg: leg.vertex })}
            />
          </Pinned>
        ))}
    </>
  );
}

/** Returns the corners whose handles do not overlap the one before. */
function spaced(solved: SolvedRun, project: Project): Set<number> {
  const shown = new Set<number>();
  let before: Flat | null = null;
  for (const [index, vertex] of solved.vertices.entries()) {
    // The end at the port has no handle.
    if (index === 0) {
      shown.add(index);
      continue;
    }
    const seen = project(vector(vertex));
    if (before === null || Math.hypot(seen.x - before.x, seen.y - before.y) > HANDLE) {
      shown.add(index);
      before = seen;
    }
  }
  return shown;
}

/** Whether a leg can be moved: the corners at both its ends can. */
const canMove = (solved: SolvedRun, leg: Leg) =>
  leg.vertex > 1 &&
  leg.vertex < solved.vertices.length - 1 &&
  leg.length > 1e-6 &&
  leg.place !== 'like' &&
  solved.legs.find(({ vertex }) => vertex === leg.vertex + 1)?.place !== 'like';

const handleTitle = (solved: SolvedRun, vertex: number) => {
  const ties = solved.corners[vertex]?.ties ?? [];
  return ties.length === 0
    ? `Corner ${vertex}: drag along an axis or a leg; Del takes it out`
    : `Corner ${vertex}: ${ties.map(({ words }) => words).join(', ')}`;
};

const middleOf = (solved: SolvedRun, vertex: number) =>
  vector(solved.vertices[vertex - 1])
    .add(vector(solved.vertices[vertex]))
    .multiplyScalar(0.5);

/** Returns the tracks of a corner: the axes and its own two legs; for a tied corner only those its ties allow. */
function cornerTracks(solved: SolvedRun, vertex: number): Track[] {
  const own = solved.corners[vertex];
  if (own !== undefined && own.free.length < 3) {
    const free = own.free.map(vector);
    let left: Track[] = [];
    for (const track of [...axisTracks().filter((_, index) => index % 2 === 0), ...legsBeside(solved, vertex)]) {
      const along = free.reduce((sum, one) => sum.addScaledVector(one, one.dot(track.along)), new Vector3());
      if (along.length() > 0.999) {
        left = withTrack(left, track.name, along);
      }
    }
    return free.reduce((tracks, along) => withTrack(tracks, direction(directionToJson(along)), along), left);
  }
  let tracks = axisTracks().filter((_, index) => index % 2 === 0);
  for (const leg of legsBeside(solved, vertex)) {
    if (tracks.every(({ along }) => Math.abs(along.dot(leg.along)) < 0.9999)) {
      tracks = withTrack(tracks, leg.name, leg.along);
    }
  }
  return tracks;
}

function legsBeside(solved: SolvedRun, vertex: number): Track[] {
  return [solved.vertices[vertex - 1], solved.vertices[vertex + 1]].flatMap((neighbour) => {
    const leg = vector(solved.vertices[vertex]).sub(vector(neighbour));
    return neighbour === undefined || leg.length() < 1e-6 ? [] : [{ name: 'the leg', along: leg.normalize() }];
  });
}

/** Returns the tracks of a leg: along the adjacent legs, and the axes perpendicular to it. */
function legTracks(solved: SolvedRun, vertex: number): Track[] {
  const own = vector(solved.vertices[vertex])
    .sub(vector(solved.vertices[vertex - 1]))
    .normalize();
  const square = cornerTracks(solved, vertex)
    .concat(cornerTracks(solved, vertex - 1))
    .filter(({ along }) => Math.abs(along.dot(own)) < 0.999);
  return square.filter(
    (track, index) => square.findIndex(({ along }) => along.distanceTo(track.along) < 1e-4) === index,
  );
}
