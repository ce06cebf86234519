import type { PointerEvent as HandPointerEvent } from 'react';
import { MathUtils, type Vector3 } from 'three';
import type { Preview } from '../../api/types';
import { followTrying } from '../../job/follow';
import { show } from '../../job/format';
import { useHover } from '../../job/hover';
import { newestPreview } from '../../job/newest';
import { useWorkbench } from '../../job/store';
import { tryingOf } from '../../job/useTried';
import { useProjection } from './useProjection';

interface TurnGrip {
  at: Vector3;
  about: Vector3;
  name: string;
  ask: (angle: number, step: number | null) => Promise<Preview>;
  keep: (answer: Preview) => Promise<void>;
}

/** Step of a rotation by hand, degrees; with Shift 1. */
const STEP = 5;

/** Rotates a thing about an axis as the pointer goes round it on the screen. */
export function useTurnDrag() {
  const { project, handOf, setTurning, rayAt } = useProjection();

  return (down: HandPointerEvent, grip: TurnGrip) => {
    const { setTrying } = useWorkbench.getState();
    const { setHover } = useHover.getState();
    const middle = project(grip.at);
    const bearing = (event: { clientX: number; clientY: number }) => {
      const hand = handOf(event);
      return MathUtils.radToDeg(Math.atan2(middle.y - hand.y, hand.x - middle.x));
    };
    const start = bearing(down);
    // Seen against the axis, the direction is reversed.
    const side = rayAt(middle).ray.direction.dot(grip.about) < 0 ? 1 : -1;
    let last: Preview | null = null;
    const asking = newestPreview(
      ({ angle, past }: { angle: number; past: boolean }) => grip.ask(angle, past ? null : 0.1),
      (answer) => {
        last = answer;
        setTrying(tryingOf(answer));
        setHover({
          title: `About ${grip.name}`,
          rows: [['turned', `${show(answer.amount)}°`]],
          held: answer.held === null ? undefined : `held: ${answer.held}. Alt goes past.`,
          ...middle,
        });
      },
      (why) => setHover({ title: 'Held', rows: [], held: why, ...middle }),
    );

    const onMove = (event: PointerEvent) => {
      const step = event.shiftKey ? 1 : STEP;
      const turned = (((((bearing(event) - start) * side + 180) % 360) + 360) % 360) - 180;
      asking.want({ angle: Math.round(turned / step) * step, past: event.altKey });
    };
    followTrying({
      move: onMove,
      asking,
      setTurning,
      keep: () => (last === null || last.amount === 0 ? null : grip.keep(last)),
    });
  };
}
