import { useMemo } from 'react';
import { DoubleSide, Quaternion, Vector3 } from 'three';
import type { PlacedPort } from '../api/types';
import { lengthWithUnit } from '../job/format';
import { useHover } from '../job/hover';

const Z = new Vector3(0, 0, 1);

/** A port: a disc of its size and an arrow along its outward axis. */
export function PortMark({ port, fitting, large }: { port: PlacedPort; fitting: string; large: boolean }) {
  const setHover = useHover((store) => store.setHover);
  const turn = useMemo(() => new Quaternion().setFromUnitVectors(Z, new Vector3(...port.axis)), [port.axis]);
  const radius = Math.max(6, (port.size ?? 20) * 0.72);
  const length = large ? 110 : 34;
  const look = { color: '#0e4254', depthTest: !large, transparent: large } as const;
  const thickness = large ? 3.4 : 1.6;
  const size = port.size === null ? '' : `, ø ${lengthWithUnit(port.size)}`;
  return (
    <group position={port.at} quaternion={turn}>
      <mesh
        position={[0, 0, 0.6]}
        onPointerMove={(event) => {
          event.stopPropagation();
          setHover({
            title: `${port.title}${size}`,
            rows: [['port of', fitting]],
            x: event.nativeEvent.offsetX,
            y: event.nativeEvent.offsetY,
          });
        }}
        onPointerOut={() => setHover(null)}
      >
        <ringGeometry args={[radius * 0.55, radius, 28]} />
        <meshBasicMaterial {...look} side={DoubleSide} />
      </mesh>
      <mesh
        position={[0, 0, length / 2]}
        rotation={[Math.PI / 2, 0, 0]}
        raycast={() => null}
        renderOrder={large ? 8 : 0}
      >
        <cylinderGeometry args={[thickness, thickness, length, 8]} />
        <meshBasicMaterial {...look} />
      </mesh>
      <mesh
        position={[0, 0, length + 7]}
        rotation={[Math.PI / 2, 0, 0]}
        raycast={() => null}
        renderOrder={large ? 8 : 0}
      >
        <coneGeometry args={[3 * thickness, 8 * thickness, 14]} />
        <meshBasicMaterial {...look} />
      </mesh>
    </group>
  );
}
