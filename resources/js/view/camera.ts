import { Box3, MathUtils, Quaternion, Vector3 } from 'three';
import { create } from 'zustand';
import type { Place, SolvedRun } from '../api/types';
import { INCH, units } from '../job/units';

/** Standard views: the direction of the camera from the centre. */
export const VIEWS = {
  iso: { name: 'front-right, above', from: [0.62, -1, 0.72] },
  top: { name: 'from above', from: [0, -0.0001, 1] },
  front: { name: 'from −Y', from: [0, -1, 0] },
  right: { name: 'from +X', from: [1, 0, 0] },
  back: { name: 'from +Y', from: [0, 1, 0] },
  left: { name: 'from −X', from: [-1, 0, 0] },
} as const;

export type ViewName = keyof typeof VIEWS;

/** Least distance of two lines of the floor grid, pixels. */
const GRID_GAP = 11;

interface CameraStore {
  /** The standard view; null once it has been rotated by hand. */
  view: ViewName | null;
  /** Counts the requests to fit everything, or the selected item, into the view. */
  fit: { what: 'all' | 'picked'; count: number };
  /** Spacing of the floor grid, mm, as fine as can be distinguished. */
  gridStep: number;
  /** A step by keys, counted: degrees to rotate, pixels to pan, factor to zoom. */
  nudge: { turn: [number, number]; pan: [number, number]; zoom: number; count: number };
  look: (view: ViewName) => void;
  turned: () => void;
  zoomTo: (what: 'all' | 'picked') => void;
  seenAt: (pixelsPerMm: number) => void;
  nudgeBy: (nudge: { turn?: [number, number]; pan?: [number, number]; zoom?: number }) => void;
}

/** The last scale of the view: separate, because it changes at every frame of a flight and nothing renders from it. */
const useNearness = create<{ pixelsPerMm: number }>()(() => ({ pixelsPerMm: 0.3 }));

/** Recomputes the grid when the units of the job have changed. */
export const regrid = () => useCamera.getState().seenAt(useNearness.getState().pixelsPerMm);

export const useCamera = create<CameraStore>()((set) => ({
  view: 'iso',
  fit: { what: 'all', count: 0 },
  gridStep: 100,
  nudge: { turn: [0, 0], pan: [0, 0], zoom: 1, count: 0 },
  look: (view) => set(({ fit }) => ({ view, fit: { what: 'all', count: fit.count + 1 } })),
  turned: () => set({ view: null }),
  zoomTo: (what) => set(({ fit }) => ({ fit: { what, count: fit.count + 1 } })),
  seenAt: (pixelsPerMm) =>
    set((store) => {
      useNearness.setState({ pixelsPerMm });
      const unit = units().word === 'mm' ? 1 : INCH;
      const gridStep = niceStep(GRID_GAP / pixelsPerMm / unit) * unit;
      return gridStep === store.gridStep ? store : { gridStep };
    }),
  nudgeBy: ({ turn = [0, 0], pan = [0, 0], zoom = 1 }) =>
    set(({ nudge, view }) => ({
      view: turn[0] === 0 && turn[1] === 0 ? view : null,
      nudge: { turn, pan, zoom, count: nudge.count + 1 },
    })),
}));

/** Returns the least of 1, 2, 5, 10, 20, 50 … that is not less. */
function niceStep(least: number): number {
  const power = 10 ** Math.floor(Math.log10(least));
  return ([1, 2, 5, 10].find((factor) => factor * power >= least * 0.999) ?? 10) * power;
}

const CORNERS = [-1, 1].flatMap((x) => [-1, 1].flatMap((y) => [-1, 1].map((z) => [x, y, z])));

/** The extent of an empty job. */
const EMPTY = new Box3(new Vector3(-300, -300, 0), new Vector3(300, 300, 300));

/** Returns the bounding box of items and runs. */
export function boundsOf(places: readonly Place[], runs: readonly SolvedRun[]): Box3 {
  const box = new Box3();
  for (const place of places) {
    const at = new Vector3(...place.pose.at);
    if (place.bodies.length === 0) {
      box.expandByPoint(at.clone().addScalar(20)).expandByPoint(at.clone().addScalar(-20));
    }
    const turn = new Quaternion().setFromAxisAngle(
      new Vector3(...place.pose.about).normalize(),
      MathUtils.degToRad(place.pose.angle),
    );
    for (const { pose, size } of place.bodies) {
      const own = new Quaternion().setFromAxisAngle(
        new Vector3(...pose.about).normalize(),
        MathUtils.degToRad(pose.angle),
      );
      for (const corner of CORNERS) {
        box.expandByPoint(
          new Vector3(...corner.map((side, axis) => (side * (size[axis] ?? 0)) / 2))
            .applyQuaternion(own)
            .add(new Vector3(...pose.at))
            .applyQuaternion(turn)
            .add(at),
        );
      }
    }
  }
  for (const run of runs) {
    for (const vertex of run.vertices) {
      box.expandByPoint(new Vector3(...vertex));
    }
    for (const segment of run.path) {
      for (const point of segment.kind === 'curve' ? segment.points.filter((_, index) => index % 8 === 0) : []) {
        box.expandByPoint(new Vector3(...point));
      }
    }
  }
  return box.isEmpty() ? EMPTY.clone() : box;
}

/** Returns the box with a margin to lay into, while it contains little. */
export function withRoom(box: Box3): Box3 {
  const lacking = EMPTY.getSize(new Vector3()).sub(box.getSize(new Vector3())).multiplyScalar(0.5);
  return box.clone().expandByVector(lacking.max(new Vector3()));
}
