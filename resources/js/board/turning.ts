import type { Board } from '../api/types';
import type { BoardTurn } from '../job/useBoard';

/** A branch in the hand. */
export interface Turning {
  turn: BoardTurn;
  /** Angle of the pointer, degrees. */
  wanted: number;
  /** What lies where it would at that angle; null where there is room. */
  inWay: string | null;
  /** The board at the last angle at which there was room, and where the branch begins on it. */
  shown: { board: Board; at: readonly [number, number] } | null;
}

export const isSameTurn = (one: BoardTurn, other: BoardTurn) => one.run === other.run && one.towards === other.towards;

/** Share of a branch at whose end its handle is, so that it lies beside the connector and not on it. */
const HANDLE = 0.8;

/** Returns where the handle of a branch is on the board, mm. */
export const handleOf = ({ at, end }: BoardTurn): [number, number] => [
  at[0] + HANDLE * (end[0] - at[0]),
  at[1] + HANDLE * (end[1] - at[1]),
];

/** Returns where a branch would end on the board at an angle, mm. */
export function endAt({ at, along, length }: BoardTurn, angle: number): [number, number] {
  const way = ((along + angle) * Math.PI) / 180;
  return [at[0] + length * Math.cos(way), at[1] - length * Math.sin(way)];
}

/** Returns the angle of a point as seen from where a branch begins, in whole steps, degrees between −180 and 180. */
export function degreesAt({ at, along }: BoardTurn, [x, y]: readonly [number, number], step: number): number {
  const bearing = (Math.atan2(at[1] - y, x - at[0]) * 180) / Math.PI - along;
  const turned = ((((bearing + 180) % 360) + 360) % 360) - 180;
  // Not −0.
  return Math.round(turned / step) * step + 0;
}

/** Returns the point of the board under the pointer, mm. */
export function pointOf(svg: SVGSVGElement, event: { clientX: number; clientY: number }, scale: number) {
  const box = svg.getBoundingClientRect();
  return [(event.clientX - box.left) / scale, (event.clientY - box.top) / scale] as const;
}
