import { MoveDiagonal } from 'lucide-react';
import type { PointerEvent as HandPointerEvent } from 'react';
import type { Vector3 } from 'three';
import { useSectionPlane } from '../../job/sectionPlane';
import { onTrack, screenScale, stepFor } from '../../job/tracks';
import { useJob } from '../../job/useJob';
import { useProjection } from '../drag/useProjection';
import { Pinned } from '../Pinned';

/** Takes the plane along its normal by hand. */
export function PlaneHandle({ at, normal }: { at: Vector3; normal: Vector3 }) {
  const { project, handOf, setTurning } = useProjection();
  const { run, kind, move } = useSectionPlane();
  const { solution } = useJob();
  const most = (run === null ? undefined : solution(run)?.length) ?? 0;

  const onDown = (down: HandPointerEvent) => {
    const start = handOf(down);
    const offset = project(at);
    const step = stepFor(screenScale(at, project));
    const store = useSectionPlane.getState();
    const from = kind === 'square' ? store.along : store.offset;
    const place = at.clone();
    setTurning(false);
    const onMove = (event: PointerEvent) => {
      const hand = handOf(event);
      const where = { x: offset.x + hand.x - start.x, y: offset.y + hand.y - start.y };
      const moved = onTrack({ name: 'plane', along: normal }, place, where, project);
      if (moved !== null) {
        const to = from + Math.round(moved.length / step) * step;
        move(kind === 'square' ? { along: Math.min(most, Math.max(0, to)) } : { offset: to });
      }
    };
    const onUp = () => {
      setTurning(true);
      window.removeEventListener('pointermove', onMove);
    };
    window.addEventListener('pointermove', onMove);
    window.addEventListener('pointerup', onUp, { once: true });
    window.addEventListener('pointercancel', onUp, { once: true });
  };

  return (
    <Pinned at={at} rank={3}>
      <button type="button" className="plane-handle" aria-label="Drag the section" onPointerDown={onDown}>
        <MoveDiagonal size={14} aria-hidden />
      </button>
    </Pinned>
  );
}
