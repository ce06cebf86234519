import { Line } from '@react-three/drei';
import { useFrame, useThree } from '@react-three/fiber';
import { useIsFetching } from '@tanstack/react-query';
import { useEffect, useMemo, useRef } from 'react';
import { DoubleSide, Matrix4, Path, Plane, Quaternion, Shape, Vector2, Vector3 } from 'three';
import type { SectionCut, SectionView, SectionWall } from '../../api/types';
import { type SectionPoint, useSectionPlane } from '../../job/sectionPlane';
import { useJob } from '../../job/useJob';
import { hatch } from './hatch';
import { PlaneHandle } from './PlaneHandle';
import { useSection } from './useSection';

/** The cut face stands this far in front of where the bodies are cut off, mm, so that it is not cut off itself. */
const IN_FRONT = 0.05;

const METAL = '#c9d3d6';
const RUBBER = '#a8a49a';
/** Equipment and surroundings, whose material is not told. */
const AROUND = '#dcd6c8';

/** Cuts off what is in front of the plane, and draws what it cuts: faces, and walls. */
export function SectionScene() {
  const run = useSectionPlane((store) => store.run);
  const section = useSection();
  return run === null || section.data === undefined ? null : <Cut section={section.data} />;
}

function Cut({ section }: { section: SectionView }) {
  const { gl, invalidate } = useThree();
  const at = useMemo(() => new Vector3(...section.at), [section]);
  const normal = useMemo(() => new Vector3(...section.normal), [section]);
  const plane = useMemo(() => new Plane(), []);
  useEffect(() => {
    gl.clippingPlanes = [plane];
    return () => {
      gl.clippingPlanes = [];
      invalidate();
    };
  }, [gl, invalidate, plane]);
  // What is on the side of whoever looks is taken away.
  useFrame(({ camera }) => {
    const side = camera.getWorldDirection(new Vector3()).dot(normal) > 0 ? 1 : -1;
    plane.normal.copy(normal).multiplyScalar(side);
    plane.constant = -side * normal.dot(at) + IN_FRONT;
  });
  // biome-ignore lint/correctness/useExhaustiveDependencies: it is drawn again for another plane
  useEffect(invalidate, [at, normal]);
  return (
    <>
      {section.cuts.map((cut, index) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: several bodies of one run may be cut
        <Face key={`${cut.run} ${index}`} cut={cut} at={at} normal={normal} isOther={index % 2 === 1} />
      ))}
      {section.wall !== null && <Wall wall={section.wall} />}
      <PlaneHandle at={at} normal={normal} />
    </>
  );
}

interface FaceProps {
  cut: SectionCut;
  at: Vector3;
  normal: Vector3;
  isOther: boolean;
}

function Face({ cut, at, normal, isOther }: FaceProps) {
  const { item } = useJob();
  const pointAt = usePointedWall();
  const stock = item('stock', item('runs', cut.run ?? '')?.stock ?? '');
  const isSoft = stock?.kind === 'hose' || stock?.kind === 'cable' || stock?.kind === 'wire';
  const { shapes, turn, size } = useMemo(() => drawn(cut, at, normal), [cut, at, normal]);
  const texture = useMemo(() => {
    const made = hatch(cut.run === null ? AROUND : isSoft ? RUBBER : METAL, isSoft, isOther, cut.run === null);
    // A dozen strokes over the cut, whatever its size.
    made.repeat.setScalar(12 / size);
    return made;
  }, [cut.run, isSoft, isOther, size]);
  useEffect(() => () => texture.dispose(), [texture]);
  return (
    <mesh
      position={at}
      quaternion={turn}
      onPointerMove={(event) => {
        event.stopPropagation();
        pointAt(cut.run === null ? null : event.point.toArray());
      }}
      onPointerOut={() => pointAt(null)}
    >
      <shapeGeometry args={[shapes]} />
      <meshBasicMaterial map={texture} side={DoubleSide} />
    </mesh>
  );
}

/**
 * Returns what asks for the wall at a place: while one answer is waited for, the last place of many is kept and asked
 * for next.
 */
function usePointedWall() {
  const point = useSectionPlane((store) => store.point);
  const isWaiting = useIsFetching({ queryKey: ['section'] }) > 0;
  const next = useRef<SectionPoint | null>(null);
  useEffect(() => {
    if (!isWaiting && next.current !== null) {
      point(next.current);
      next.current = null;
    }
  }, [isWaiting, point]);
  return (place: SectionPoint | null) => {
    next.current = isWaiting ? place : null;
    if (!isWaiting || place === null) {
      point(place);
    }
  };
}

/** The way across a wall, with its ends. */
function Wall({ wall }: { wall: SectionWall }) {
  return <Line points={[wall.from, wall.to]} color="#a8741a" lineWidth={4} depthTest={false} />;
}

/** Returns the loops of a cut in its plane as shapes with holes, told by their turn, and how that plane stands. */
function drawn(cut: SectionCut, at: Vector3, normal: Vector3) {
  const first = Math.abs(normal.z) > 0.9 ? new Vector3(1, 0, 0) : new Vector3(0, 0, 1).cross(normal).normalize();
  const x = first.addScaledVector(normal, -first.dot(normal)).normalize();
  const y = normal.clone().cross(x);
  const turn = new Quaternion().setFromRotationMatrix(new Matrix4().makeBasis(x, y, normal));
  const loops = cut.loops.map((loop) =>
    loop.map((point) => {
      const way = new Vector3(...point).sub(at);
      return new Vector2(way.dot(x), way.dot(y));
    }),
  );
  const outer = loops.filter((loop) => turns(loop) > 0);
  const shapes = outer.map((loop) => new Shape(loop));
  for (const hole of loops.filter((loop) => turns(loop) <= 0)) {
    const around = outer.findIndex((loop) => hole[0] !== undefined && isWithin(hole[0], loop));
    shapes[around]?.holes.push(new Path(hole));
  }
  const all = loops.flat();
  const size = Math.max(1, ...all.map((one) => one.distanceTo(all[0] ?? one)));
  return { shapes, turn, size };
}

/** Twice the area of a loop, negative where it runs clockwise. */
const turns = (loop: readonly Vector2[]) =>
  loop.reduce((sum, one, i) => sum + one.cross(loop[(i + 1) % loop.length] ?? one), 0);

function isWithin({ x, y }: Vector2, loop: readonly Vector2[]): boolean {
  return loop.reduce((inside, a, i) => {
    const b = loop[(i + 1) % loop.length] ?? a;
    return a.y > y !== b.y > y && x < a.x + ((y - a.y) / (b.y - a.y)) * (b.x - a.x) ? !inside : inside;
  }, false);
}
