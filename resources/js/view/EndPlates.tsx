import { useMemo } from 'react';
import { Matrix4, Path, Quaternion, Shape, Vector3 } from 'three';
import type { Flange, Run, SolvedRun } from '../api/types';
import { endsOf } from './tube';

interface Props {
  run: Run;
  solved: SolvedRun;
  od: number;
  bore: number;
  colour: string;
}

/** What closes a run at its ends: flanges with their holes, plugs, the ring of an open end. */
export function EndPlates({ run, solved, od, bore, colour }: Props) {
  const ends = useMemo(() => endsOf(solved), [solved]);
  const finishes = [run.from?.end, run.to?.end];
  return ends.map((end, index) => {
    const finish = finishes[index] ?? { type: 'open' };
    const turn = upright(end.outward);
    return (
      <group key={index === 0 ? 'start' : 'end'} position={end.at} quaternion={turn}>
        {finish.type === 'flange' && <FlangeMesh flange={finish} bore={bore} colour={colour} />}
        <mesh raycast={() => null}>
          {finish.type === 'closed' || bore <= 0 ? (
            <circleGeometry args={[od / 2, 32]} />
          ) : (
            <ringGeometry args={[bore / 2, od / 2, 32]} />
          )}
          <meshLambertMaterial color={colour} />
        </mesh>
      </group>
    );
  });
}

function FlangeMesh({ flange, bore, colour }: { flange: Flange; bore: number; colour: string }) {
  const shape = useMemo(() => {
    const plate = new Shape().absarc(0, 0, Number(flange.od) / 2 || 1, 0, 2 * Math.PI, false) as Shape;
    const hole = (x: number, y: number, radius: number) => {
      if (radius > 0) {
        plate.holes.push(new Path().absarc(x, y, radius, 0, 2 * Math.PI, true) as Path);
      }
    };
    hole(0, 0, bore / 2);
    const count = Number(flange.holes?.count) || 0;
    const circle = (Number(flange.holes?.circle) || 0) / 2;
    for (let k = 0; k < count; k++) {
      // The holes straddle the upright.
      const angle = Math.PI / count + (2 * Math.PI * k) / count;
      hole(circle * Math.cos(angle), circle * Math.sin(angle), (Number(flange.holes?.diameter) || 0) / 2);
    }
    return plate;
  }, [flange, bore]);
  const thickness = Number(flange.thickness) || 1;
  return (
    <mesh position={[0, 0, -thickness]} raycast={() => null}>
      <extrudeGeometry args={[shape, { depth: thickness, bevelEnabled: false, curveSegments: 24 }]} />
      <meshLambertMaterial color={colour} />
    </mesh>
  );
}

/** Rotates z outward and x towards the upright, like the flanges of the solver. */
function upright(outward: Vector3): Quaternion {
  const up = Math.abs(outward.z) > 1 - 1e-9 ? new Vector3(1, 0, 0) : new Vector3(0, 0, 1);
  const first = up.addScaledVector(outward, -up.dot(outward)).normalize();
  const second = outward.clone().cross(first);
  return new Quaternion().setFromRotationMatrix(new Matrix4().makeBasis(first, second, outward));
}
