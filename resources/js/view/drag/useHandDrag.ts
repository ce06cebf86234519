import type { PointerEvent as HandPointerEvent } from 'react';
import type { Vector3 } from 'three';
import type { Preview } from '../../api/types';
import { followTrying } from '../../job/follow';
import { lengthWithUnit } from '../../job/format';
import { useHover } from '../../job/hover';
import { newestPreview } from '../../job/newest';
import { useWorkbench } from '../../job/store';
import { type Flat, onTrack, screenScale, stepFor, type Track } from '../../job/tracks';
import { handStep } from '../../job/units';
import { tryingOf } from '../../job/useTried';
import { useProjection } from './useProjection';

/** Pixels of movement before a track is chosen. */
const RELUCTANCE = 6;

/** What is being dragged. */
export interface Grip {
  at: Vector3;
  /** The lines along which it may move, in both directions. */
  tracks: readonly Track[];
  /** Requests the preview of a distance; held at the limit unless the step is null. */
  ask: (track: Track, distance: number, step: number | null) => Promise<Preview>;
  keep: (track: Track, amount: number, answer: Preview) => Promise<void>;
  rows: (answer: Preview) => [string, string][];
}

/** Drags along tracks with a preview of all that depends on it, held where it would stop being buildable. */
export function useHandDrag() {
  const { project, handOf, setTurning } = useProjection();

  return (down: HandPointerEvent, grip: Grip) => {
    const { setTrying } = useWorkbench.getState();
    const { setHover } = useHover.getState();
    const start = handOf(down);
    const offset = project(grip.at);
    const step = stepFor(screenScale(grip.at, project));
    let hand: Flat = start;
    let track: Track | null = null;
    let last: { amount: number; answer: Preview } | null = null;

    const asking = newestPreview(
      ({ on, distance, past }: { on: Track; distance: number; past: boolean }) =>
        grip.ask(on, distance, past ? null : handStep()),
      (answer, { on, distance }) => {
        const amount = Math.sign(distance) * answer.amount;
        last = { amount, answer };
        setTrying(tryingOf(answer));
        setHover({
          title: `Along ${on.name}`,
          rows: [['moved', lengthWithUnit(amount)], ...grip.rows(answer)],
          held: answer.held === null ? undefined : `held: ${answer.held}. Alt goes past.`,
          ...hand,
        });
      },
      (why) => setHover({ title: 'Held', rows: [], held: why, ...hand }),
    );

    const onMove = (event: PointerEvent) => {
      hand = handOf(event);
      const moved = { x: hand.x - start.x, y: hand.y - start.y };
      // As if the thing itself were under the pointer, wherever it was grabbed.
      const where = { x: offset.x + moved.x, y: offset.y + moved.y };
      if (track === null && Math.hypot(moved.x, moved.y) > RELUCTANCE) {
        track = nearest(
          grip.tracks,
          (one) => onTrack(one, grip.at, where, project)?.beside ?? Number.POSITIVE_INFINITY,
        );
      }
      const place = track === null ? null : onTrack(track, grip.at, where, project);
      if (track !== null && place !== null) {
        const distance = Math.round(place.length / step) * step;
        if (distance !== 0 || last !== null) {
          asking.want({ on: track, distance, past: event.altKey });
        }
      }
    };
    followTrying({
      move: onMove,
      asking,
      setTurning,
      keep: () =>
        track !== null && last !== null && last.amount !== 0 ? grip.keep(track, last.amount, last.answer) : null,
    });
  };
}

function nearest(tracks: readonly Track[], beside: (track: Track) => number): Track | null {
  let best: Track | null = null;
  for (const track of tracks) {
    if (Number.isFinite(beside(track)) && (best === null || beside(track) < beside(best))) {
      best = track;
    }
  }
  return best;
}
