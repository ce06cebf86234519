import { useThree } from '@react-three/fiber';
import { useEffect, useMemo, useRef } from 'react';
import { type Pointing, usePointing } from '../../job/pointing';
import { tell } from '../../job/tell';
import type { Flat } from '../../job/tracks';
import { useJob } from '../../job/useJob';
import { useProjection } from '../drag/useProjection';
import { Pinned } from '../Pinned';
import { useShown } from '../shown';
import { legAt, pointTargets, targetAt } from './targets';
import { useFaceTarget } from './useFaceTarget';

const STILL = 4;

/** While something is to be pointed at: marks and takes what is under the pointer, or what Tab goes to. */
export function PointingScene() {
  const pointing = usePointing((store) => store.pointing);
  return pointing === null ? null : <Hand pointing={pointing} />;
}

function Hand({ pointing }: { pointing: Pointing }) {
  const { places, items, item, solution } = useJob();
  const { gl } = useThree();
  const { project, handOf } = useProjection();
  const isShown = useShown();
  const faceTarget = useFaceTarget();
  const { target, setTarget, ask } = usePointing();

  const runs = useMemo(
    () =>
      items('runs').flatMap((run) => {
        const solved = solution(run.id);
        return solved === undefined || run.id === pointing.not || !isShown('runs', run.id) ? [] : [{ run, solved }];
      }),
    [items, solution, pointing, isShown],
  );
  const points = useMemo(
    () =>
      pointTargets(
        places.filter((place) => isShown(place.list, place.id)),
        runs,
        pointing.kinds,
        (place) => item(place.list, place.id)?.name ?? place.id,
      ),
    [places, runs, pointing, item, isShown],
  );
  const find = (hand: Flat) =>
    targetAt(hand, points, project) ??
    (pointing.kinds.includes('leg') ? legAt(hand, runs, project) : null) ??
    (pointing.kinds.includes('face') ? faceTarget(hand) : null);
  const take = () => {
    const chosen = usePointing.getState().target;
    if (chosen !== null) {
      ask(null);
      tell(pointing.take(chosen));
    }
  };
  const now = useRef({ find, take, points });
  now.current = { find, take, points };

  useEffect(() => {
    const canvas = gl.domElement;
    let pressed: Flat | null = null;
    const onMove = (event: PointerEvent) => setTarget(now.current.find(handOf(event)));
    const onDown = (event: PointerEvent) => {
      pressed = event.button === 0 ? handOf(event) : null;
    };
    const onUp = (event: PointerEvent) => {
      const hand = handOf(event);
      if (pressed !== null && Math.hypot(hand.x - pressed.x, hand.y - pressed.y) < STILL) {
        setTarget(now.current.find(hand));
        now.current.take();
      }
      pressed = null;
    };
    const onKey = (event: KeyboardEvent) => {
      if (event.key === 'Escape') {
        ask(null);
      } else if (event.key === 'Enter') {
        now.current.take();
      } else if (event.key === 'Tab') {
        const all = now.current.points;
        const at = all.findIndex(({ name }) => name === usePointing.getState().target?.name);
        setTarget(all[(at + (event.shiftKey ? all.length - 1 : 1)) % Math.max(all.length, 1)] ?? null);
      } else {
        return;
      }
      event.preventDefault();
      event.stopPropagation();
    };
    canvas.addEventListener('pointermove', onMove);
    canvas.addEventListener('pointerdown', onDown);
    canvas.addEventListener('pointerup', onUp);
    window.addEventListener('keydown', onKey, true);
    return () => {
      canvas.removeEventListener('pointermove', onMove);
      canvas.removeEventListener('pointerdown', onDown);
      canvas.removeEventListener('pointerup', onUp);
      window.removeEventListener('keydown', onKey, true);
    };
  }, [gl, handOf, setTarget, ask]);

  return (
    <>
      {points
        .filter(({ kind }) => kind !== 'face')
        .map((one) => (
          <Pinned key={`${one.kind} ${one.name}`} at={one.at} rank={2}>
            <span className="target-mark" />
          </Pinned>
        ))}
      {target !== null && (
        <Pinned at={target.at} rank={4}>
          <span className="aim caught" />
        </Pinned>
      )}
    </>
  );
}
