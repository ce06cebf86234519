import { useThree } from '@react-three/fiber';
import { useEffect, useMemo, useRef } from 'react';
import { useLaying } from '../../job/laying';
import { newestPreview } from '../../job/newest';
import { useWorkbench } from '../../job/store';
import { axisTracks, type Flat, withTrack } from '../../job/tracks';
import { useJob } from '../../job/useJob';
import { useProjection } from '../drag/useProjection';
import { useFaceTarget } from '../pointing/useFaceTarget';
import { useShown } from '../shown';
import { aimAt, forward, vectorOf } from './aiming';
import { catchable, caughtAt } from './catching';
import { useFace } from './useFace';
import { type Meant, useLayingActs } from './useLayingActs';
import { useLayingKeys } from './useLayingKeys';
import { useLeg } from './useLeg';
import { useMeshPoints } from './useMeshPoints';

/** Movement of a press that rotates the view instead of placing, pixels. */
const STILL = 4;

/** Laying by hand: pointing aims, a click places, keys hold tracks and type lengths. */
export function useLayingHand() {
  const { state, item, items, solution, places } = useJob();
  const { gl } = useThree();
  const { project, handOf, onScreenPlane } = useProjection();
  const face = useFace();
  const faceTarget = useFaceTarget();
  const isShown = useShown();
  const leg = useLeg();
  const acts = useLayingActs();
  const start = useLaying((store) => store.start);
  const held = useLaying((store) => store.held);
  const standOff = useLaying((store) => store.standOff);
  const meshPoints = useMeshPoints();
  const hand = useRef<{ at: Flat; shift: boolean } | null>(null);

  const caughtOf = useMemo(
    () =>
      catchable(
        places.filter((place) => isShown(place.list, place.id)),
        items('runs')
          .filter((run) => isShown('runs', run.id))
          .flatMap((run) => {
            const solved = solution(run.id);
            return solved === undefined ? [] : [{ name: run.name ?? run.id, solved }];
          }),
        (place) => item(place.list, place.id)?.name ?? place.id,
      ),
    [places, items, item, solution, isShown],
  );

  const asking = useMemo(() => {
    // A preview that was wanted before a leg was placed may be answered after it, and would show another leg beyond it.
    const previews = newestPreview(
      ({ meant }: { meant: Meant; revision: number }) => acts.tryLeg(meant),
      (answer, { revision }) => {
        if (revision === acts.revision()) {
          useLaying.getState().set({ answer, refused: null });
          useWorkbench.getState().setTrying({ solutions: answer.solutions, places: [] });
        }
      },
      (refused, { revision }) => {
        if (revision === acts.revision()) {
          useLaying.getState().set({ refused });
        }
      },
    );
    return {
      want: (meant: Meant) => previews.want({ meant, revision: acts.revision() }),
      stop: previews.stop,
    };
  }, [acts]);
  useEffect(() => () => asking.stop(), [asking]);

  const tracksFor = (on: ReturnType<typeof face>) => {
    if (leg.run === undefined && start !== null) {
      return [{ name: 'port axis', along: vectorOf(start.axis).normalize() }];
    }
    let tracks = axisTracks();
    if (leg.travel !== null) {
      tracks = withTrack(tracks, 'straight on', leg.travel);
    }
    if (start !== null) {
      tracks = withTrack(tracks, 'port axis', vectorOf(start.axis));
    }
    for (const track of on?.tracks ?? []) {
      tracks = withTrack(tracks, track.name, track.along);
    }
    return forward(tracks, leg.travel, state.limits.reversal);
  };

  const aim = (at: Flat, shift: boolean) => {
    hand.current = { at, shift };
    const laying = useLaying.getState();
    const caught = caughtAt(at, [...caughtOf, ...meshPoints(at)], project, leg.last);
    // With a held track the leg goes level with the port; without one the run may end there.
    if (
      laying.held === null &&
      leg.run !== undefined &&
      caught?.kind === 'port' &&
      caught.place !== undefined &&
      acts.isFree(caught.place)
    ) {
      if (laying.ways?.port !== caught.place) {
        void acts.lookForWays(caught.place, caught.name);
      }
      laying.set({ aim: { track: null, length: 0, point: caught.at, caught, level: false, hand: at } });
      return;
    }
    // Without a held track, a clamp under the pointer is passed through.
    if (laying.held === null && leg.run !== undefined && caught?.kind === 'clamp') {
      const through = { track: null, length: 0, point: caught.at, caught, level: false, hand: at };
      laying.set({ aim: through, ways: null });
      asking.want({ aim: through, track: null, length: null });
      return;
    }
    const on = face(at);
    const next = aimAt({
      hand: at,
      last: leg.last,
      tracks: tracksFor(on),
      held: laying.held?.track ?? null,
      before: laying.aim?.track ?? null,
      caught,
      free: shift ? (on?.point ?? onScreenPlane(at, leg.last)) : null,
      project,
    });
    laying.set({ aim: next, ways: null });
    if (laying.typed === '' && next !== null) {
      asking.want({ aim: next, track: next.track, length: null });
    }
  };
  const aiming = useRef(aim);
  aiming.current = aim;

  // biome-ignore lint/correctness/useExhaustiveDependencies: a key or a placed leg aims anew from where the hand is
  useEffect(() => {
    if (start !== null && hand.current !== null) {
      aiming.current(hand.current.at, hand.current.shift);
    }
  }, [held, standOff, state.revision]);

  useEffect(() => {
    if (start === null) {
      return;
    }
    const canvas = gl.domElement;
    let pressed: Flat | null = null;
    const onMove = (event: PointerEvent) => aiming.current(handOf(event), event.shiftKey);
    const onDown = (event: PointerEvent) => {
      pressed = event.button === 0 ? handOf(event) : null;
    };
    const onUp = (event: PointerEvent) => {
      const at = handOf(event);
      if (pressed !== null && Math.hypot(at.x - pressed.x, at.y - pressed.y) < STILL) {
        aiming.current(at, event.shiftKey);
        void acts.place(event.altKey);
      }
      pressed = null;
    };
    // Shift releases all tracks without a movement of the pointer.
    const onShift = (event: KeyboardEvent) => {
      if (event.key === 'Shift' && hand.current !== null && event.repeat === false) {
        aiming.current(hand.current.at, event.type === 'keydown');
      }
    };
    window.addEventListener('keydown', onShift);
    window.addEventListener('keyup', onShift);
    canvas.addEventListener('pointermove', onMove);
    canvas.addEventListener('pointerdown', onDown);
    canvas.addEventListener('pointerup', onUp);
    return () => {
      window.removeEventListener('keydown', onShift);
      window.removeEventListener('keyup', onShift);
      canvas.removeEventListener('pointermove', onMove);
      canvas.removeEventListener('pointerdown', onDown);
      canvas.removeEventListener('pointerup', onUp);
    };
  }, [start, gl, handOf, acts]);

  useLayingKeys({
    leg,
    acts,
    face: () => (hand.current === null ? null : face(hand.current.at)),
    faceTarget: () => (hand.current === null ? null : faceTarget(hand.current.at)),
    asking,
  });
  return leg;
}
