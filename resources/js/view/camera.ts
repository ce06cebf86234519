import { Box3, Vector3 } from 'three';
import { create } from 'zustand';
import type { Place, SolvedRun } from '../api/types';

/** Standard views: where the eye stands, seen from the middle of things. */
export const VIEWS = {
  iso: { name: 'front-right, above', from: [0.62, -1, 0.72] },
  top: { name: 'from above', from: [0, -0.0001, 1] },
  front: { name: 'from −Y', from: [0, -1, 0] },
  right: { name: 'from +X', from: [1, 0, 0] },
  back: { name: 'from +Y', from: [0, 1, 0] },
  left: { name: 'from −X', from: [-1, 0, 0] },
} as const;

export type ViewName = keyof typeof VIEWS;

interface CameraStore {
  /** A standard view, or null once it has been turned by hand. */
  view: ViewName | null;
  /** Counts the requests to fit everything, or the picked run, into the view. */
  fit: { what: 'all' | 'picked'; count: number };
  look: (view: ViewName) => void;
  turned: () => void;
  zoomTo: (what: 'all' | 'picked') => void;
}

export const useCamera = create<CameraStore>()((set) => ({
  view: 'iso',
  fit: { what: 'all', count: 0 },
  look: (view) => set(({ fit }) => ({ view, fit: { what: 'all', count: fit.count + 1 } })),
  turned: () => set({ view: null }),
  zoomTo: (what) => set(({ fit }) => ({ fit: { what, count: fit.count + 1 } })),
}));

/** A box round what is given. */
export function boundsOf(places: readonly Place[], runs: readonly SolvedRun[]): Box3 {
  const box = new Box3();
  for (const place of places) {
    const at = new Vector3(...place.pose.at);
    const half = place.body === null ? 20 : Math.hypot(...place.body.size) / 2;
    if (place.list === 'surroundings' && place.body !== null && place.pose.angle === 0) {
      const extent = new Vector3(...place.body.size).multiplyScalar(0.5);
      box.expandByPoint(at.clone().add(extent)).expandByPoint(at.clone().sub(extent));
    } else {
      box.expandByPoint(at.clone().addScalar(half)).expandByPoint(at.clone().addScalar(-half));
    }
  }
  for (const run of runs) {
    for (const vertex of run.vertices) {
      box.expandByPoint(new Vector3(...vertex));
    }
  }
  return box.isEmpty() ? new Box3(new Vector3(-300, -300, 0), new Vector3(300, 300, 300)) : box;
}
