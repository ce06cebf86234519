import { Vector3 } from 'three';
import { direction } from './format';
import { handStep, INCH, units } from './units';

/** A point or a movement on the screen, in pixels, y downwards. */
export interface Flat {
  x: number;
  y: number;
}

export type Project = (point: Vector3) => Flat;

/** A line through a point along which something is dragged or laid; the hand follows it on the screen. */
export interface Track {
  name: string;
  along: Vector3;
}

const AXES: readonly [string, Vector3][] = [
  ['+x', new Vector3(1, 0, 0)],
  ['-x', new Vector3(-1, 0, 0)],
  ['+y', new Vector3(0, 1, 0)],
  ['-y', new Vector3(0, -1, 0)],
  ['+z', new Vector3(0, 0, 1)],
  ['-z', new Vector3(0, 0, -1)],
];

export const axisTracks = (): Track[] => AXES.map(([name, along]) => ({ name: direction(name), along: along.clone() }));

/** The name of the axis a direction lies on ("+x" … "-z"), as the job file has it, or its three numbers. */
export function directionToJson(along: Vector3): string | [number, number, number] {
  const tidy = (value: number) => Math.round(value * 1e9) / 1e9;
  return AXES.find(([, axis]) => axis.distanceTo(along) < 1e-6)?.[0] ?? [tidy(along.x), tidy(along.y), tidy(along.z)];
}

/** Adds a track unless one in the same direction is there already. */
export function withTrack(tracks: readonly Track[], name: string, along: Vector3): Track[] {
  const unit = along.clone().normalize();
  return along.length() < 1e-6 || tracks.some((track) => track.along.distanceTo(unit) < 1e-4)
    ? [...tracks]
    : [...tracks, { name, along: unit }];
}

/** Where the hand is on a track: millimetres along it, and how many pixels beside it. */
export function onTrack(
  track: Track,
  from: Vector3,
  hand: Flat,
  project: Project,
): { length: number; beside: number } | null {
  const start = project(from);
  const end = project(from.clone().add(track.along));
  const [x, y] = [end.x - start.x, end.y - start.y];
  const scale = Math.hypot(x, y);
  // Seen end on, a hair's movement of the hand would be metres.
  if (scale < 1e-4 || scale / screenScale(from, project) < 0.12) {
    return null;
  }
  const [mx, my] = [hand.x - start.x, hand.y - start.y];
  return { length: (mx * x + my * y) / (scale * scale), beside: Math.abs(mx * y - my * x) / scale };
}

/** Pixels to a millimetre, square to the line of sight. */
export function screenScale(at: Vector3, project: Project): number {
  const start = project(at);
  return Math.max(
    ...AXES.slice(0, 6).map(([, axis]) => {
      const end = project(at.clone().add(axis));
      return Math.hypot(end.x - start.x, end.y - start.y);
    }),
    1e-9,
  );
}

/** The step that a dragged length is rounded to: whole millimetres seen near, more seen from far. */
export function stepFor(pixelsPerMm: number): number {
  const steps = units().word === 'mm' ? [1, 5, 10, 50, 100] : [handStep(), INCH / 8, INCH / 2, INCH, 4 * INCH];
  return steps.find((step) => step * pixelsPerMm >= 1.5) ?? steps.at(-1) ?? 1;
}
