import type { MovedPosition, SweptRun } from '../api/types';

/** Margin of a frame, px. */
const EDGE = 6;

interface Swept extends Pick<SweptRun, 'tightest' | 'nearest' | 'tautest'> {
  positions: readonly Pick<MovedPosition, 'part'>[];
}

/**
 * Returns as many positions as there is room for: both ends, the tightest, the nearest and the tautest, and others
 * evenly between.
 */
export function frames({ positions, tightest, nearest, tautest }: Swept, room: number): number[] {
  const first = new Set([0, positions.length - 1, tightest, nearest ?? 0, tautest ?? 0]);
  const wanted = new Set([...first].slice(0, room));
  for (let step = 1; wanted.size < Math.min(room, positions.length) && step < 64; step++) {
    const gaps = [...wanted].sort((a, b) => a - b);
    const part = (i: number) => positions[i]?.part ?? 0;
    const best = gaps
      .slice(1)
      .map((right, i) => ({ left: gaps[i] ?? 0, right, wide: part(right) - part(gaps[i] ?? 0) }))
      .filter(({ left, right }) => right - left > 1)
      .sort((a, b) => b.wide - a.wide)[0];
    if (best === undefined) {
      break;
    }
    const middle = (part(best.left) + part(best.right)) / 2;
    let nearestTo = best.left + 1;
    for (let i = best.left + 1; i < best.right; i++) {
      if (Math.abs(part(i) - middle) < Math.abs(part(nearestTo) - middle)) {
        nearestTo = i;
      }
    }
    wanted.add(nearestTo);
  }
  return [...wanted].sort((a, b) => a - b);
}

/** Returns the points of every position, projected onto the plane in which they spread most and scaled into a frame. */
export function flattened(
  positions: readonly Pick<MovedPosition, 'points'>[],
  width: number,
  height: number,
): string[] {
  const all = positions.flatMap(({ points }) => points);
  const [right, up] = sides(all);
  const seen = (point: readonly number[]): [number, number] => [dot(point, right), dot(point, up)];
  const xs = all.map((point) => seen(point)[0]);
  const ys = all.map((point) => seen(point)[1]);
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const scale = Math.min((width - 2 * EDGE) / Math.max(1, x1 - x0), (height - 2 * EDGE) / Math.max(1, y1 - y0));
  return positions.map(({ points }) =>
    points
      .map((point) => {
        const [x, y] = seen(point);
        const px = width / 2 + (x - (x0 + x1) / 2) * scale;
        const py = height / 2 - (y - (y0 + y1) / 2) * scale;
        return `${px.toFixed(1)},${py.toFixed(1)}`;
      })
      .join(' '),
  );
}

const dot = (a: readonly number[], b: readonly number[]) =>
  a.reduce((sum, part, axis) => sum + part * (b[axis] ?? 0), 0);

/** Returns the two axes along which the points spread most. */
function sides(points: readonly (readonly number[])[]): [number[], number[]] {
  const spread = [0, 1, 2].map((axis) => {
    const values = points.map((point) => point[axis] ?? 0);
    return Math.max(...values) - Math.min(...values);
  });
  const least = spread.indexOf(Math.min(...spread));
  const unit = (axis: number) => [0, 1, 2].map((one) => (one === axis ? 1 : 0));
  // Keeps z upright.
  return least === 2 ? [unit(0), unit(1)] : [unit(least === 0 ? 1 : 0), unit(2)];
}
