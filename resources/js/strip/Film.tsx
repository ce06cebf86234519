import { useLayoutEffect, useMemo, useRef, useState } from 'react';
import type { MovedPosition, Run, SweptRun } from '../api/types';
import { length, show } from '../ui/format';
import { useWorkbench } from '../workbench/store';

const FRAME = 104;

const HEIGHT = 84;

/** How a run goes as what it hangs on moves: a frame a position, all to one scale and seen from one side. */
export function Film({ run, movement }: { run: Run; movement: SweptRun }) {
  const { moment, setMoment } = useWorkbench();
  const holder = useRef<HTMLDivElement>(null);
  const [room, setRoom] = useState(9);
  useLayoutEffect(() => {
    const element = holder.current;
    if (element === null) {
      return;
    }
    const fit = (width: number) => setRoom(Math.max(3, Math.floor((width + 6) / (FRAME + 8))));
    fit(element.clientWidth - 20);
    const observer = new ResizeObserver(([entry]) => fit(entry?.contentRect.width ?? 0));
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  const shown = useMemo(() => frames(movement, room), [movement, room]);
  const flat = useMemo(() => flattened(movement.positions), [movement]);
  const at = moment ?? movement.tightest;
  return (
    <div ref={holder} className="film" role="listbox" aria-label={`${run.name ?? run.id} over its movement`}>
      {shown.map((index) => {
        const position = movement.positions[index];
        if (position === undefined) {
          return null;
        }
        const tight = position.min_radius !== null && position.min_radius < movement.needed;
        const short = (position.taut ?? 0) >= 1;
        return (
          <button
            key={position.part}
            type="button"
            role="option"
            aria-selected={index === at}
            className={`frame${index === at ? ' at' : ''}`}
            onClick={() => setMoment(index)}
            title={`${placeOf(position)}: ${short ? 'does not reach' : radiusOf(position)}`}
          >
            <svg width={FRAME} height={HEIGHT} viewBox={`0 0 ${FRAME} ${HEIGHT}`} aria-hidden="true">
              {movement.positions.map((other, i) => (
                <polyline key={other.part} points={flat[i]} className="ghost" />
              ))}
              <polyline points={flat[index]} className={tight || short ? 'tight' : 'well'} />
            </svg>
            <span className="figure">{placeOf(position)}</span>
            <span className={`figure${tight || short ? ' violation' : ''}`}>
              {short ? '✕ short' : `${tight ? '✕ ' : ''}${radiusOf(position)}`}
            </span>
          </button>
        );
      })}
    </div>
  );
}

export const placeOf = ({ angle, part }: MovedPosition) =>
  angle === null ? `${show(part * 100, 0)} %` : `${show(angle, 1)}°`;

const radiusOf = ({ min_radius: radius }: MovedPosition) => (radius === null ? 'straight' : `R ${length(radius)}`);

/** As many positions as there is room for: both ends, the tightest and the nearest, and others evenly between. */
function frames({ positions, tightest, nearest, tautest }: SweptRun, room: number): number[] {
  const wanted = new Set([0, positions.length - 1, tightest, nearest ?? 0, tautest ?? 0]);
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
  return [...wanted].sort((a, b) => a - b).slice(0, room);
}

/** The points of every position as seen square to where they spread most, scaled into a frame. */
function flattened(positions: readonly MovedPosition[]): string[] {
  const all = positions.flatMap(({ points }) => points);
  const [right, up] = sides(all);
  const seen = (point: readonly number[]): [number, number] => [dot(point, right), dot(point, up)];
  const xs = all.map((point) => seen(point)[0]);
  const ys = all.map((point) => seen(point)[1]);
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const scale = Math.min((FRAME - 12) / Math.max(1, x1 - x0), (HEIGHT - 12) / Math.max(1, y1 - y0));
  return positions.map(({ points }) =>
    points
      .map((point) => {
        const [x, y] = seen(point);
        const px = FRAME / 2 + (x - (x0 + x1) / 2) * scale;
        const py = HEIGHT / 2 - (y - (y0 + y1) / 2) * scale;
        return `${px.toFixed(1)},${py.toFixed(1)}`;
      })
      .join(' '),
  );
}

const dot = (a: readonly number[], b: readonly number[]) =>
  a.reduce((sum, part, axis) => sum + part * (b[axis] ?? 0), 0);

/** The two axes along which the points spread most. */
function sides(points: readonly (readonly number[])[]): [number[], number[]] {
  const spread = [0, 1, 2].map((axis) => {
    const values = points.map((point) => point[axis] ?? 0);
    return Math.max(...values) - Math.min(...values);
  });
  const least = spread.indexOf(Math.min(...spread));
  const unit = (axis: number) => [0, 1, 2].map((one) => (one === axis ? 1 : 0));
  // What is upright stays so.
  return least === 2 ? [unit(0), unit(1)] : [unit(least === 0 ? 1 : 0), unit(2)];
}
