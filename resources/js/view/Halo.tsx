import { useFrame, useThree } from '@react-three/fiber';
import { useEffect, useMemo, useState } from 'react';
import { BackSide, OrthographicCamera } from 'three';
import type { SolvedRun } from '../api/types';
import { type TubeStretch, tubeGeometry } from './tube';

/** Width of the outline on the screen, pixels. */
const WIDTH = 2.5;

const BRASS = { base: '#a8741a', broken: '#a8741a', picked: '#a8741a', bore: '#a8741a' };

const zoomOf = (camera: unknown) => (camera instanceof OrthographicCamera ? camera.zoom : 1);

/** A brass outline of the selected run: a wider tube of which only the back faces are drawn. */
export function Halo({ solved, stretches }: { solved: SolvedRun; stretches: readonly TubeStretch[] }) {
  const camera = useThree((three) => three.camera);
  const [zoom, setZoom] = useState(() => zoomOf(camera));
  useFrame(() => {
    const now = zoomOf(camera);
    if (now > zoom * 1.25 || now < zoom * 0.8) {
      setZoom(now);
    }
  });
  const tube = useMemo(() => {
    const more = (2 * WIDTH) / zoom;
    const wider = stretches.map((stretch) => ({
      ...stretch,
      od: stretch.od + more,
      endOd: stretch.endOd === undefined ? undefined : stretch.endOd + more,
      bore: 0,
    }));
    return tubeGeometry(solved, wider, BRASS, () => false);
  }, [solved, stretches, zoom]);
  useEffect(() => () => tube.geometry.dispose(), [tube]);
  return (
    <mesh geometry={tube.geometry} raycast={() => null}>
      <meshBasicMaterial color="#a8741a" side={BackSide} />
    </mesh>
  );
}
