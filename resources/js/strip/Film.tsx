import { useLayoutEffect, useMemo, useRef, useState } from 'react';
import type { MovedPosition, Run, SweptRun } from '../api/types';
import { length } from '../job/format';
import { placeOf } from '../job/placeOf';
import { useWorkbench } from '../job/store';
import { flattened, frames } from './frames';

/** Size of a frame, px. */
const FRAME = 104;

const HEIGHT = 84;

/** A run over its movement: one frame a position, all to one scale and from one side. */
export function Film({ run, movement }: { run: Run; movement: SweptRun }) {
  const { moment, setMoment } = useWorkbench();
  const holder = useRef<HTMLDivElement>(null);
  const [room, setRoom] = useState(9);
  useLayoutEffect(() => {
    const element = holder.current;
    if (element === null) {
      return;
    }
    const makeRoom = (width: number) => setRoom(Math.max(3, Math.floor((width + 6) / (FRAME + 8))));
    makeRoom(element.clientWidth - 20);
    const observer = new ResizeObserver(([entry]) => makeRoom(entry?.contentRect.width ?? 0));
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  const shown = useMemo(() => frames(movement, room), [movement, room]);
  const flat = useMemo(() => flattened(movement.positions, FRAME, HEIGHT), [movement]);
  const at = moment ?? movement.tightest;
  return (
    <div ref={holder} className="film" role="listbox" aria-label={`${run.name ?? run.id} over its movement`}>
      {shown.map((index) => {
        const position = movement.positions[index];
        if (position === undefined) {
          return null;
        }
        const { tight, short } = position;
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

const radiusOf = ({ min_radius: radius }: MovedPosition) => (radius === null ? 'straight' : `R ${length(radius)}`);
