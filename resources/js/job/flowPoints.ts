import type { FlowPoint, Vector } from '../api/types';

/** Where a point of a smooth run is told to be; null where that is a clamp's to say. */
export const atOf = (point: FlowPoint): Vector | null =>
  Array.isArray(point) ? point : 'clamp' in point ? null : point.at;

/** The same point elsewhere. */
export const putAt = (point: FlowPoint, at: Vector): FlowPoint =>
  Array.isArray(point) || 'clamp' in point ? at : { ...point, at };
