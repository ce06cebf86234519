import type { ThreeEvent } from '@react-three/fiber';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useEffect, useMemo } from 'react';
import { DoubleSide } from 'three';
import { api } from '../api/client';
import { channelsIn } from '../job/blocks';
import { lengthWithUnit } from '../job/format';
import { useHover } from '../job/hover';
import { useJob } from '../job/useJob';
import { useWallShown } from '../job/wallShown';
import { meshGeometry } from './bodyMesh';
import { useShown } from './shown';
import { useWallMap } from './WallScale';
import { wallGeometry, wallsOf } from './wallColours';

/** Chords of a body until a finer one has come, and of that, mm. */
const COARSE = 2;
const FINE = 0.4;

/** The bodies of several runs, over the tubes of these: what is rounded is seen, and runs are picked as before. */
export function JoinedMeshes() {
  const { state } = useJob();
  const shown = useWallShown((store) => store.body);
  const isShown = useShown();
  return (state.job.bodies ?? [])
    .filter(({ id }) => id !== shown)
    .filter(({ round, runs }) => round !== undefined && runs.every((run) => isShown('runs', run)))
    .filter(({ id }) => state.bodies.find((one) => one.id === id)?.fault === null)
    .map(({ id }) => <JoinedMesh key={id} id={id} />);
}

/** The blocks that channels are taken out of, seen through, so that these are seen in them. */
export function BlockMeshes() {
  const { state, places } = useJob();
  const isShown = useShown();
  return places
    .filter(({ list, id }) => isShown(list, id) && channelsIn(id, state.job.runs ?? []).length > 0)
    .filter(({ id }) => state.bodies.find((one) => one.id === id)?.fault === null)
    .map(({ id }) => <JoinedMesh key={id} id={id} seenThrough />);
}

/** The body whose wall is shown, by its colour; as a figure where it is pointed at. */
export function WallMesh() {
  const body = useWallShown((store) => store.body);
  const setHover = useHover((store) => store.setHover);
  const map = useWallMap(body).data;
  const geometry = useMemo(() => (map === undefined ? null : wallGeometry(map)), [map]);
  const walls = useMemo(() => (map === undefined ? null : wallsOf(map)), [map]);
  useEffect(() => () => geometry?.dispose(), [geometry]);
  if (geometry === null || walls === null) {
    return null;
  }
  const point = (event: ThreeEvent<PointerEvent>) => {
    const wall = walls[event.face?.a ?? -1];
    if (wall === undefined || Number.isNaN(wall)) {
      return;
    }
    event.stopPropagation();
    const { offsetX: x, offsetY: y } = event.nativeEvent;
    setHover({ title: 'Wall', rows: [['here', lengthWithUnit(wall)]], x, y });
  };
  return (
    <mesh geometry={geometry} onPointerMove={point} onPointerOut={() => setHover(null)}>
      <meshLambertMaterial vertexColors side={DoubleSide} polygonOffset polygonOffsetFactor={-2} />
    </mesh>
  );
}

function JoinedMesh({ id, seenThrough = false }: { id: string; seenThrough?: boolean }) {
  const coarse = useMesh(id, COARSE);
  const fine = useMesh(id, FINE);
  const mesh = fine ?? coarse;
  const geometry = useMemo(() => (mesh === undefined ? null : meshGeometry(mesh)), [mesh]);
  useEffect(() => () => geometry?.dispose(), [geometry]);
  return geometry === null ? null : (
    <mesh geometry={geometry} raycast={() => null}>
      {seenThrough ? (
        <meshLambertMaterial color="#b9c4be" side={DoubleSide} transparent opacity={0.4} depthWrite={false} />
      ) : (
        <meshLambertMaterial color="#8fb2be" side={DoubleSide} polygonOffset polygonOffsetFactor={-1} />
      )}
    </mesh>
  );
}

function useMesh(id: string, chord: number) {
  const { state } = useJob();
  return useQuery({
    queryKey: ['joined', state.id, id, state.revision, chord],
    queryFn: () => api.joinedMesh(state.id, id, chord),
    // What it was, until it is found anew.
    placeholderData: keepPreviousData,
    retry: false,
  }).data;
}
