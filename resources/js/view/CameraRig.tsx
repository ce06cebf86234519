import { OrbitControls } from '@react-three/drei';
import { useFrame, useThree } from '@react-three/fiber';
import { useEffect, useRef } from 'react';
import { type Box3, MathUtils, OrthographicCamera, type Quaternion, Spherical, Vector3 } from 'three';
import type { OrbitControls as Controls } from 'three-stdlib';
import { useCamera, VIEWS } from './camera';
import { standing, upright, useUp } from './up';

/** Share of the smaller side of the view that the content fills. */
const FILL = 0.92;

/** Duration of a flight between views, seconds. */
const FLIGHT = 0.22;

interface Look {
  middle: Vector3;
  eye: Vector3;
  zoom: number;
}

/** Rotates, pans and zooms the camera by hand or keys, and goes to the standard views. */
export function CameraRig({ all, picked }: { all: Box3; picked: Box3 | null }) {
  const controls = useRef<Controls>(null);
  const { camera, size, invalidate, gl } = useThree();
  const { view, fit, nudge, turned, seenAt } = useCamera();
  const latest = useRef({ all, picked, view });
  latest.current = { all, picked, view };
  const ready = size.width > 0 && size.height > 0;
  const up = useUp();
  const pressedAt = useRef<Quaternion | null>(null);
  const flight = useRef<{ from: Look; to: Look; far: number; gone: number } | null>(null);

  const show = (look: Look, far: number) => {
    const orbit = controls.current;
    if (orbit === null || !(camera instanceof OrthographicCamera)) {
      return;
    }
    orbit.target.copy(look.middle);
    camera.position.copy(look.middle).addScaledVector(look.eye, far);
    camera.near = 1;
    camera.far = 3 * far;
    camera.zoom = look.zoom;
    camera.lookAt(look.middle);
    camera.updateMatrixWorld();
    camera.updateProjectionMatrix();
    orbit.update();
    seenAt(look.zoom);
    invalidate();
  };

  // biome-ignore lint/correctness/useExhaustiveDependencies: looks anew when asked to, not when things move
  useEffect(() => {
    const orbit = controls.current;
    if (!ready || orbit === null || !(camera instanceof OrthographicCamera)) {
      return;
    }
    const box = (fit.what === 'picked' ? latest.current.picked : null) ?? latest.current.all;
    const standard = latest.current.view;
    const eyeNow = camera.position.clone().sub(orbit.target).normalize();
    const eye = standard === null ? eyeNow : upright(VIEWS[standard].from, up).normalize();
    camera.up.copy(upright([0, 0, 1], up));
    const far = latest.current.all.getSize(new Vector3()).length() + 4000;
    const middle = box.getCenter(new Vector3());
    const to: Look = { middle, eye, zoom: zoomFor(box, eye, camera.up, size.width, size.height) };
    const still = fit.count === 0 || window.matchMedia('(prefers-reduced-motion: reduce)').matches;
    if (still) {
      show(to, far);
    } else {
      flight.current = { from: { middle: orbit.target.clone(), eye: eyeNow, zoom: camera.zoom }, to, far, gone: 0 };
      invalidate();
    }
  }, [fit.count, ready, up]);

  useFrame((_, passed) => {
    gl.domElement.closest('.view')?.setAttribute('data-drawn', flight.current === null ? 'yes' : 'moving');
    const now = flight.current;
    if (now === null) {
      return;
    }
    now.gone = Math.min(1, now.gone + Math.min(passed, 0.05) / FLIGHT);
    const part = now.gone * now.gone * (3 - 2 * now.gone);
    const eye = now.from.eye.clone().lerp(now.to.eye, part);
    show(
      {
        middle: now.from.middle.clone().lerp(now.to.middle, part),
        eye: eye.length() < 0.05 ? now.to.eye : eye.normalize(),
        zoom: now.from.zoom * (now.to.zoom / now.from.zoom) ** part,
      },
      now.far,
    );
    if (now.gone >= 1) {
      flight.current = null;
    }
  });

  // biome-ignore lint/correctness/useExhaustiveDependencies: each count is one nudge
  useEffect(() => {
    const orbit = controls.current;
    if (nudge.count === 0 || orbit === null || !(camera instanceof OrthographicCamera)) {
      return;
    }
    const arm = camera.position.clone().sub(orbit.target);
    // three's spherical coordinates have y up; the job has z or another axis.
    const lying = arm.clone().applyQuaternion(standing(up).invert());
    const round = new Spherical().setFromVector3(new Vector3(lying.x, lying.z, -lying.y));
    round.theta += MathUtils.degToRad(nudge.turn[0]);
    round.phi += MathUtils.degToRad(nudge.turn[1]);
    round.makeSafe();
    const turnedArm = new Vector3().setFromSpherical(round);
    const right = new Vector3(1, 0, 0).applyQuaternion(camera.quaternion);
    const upward = new Vector3(0, 1, 0).applyQuaternion(camera.quaternion);
    const middle = orbit.target
      .clone()
      .addScaledVector(right, nudge.pan[0] / camera.zoom)
      .addScaledVector(upward, nudge.pan[1] / camera.zoom);
    const eye = new Vector3(turnedArm.x, -turnedArm.z, turnedArm.y).applyQuaternion(standing(up)).normalize();
    show({ middle, eye, zoom: camera.zoom * nudge.zoom }, arm.length());
  }, [nudge.count]);

  return (
    <OrbitControls
      ref={controls}
      makeDefault
      enableDamping={false}
      onChange={() => {
        if (camera instanceof OrthographicCamera) {
          seenAt(camera.zoom);
        }
        invalidate();
      }}
      onStart={() => {
        flight.current = null;
        pressedAt.current = camera.quaternion.clone();
      }}
      onEnd={() => {
        if (pressedAt.current !== null && pressedAt.current.angleTo(camera.quaternion) > 1e-6) {
          turned();
        }
      }}
    />
  );
}

/** Returns the pixels per millimetre at which a box fits into the view. */
function zoomFor(box: Box3, eye: Vector3, up: Vector3, width: number, height: number): number {
  const right = up.clone().cross(eye).normalize();
  const upward = eye.clone().cross(right);
  let [x, y] = [1, 1];
  const middle = box.getCenter(new Vector3());
  for (let corner = 0; corner < 8; corner++) {
    const point = new Vector3(
      corner & 1 ? box.max.x : box.min.x,
      corner & 2 ? box.max.y : box.min.y,
      corner & 4 ? box.max.z : box.min.z,
    ).sub(middle);
    x = Math.max(x, Math.abs(point.dot(right)));
    y = Math.max(y, Math.abs(point.dot(upward)));
  }
  return FILL * Math.min(width / (2 * x), height / (2 * y));
}
