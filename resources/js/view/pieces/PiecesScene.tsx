import { Line } from '@react-three/drei';
import { useThree } from '@react-three/fiber';
import { useEffect, useMemo, useRef, useState } from 'react';
import { Vector3 } from 'three';
import type { Run, Vector } from '../../api/types';
import { usePieces } from '../../job/pieces';
import { axisTracks, type Flat, screenScale, stepFor, withTrack } from '../../job/tracks';
import { useJob } from '../../job/useJob';
import { useProjection } from '../drag/useProjection';
import { aimAt } from '../laying/aiming';
import { catchable, caughtAt } from '../laying/catching';
import { useFace } from '../laying/useFace';
import { Pinned } from '../Pinned';
import { RunMesh } from '../RunMesh';
import { useShown } from '../shown';
import { useJoining } from './useJoining';

const STILL = 4;

/** Straight pieces in the scene: placed with two clicks each, and drawn as they would be joined. */
export function PiecesScene() {
  const isOn = usePieces((store) => store.pieces !== null);
  return isOn ? <Hand /> : null;
}

const vector = (point: readonly (number | string)[]) => new Vector3(...point.map(Number));

function Hand() {
  useJoining();
  const { places, item } = useJob();
  const { gl } = useThree();
  const { project, handOf, onScreenPlane } = useProjection();
  const face = useFace();
  const isShown = useShown();
  const { pieces, begun, joined, stock } = usePieces();
  const [point, setPoint] = useState<Vector3 | null>(null);
  const candidates = useMemo(
    () =>
      catchable(
        places.filter((place) => isShown(place.list, place.id)),
        [],
        (place) => item(place.list, place.id)?.name ?? place.id,
      ),
    [places, item, isShown],
  );

  const aim = (hand: Flat): Vector3 | null => {
    const last = begun === null ? vector(pieces?.at(-1)?.to ?? [0, 0, 0]) : vector(begun);
    const caught = caughtAt(hand, candidates, project, begun === null ? new Vector3(1e9, 0, 0) : last);
    const on = face(hand);
    if (begun === null) {
      const step = stepFor(screenScale(last, project));
      const open = on?.point ?? onScreenPlane(hand, last);
      return caught !== null && caught.kind !== 'edge' && caught.kind !== 'axis'
        ? caught.at.clone()
        : new Vector3(...open.toArray().map((part) => Math.round(part / step) * step));
    }
    const tracks = (on?.tracks ?? []).reduce((all, { name, along }) => withTrack(all, name, along), axisTracks());
    return aimAt({ hand, last, tracks, held: null, before: null, caught, free: null, project })?.point ?? null;
  };
  const now = useRef({ aim, begun, pieces });
  now.current = { aim, begun, pieces };

  useEffect(() => {
    const canvas = gl.domElement;
    const { set } = usePieces.getState();
    let pressed: Flat | null = null;
    const onMove = (event: PointerEvent) => setPoint(now.current.aim(handOf(event)));
    const onDown = (event: PointerEvent) => {
      pressed = event.button === 0 ? handOf(event) : null;
    };
    const onUp = (event: PointerEvent) => {
      const hand = handOf(event);
      const at =
        pressed !== null && Math.hypot(hand.x - pressed.x, hand.y - pressed.y) < STILL ? now.current.aim(hand) : null;
      pressed = null;
      if (at === null) {
        return;
      }
      const { begun: from, pieces: all } = now.current;
      if (from === null) {
        set({ begun: at.toArray() });
      } else {
        set({ begun: null, pieces: [...(all ?? []), { from: from as Vector, to: at.toArray() as Vector }] });
      }
    };
    canvas.addEventListener('pointermove', onMove);
    canvas.addEventListener('pointerdown', onDown);
    canvas.addEventListener('pointerup', onUp);
    return () => {
      canvas.removeEventListener('pointermove', onMove);
      canvas.removeEventListener('pointerdown', onDown);
      canvas.removeEventListener('pointerup', onUp);
    };
  }, [gl, handOf]);

  const draft: Run | null = joined === null ? null : ({ ...joined.item, stock } as unknown as Run);
  return (
    <>
      {draft !== null && joined !== null && <RunMesh run={draft} solved={joined.solution} stage="lay" />}
      {(pieces ?? []).map((piece, index) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a piece is its number
        <group key={index}>
          <Line
            points={[vector(piece.from), vector(piece.to)]}
            color="#a8741a"
            lineWidth={3}
            raycast={() => null}
            depthTest={false}
          />
          <Pinned at={vector(piece.from).lerp(vector(piece.to), 0.5)}>
            <span className="piece-number">{index + 1}</span>
          </Pinned>
        </group>
      ))}
      {(joined?.joints ?? []).map((joint) =>
        joint.short > 1e-6
          ? joint.corners.map((corner) => (
              <Pinned key={corner.join()} at={corner as [number, number, number]} rank={3}>
                <span className="short-mark" title="No room for the bend here" />
              </Pinned>
            ))
          : null,
      )}
      {begun !== null && point !== null && (
        <Line
          points={[vector(begun), point]}
          color="#a8741a"
          lineWidth={2}
          dashed
          dashSize={10}
          gapSize={6}
          raycast={() => null}
        />
      )}
      {point !== null && (
        <Pinned at={point} rank={4}>
          <span className="aim" />
        </Pinned>
      )}
    </>
  );
}
