import type { MovedPosition } from '../api/types';
import { show } from './format';

/** Where in its movement something is, in words: an angle, or a part of the way. */
export const placeOf = ({ angle, part }: MovedPosition) =>
  angle === null ? `${show(part * 100, 0)} %` : `${show(angle, 1)}°`;
