import { Billboard } from '@react-three/drei';
import { type ThreeEvent, useFrame } from '@react-three/fiber';
import { useRef } from 'react';
import { type Group, OrthographicCamera } from 'three';
import { isSamePart, useWorkbench } from '../workbench/store';
import { useJob } from '../workbench/useJob';
import { useHover } from './hover';
import { useCornerDrag } from './useCornerDrag';

/** Half the diagonal of a handle on the screen, in pixels. */
const SIZE = 7;

/** A handle at each corner of the picked run that can be moved. */
export function CornerHandles({ run }: { run: string }) {
  const { solution } = useJob();
  const solved = solution(run);
  const grab = useCornerDrag(run);
  if (solved === undefined) {
    return null;
  }
  return solved.legs
    .filter((leg) => leg.vertex < solved.vertices.length - 1)
    .map((leg) => (
      <Handle
        key={leg.vertex}
        run={run}
        vertex={leg.vertex}
        at={solved.vertices[leg.vertex] ?? [0, 0, 0]}
        grab={grab}
      />
    ));
}

interface HandleProps {
  run: string;
  vertex: number;
  at: [number, number, number];
  grab: (vertex: number, event: ThreeEvent<PointerEvent>) => void;
}

function Handle({ run, vertex, at, grab }: HandleProps) {
  const group = useRef<Group>(null);
  const { picked, pick } = useWorkbench();
  const setHover = useHover((store) => store.setHover);
  const isPicked = isSamePart(picked?.part ?? null, { leg: vertex });
  useFrame(({ camera }) => {
    if (camera instanceof OrthographicCamera) {
      group.current?.scale.setScalar(1 / camera.zoom);
    }
  });
  return (
    <group ref={group} position={at}>
      <Billboard>
        <mesh
          rotation={[0, 0, Math.PI / 4]}
          renderOrder={10}
          onPointerDown={(event) => {
            event.stopPropagation();
            pick('runs', run, { leg: vertex });
            grab(vertex, event);
          }}
          onPointerMove={(event) => {
            event.stopPropagation();
            if (useWorkbench.getState().dragged === null) {
              setHover({
                title: `Corner ${vertex}`,
                text: 'drag along an axis or a leg',
                x: event.nativeEvent.offsetX,
                y: event.nativeEvent.offsetY,
              });
            }
          }}
          onPointerOut={() => useWorkbench.getState().dragged === null && setHover(null)}
        >
          <planeGeometry args={[SIZE * 2, SIZE * 2]} />
          <meshBasicMaterial color="#a8741a" depthTest={false} transparent />
        </mesh>
        <mesh rotation={[0, 0, Math.PI / 4]} renderOrder={11} raycast={() => null}>
          <planeGeometry args={[SIZE * 1.3, SIZE * 1.3]} />
          <meshBasicMaterial color={isPicked ? '#e0a63f' : '#fffdf7'} depthTest={false} transparent />
        </mesh>
      </Billboard>
    </group>
  );
}
