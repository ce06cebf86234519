import { useEffect, useMemo } from 'react';
import { ExtrudeGeometry, Matrix4, Path, Quaternion, Shape, Vector3 } from 'three';
import type { Point, SolvedRepeat, SolvedRun } from '../api/types';

/** What repeats along a run: clips, ties, ribs, rings, marks. */
export function Repeats({ solved, od }: { solved: SolvedRun; od: number }) {
  return solved.repeats.map((repeat, index) => (
    // biome-ignore lint/suspicious/noArrayIndexKey: it is its number in the run
    <Pieces key={index} repeat={repeat} od={od} />
  ));
}

function Pieces({ repeat, od }: { repeat: SolvedRepeat; od: number }) {
  const { outer, outline, width } = repeat;
  const geometry = useMemo(() => {
    const shape =
      outline === null
        ? (new Shape().absarc(0, 0, outer / 2, 0, 2 * Math.PI, false) as Shape)
        : new Shape().setFromPoints(outline.map(([x, y]) => ({ x, y }) as never));
    shape.holes.push(new Path().absarc(0, 0, od / 2, 0, 2 * Math.PI, true) as Path);
    return new ExtrudeGeometry(shape, { depth: width, bevelEnabled: false, curveSegments: 16 }).translate(
      0,
      0,
      -width / 2,
    );
  }, [outer, outline, width, od]);
  useEffect(() => () => geometry.dispose(), [geometry]);
  return repeat.places.map(({ along, at, direction, height }) => (
    <mesh key={along} geometry={geometry} position={at} quaternion={standing(direction, height)} raycast={() => null}>
      <meshLambertMaterial color={repeat.kind === 'mark' ? '#15242c' : '#4d565b'} />
    </mesh>
  ));
}

/** Rotates z along the run and y along its height. */
function standing(direction: Point, height: Point): Quaternion {
  const [along, y] = [new Vector3(...direction), new Vector3(...height)];
  return new Quaternion().setFromRotationMatrix(new Matrix4().makeBasis(y.clone().cross(along), y, along));
}
