import { useMemo } from 'react';
import { BufferGeometry, Vector3 } from 'three';
import { api } from '../api/client';
import type { Place, Preview } from '../api/types';
import { direction } from '../job/format';
import { axisTracks, screenScale } from '../job/tracks';
import { useJob } from '../job/useJob';
import { type Grip, useHandDrag } from './drag/useHandDrag';
import { useProjection } from './drag/useProjection';
import { useTurnDrag } from './drag/useTurnDrag';
import { Pinned } from './Pinned';

/** Distance of the handles from the thing, pixels. */
const ARM = 74;
const RING = 46;

const NAMES = ['x', 'y', 'z'] as const;

/** Handles that move a fitting, a clamp or a surrounding along the axes, and rotate it about them. */
export function PlaceHandles({ list, id }: { list: Place['list']; id: string }) {
  const { state, places, item, put } = useJob();
  const grab = useHandDrag();
  const turn = useTurnDrag();
  const { project } = useProjection();
  const place = places.find((one) => one.list === list && one.id === id);
  if (place === undefined) {
    return null;
  }
  const name = item(list, id)?.name ?? id;
  const at = new Vector3(...place.pose.at);
  const scale = 1 / screenScale(at, project);
  const keep = (answer: Preview) => put(list, answer.item as never);
  const rows = (answer: Preview): [string, string][] => [
    ['hanging on it', `${answer.solutions.length} run${answer.solutions.length === 1 ? '' : 's'}`],
  ];
  const ask = (change: Parameters<typeof api.dragPlace>[1]['change'], hold: number | null) =>
    api.dragPlace(state.id, { list, id, change, hold });

  const grip = (axis: Vector3, label: string): Grip => ({
    at,
    tracks: [{ name: label, along: axis }],
    ask: (track, distance, hold) =>
      ask({ do: 'move', by: track.along.clone().multiplyScalar(distance).toArray() as [number, number, number] }, hold),
    keep: (_, __, answer) => keep(answer),
    rows,
  });

  return (
    <>
      {axisTracks()
        .filter((_, index) => index % 2 === 0)
        .map(({ along }, index) => {
          const axis = NAMES[index] ?? 'z';
          const tip = at.clone().addScaledVector(along, ARM * scale);
          const first = NAMES.indexOf(axis) === 0 ? new Vector3(0, 1, 0) : new Vector3(1, 0, 0);
          const second = along.clone().cross(first);
          const onRing = at.clone().add(
            first
              .clone()
              .add(second)
              .normalize()
              .multiplyScalar(RING * scale),
          );
          return (
            <group key={axis}>
              <Arm from={at} to={tip} />
              <Pinned at={tip} rank={3}>
                <button
                  type="button"
                  className="move-handle"
                  aria-label={`Move ${name} along ${axis}`}
                  title={`Move ${name} along ${axis}`}
                  onPointerDown={(event) => {
                    event.stopPropagation();
                    grab(event, grip(along, direction(axis)));
                  }}
                >
                  {axis}
                </button>
              </Pinned>
              <Pinned at={onRing}>
                <button
                  type="button"
                  className="turn-handle"
                  aria-label={`Turn ${name} about ${axis}`}
                  title={`Turn ${name} about ${axis}`}
                  onPointerDown={(event) => {
                    event.stopPropagation();
                    turn(event, {
                      at,
                      about: along,
                      name: axis,
                      ask: (angle, hold) => ask({ do: 'turn', about: `+${axis}`, angle }, hold),
                      keep,
                    });
                  }}
                >
                  ↻
                </button>
              </Pinned>
            </group>
          );
        })}
    </>
  );
}

function Arm({ from, to }: { from: Vector3; to: Vector3 }) {
  const geometry = useMemo(() => new BufferGeometry().setFromPoints([from, to]), [from, to]);
  return (
    <lineSegments geometry={geometry} raycast={() => null} renderOrder={9}>
      <lineBasicMaterial color="#a8741a" depthTest={false} transparent />
    </lineSegments>
  );
}
