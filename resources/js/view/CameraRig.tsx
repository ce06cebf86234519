import { OrbitControls } from '@react-three/drei';
import { useThree } from '@react-three/fiber';
import { useEffect, useRef } from 'react';
import { type Box3, OrthographicCamera, Vector3 } from 'three';
import type { OrbitControls as Controls } from 'three-stdlib';
import { useCamera, VIEWS } from './camera';

/** Part of the view's smaller side that what is looked at fills. */
const FILL = 0.92;

/** Turning, panning and zooming by hand, and the standard views. */
export function CameraRig({ all, picked }: { all: Box3; picked: Box3 | null }) {
  const controls = useRef<Controls>(null);
  const { camera, size, invalidate } = useThree();
  const { view, fit, turned } = useCamera();
  const latest = useRef({ all, picked });
  latest.current = { all, picked };
  const ready = size.width > 0 && size.height > 0;
  const asked = useRef({ fit, view });
  asked.current = { fit, view };

  // biome-ignore lint/correctness/useExhaustiveDependencies: looks anew when asked to, not when things move
  useEffect(() => {
    const orbit = controls.current;
    if (!ready || orbit === null || !(camera instanceof OrthographicCamera)) {
      return;
    }
    const box = (fit.what === 'picked' ? latest.current.picked : null) ?? latest.current.all;
    const middle = box.getCenter(new Vector3());
    const standard = asked.current.view;
    const eye =
      standard === null
        ? camera.position.clone().sub(orbit.target).normalize()
        : new Vector3(...VIEWS[standard].from).normalize();
    const far = box.getSize(new Vector3()).length() + 4000;
    orbit.target.copy(middle);
    camera.position.copy(middle).addScaledVector(eye, far);
    camera.near = 1;
    camera.far = 3 * far;
    camera.lookAt(middle);
    camera.updateMatrixWorld();
    camera.zoom = zoomFor(box, camera, size.width, size.height);
    camera.updateProjectionMatrix();
    orbit.update();
    invalidate();
  }, [fit.count, ready]);

  return (
    <OrbitControls
      ref={controls}
      makeDefault
      enableDamping={false}
      onStart={() => undefined}
      onChange={() => invalidate()}
      onEnd={turned}
    />
  );
}

/** Pixels to a millimetre so that the box fits as it is seen now. */
function zoomFor(box: Box3, camera: OrthographicCamera, width: number, height: number): number {
  const inverse = camera.matrixWorld.clone().invert();
  let [x, y] = [1, 1];
  const middle = box.getCenter(new Vector3()).applyMatrix4(inverse);
  for (let corner = 0; corner < 8; corner++) {
    const point = new Vector3(
      corner & 1 ? box.max.x : box.min.x,
      corner & 2 ? box.max.y : box.min.y,
      corner & 4 ? box.max.z : box.min.z,
    ).applyMatrix4(inverse);
    x = Math.max(x, Math.abs(point.x - middle.x));
    y = Math.max(y, Math.abs(point.y - middle.y));
  }
  return FILL * Math.min(width / (2 * x), height / (2 * y));
}
