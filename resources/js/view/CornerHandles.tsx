import { Html } from '@react-three/drei';
import type { PointerEvent } from 'react';
import { isSamePart, useWorkbench } from '../workbench/store';
import { useJob } from '../workbench/useJob';
import { useCornerDrag } from './useCornerDrag';

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
  grab: (vertex: number, event: PointerEvent) => void;
}

/** A button over the scene, so that it is read out, focused and found like any other. */
function Handle({ run, vertex, at, grab }: HandleProps) {
  const { picked, pick } = useWorkbench();
  const isPicked = picked?.list === 'runs' && picked.id === run && isSamePart(picked.part, { leg: vertex });
  return (
    <Html position={at} center zIndexRange={[3, 0]}>
      <button
        type="button"
        className={`corner-handle${isPicked ? ' picked' : ''}`}
        aria-label={`Corner ${vertex}`}
        title={`Corner ${vertex}: drag along an axis or a leg`}
        onPointerDown={(event) => {
          event.stopPropagation();
          pick('runs', run, { leg: vertex });
          grab(vertex, event);
        }}
        onFocus={() => pick('runs', run, { leg: vertex })}
      />
    </Html>
  );
}
