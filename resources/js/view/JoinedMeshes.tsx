import type { ThreeEvent } from '@react-three/fiber';
import { useEffect, useMemo } from 'react';
import { DoubleSide } from 'three';
import { lengthWithUnit } from '../job/format';
import { useHover } from '../job/hover';
import { useWallShown } from '../job/wallShown';
import { meshGeometry } from './bodyMesh';
import { type JoinedItem, useCoarseMesh, useDrawnBodies, useFineMesh } from './useBodyMesh';
import { useWallMap } from './WallScale';
import { wallGeometry, wallsOf } from './wallColours';

/**
 * The bodies of several runs, over the tubes of these, and the blocks that channels are taken out of, seen through:
 * what is rounded is seen, and runs are picked as before.
 */
export function JoinedMeshes() {
  const shown = useWallShown((store) => store.body);
  const bodies = useDrawnBodies();
  return bodies
    .filter(({ id, seenThrough }) => seenThrough || id !== shown)
    .map((body) => <JoinedMesh key={body.id} body={body} />);
}

/** The body whose wall is shown, by its colour; as a figure where it is pointed at. */
export function WallMesh() {
  const body = useWallShown((store) => store.body);
  const setHover = useHover((store) => store.setHover);
  const map = useWallMap(body).answer;
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

function JoinedMesh({ body: { id, seenThrough } }: { body: JoinedItem }) {
  const coarse = useCoarseMesh(id);
  const fine = useFineMesh(id);
  const mesh = fine.answer ?? coarse.answer;
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
