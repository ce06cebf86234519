import { Vector3 } from 'three';
import { direction } from './format';
import { handStep, INCH, units } from './units';

/** A point or a movement on the screen, in pixels, y downwards. */
export interface Flat {
  x: number;
  y: number;
}

export type Project = (point: Vector3) => Flat;

/** A line along which something is dragged or laid, following the pointer on the screen. */
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

/** Returns the name of the axis of a direction ("+x" … "-z") as in the job file, or its three numbers. */
export function directionToJson(along: Vector3): string | [number, number, number] {
  const tidy = (value: number) => Math.round(value * 1e9) / 1e9;
  return AXES.find(([, axis]) => axis.distanceTo(along) < 1e-6)?.[0] ?? [tidy(along.x), tidy(along.y), tidy(along.z)];
}

/** Adds a track unless one with the same direction exists. */
export function withTrack(tracks: readonly Track[], name: string, along: Vector3): Track[] {
  const unit = along.clone().normalize();
  return along.length() < 1e-6 || tracks.some((track) => track.along.distanceTo(unit) < 1e-4)
    ? [...tracks]
    : [...tracks, { name, along: unit }];
}

/** Returns the position of the pointer on a track: millimetres along it, and pixels beside it. */
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
  // Nearly end on, a pixel would be metres.
  if (scale < 1e-4 || scale / screenScale(from, project) < 0.12) {
    return null;
  }
  const [mx, my] = [hand.x - start.x, hand.y - start.y];
  return { length: (mx * x + my * y) / (scale * scale), beside: Math.abs(mx * y - my * x) / scale };
}

/** Returns pixels per millimetre, perpendicular to the line of sight. */
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

/** Returns the step to which a dragged length is rounded: whole millimetres near by, more from afar. */
export function stepFor(pixelsPerMm: number): number {
  const steps = units().word === 'mm' ? [1, 5, 10, 50, 100] : [handStep(), INCH / 8, INCH / 2, INCH, 4 * INCH];
  return steps.find((step) => step * pixelsPerMm >= 1.5) ?? steps.at(-1) ?? 1;
}
