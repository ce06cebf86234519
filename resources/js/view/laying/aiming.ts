import { MathUtils, Vector3 } from 'three';
import type { Aim, Caught } from '../../job/laying';
import { type Flat, onTrack, type Project, screenScale, stepFor, type Track } from '../../job/tracks';

/** Pixels by which another track must follow the pointer better to be taken instead. */
const RELUCTANCE = 10;

/** Handicap of the direction to a caught thing, which would otherwise always follow the pointer best. */
const TO_CAUGHT = 7;

interface Asked {
  hand: Flat;
  last: Vector3;
  tracks: readonly Track[];
  /** The track held by its key. */
  held: Track | null;
  /** The track taken last. */
  before: Track | null;
  caught: Caught | null;
  /** Without any track: a free point in the plane that faces the camera. */
  free: Vector3 | null;
  project: Project;
}

/**
 * Returns where the next corner is meant to be: on the track that follows the pointer best, or level with what is
 * caught.
 */
export function aimAt(asked: Asked): Aim | null {
  const { hand, last, tracks, held, before, free, project } = asked;
  // Lines are everywhere; they count only while a track is held, to be level with them.
  const isLine = asked.caught?.kind === 'edge' || asked.caught?.kind === 'axis';
  const caught = isLine && held === null && free === null ? null : asked.caught;
  if (free !== null && held === null) {
    const point = caught?.at.clone() ?? free;
    const way = point.clone().sub(last);
    return { track: null, length: way.length(), point, caught, level: false, hand };
  }
  const track = held ?? bestTrack(tracks, last, hand, before, caught, project);
  if (track === null) {
    return null;
  }
  const level = caught === null ? 0 : caught.at.clone().sub(last).dot(track.along);
  const isLevel = caught !== null && level > 1e-6;
  const step = stepFor(screenScale(last, project));
  const along = onTrack(track, last, hand, project)?.length ?? 0;
  const length = isLevel ? level : Math.max(step, Math.round(along / step) * step);
  return {
    track,
    length,
    point: last.clone().addScaledVector(track.along, length),
    caught: isLevel ? caught : null,
    level: isLevel,
    hand,
  };
}

function bestTrack(
  tracks: readonly Track[],
  last: Vector3,
  hand: Flat,
  before: Track | null,
  caught: Caught | null,
  project: Project,
): Track | null {
  let best: { track: Track; off: number } | null = null;
  const offer = (track: Track, penalty: number) => {
    const place = onTrack(track, last, hand, project);
    if (place === null || place.length <= 0) {
      return;
    }
    const same = before !== null && before.along.distanceTo(track.along) < 1e-6;
    const off = place.beside + penalty - (same ? RELUCTANCE : 0);
    if (best === null || off < best.off) {
      best = { track, off };
    }
  };
  for (const track of tracks) {
    offer(track, 0);
  }
  if (caught !== null && tracks.length > 1) {
    const along = caught.at.clone().sub(last);
    if (along.length() > 1e-6) {
      offer({ name: `to ${caught.name}`, along: along.normalize() }, TO_CAUGHT);
    }
  }
  return (best as { track: Track; off: number } | null)?.track ?? null;
}

/**
 * Returns the tracks on which a run does not reverse.
 *
 * @param reversal from this turn on it does, degrees
 */
export function forward(tracks: readonly Track[], travel: Vector3 | null, reversal: number): Track[] {
  return tracks.filter(({ along }) => travel === null || MathUtils.radToDeg(along.angleTo(travel)) < reversal);
}

export const vectorOf = ([x, y, z]: readonly [number, number, number]) => new Vector3(x, y, z);
