import { useThree } from '@react-three/fiber';
import { useMemo } from 'react';
import { Raycaster, Vector2, type Vector3 } from 'three';
import type { OrbitControls } from 'three-stdlib';
import type { Flat, Project } from '../../job/tracks';

/** Converts between the scene and the screen: pixels of the view, from its upper left corner. */
export function useProjection() {
  const { camera, size, gl, scene, controls } = useThree();
  return useMemo(() => {
    const project: Project = (point) => {
      const seen = point.clone().project(camera);
      return { x: ((seen.x + 1) * size.width) / 2, y: ((1 - seen.y) * size.height) / 2 };
    };
    const rayAt = (hand: Flat) => {
      const ray = new Raycaster();
      ray.setFromCamera(new Vector2((hand.x / size.width) * 2 - 1, 1 - (hand.y / size.height) * 2), camera);
      return ray;
    };
    const handOf = (event: { clientX: number; clientY: number }): Flat => {
      const { left, top } = gl.domElement.getBoundingClientRect();
      return { x: event.clientX - left, y: event.clientY - top };
    };
    /** Returns the point under the pointer in the plane through a point that faces the camera. */
    const onScreenPlane = (hand: Flat, through: Vector3): Vector3 => {
      const { ray } = rayAt(hand);
      const away = through.clone().sub(ray.origin).dot(ray.direction);
      return ray.at(away, through.clone());
    };
    const setTurning = (enabled: boolean) => {
      const orbit = controls as OrbitControls | null;
      if (orbit !== null) {
        orbit.enabled = enabled;
      }
    };
    return { project, rayAt, handOf, onScreenPlane, setTurning, scene };
  }, [camera, size, gl, scene, controls]);
}
