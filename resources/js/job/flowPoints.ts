import type { FlowPoint, Vector } from '../api/types';

/** Returns the place of a point of a smooth run; null where a clamp decides it. */
export const atOf = (point: FlowPoint): Vector | null =>
  Array.isArray(point) ? point : 'clamp' in point ? null : point.at;

/** Returns the same point at another place. */
export const putAt = (point: FlowPoint, at: Vector): FlowPoint =>
  Array.isArray(point) || 'clamp' in point ? at : { ...point, at };
