import type { MovedPosition } from '../api/types';
import { show } from './format';

/** Returns a position of a movement in words: an angle, or a share of the way. */
export const placeOf = ({ angle, part }: MovedPosition) =>
  angle === null ? `${show(part * 100, 0)} %` : `${show(angle, 1)}°`;
