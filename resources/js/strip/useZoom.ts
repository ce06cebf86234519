import { type PointerEvent, type RefObject, useEffect, useState } from 'react';
import { follow } from '../job/follow';

export const MARGIN = 34;
export const RIGHT = 94;

const MOST = 60;

/** Zooms along a run: the wheel zooms about the pointer, Shift and the wheel or a drag pan. */
export function useZoom(
  holder: RefObject<HTMLDivElement | null>,
  width: number,
  length: number,
  /** Developed length that buttons zoom about, mm; the middle of the visible part when nothing is selected. */
  about: number | null,
) {
  const [{ zoom, left }, set] = useState({ zoom: 1, left: 0 });
  const span = Math.max(1, width - MARGIN - RIGHT);
  const scale = (zoom * span) / Math.max(length, 1e-9);
  const hold = (nextZoom: number, nextLeft: number) => {
    const held = Math.min(MOST, Math.max(1, nextZoom));
    set({ zoom: held, left: Math.min(Math.max(0, nextLeft), length * (1 - 1 / held)) });
  };
  /** Zooms by a factor about a place on the screen; 0 shows the whole run. */
  const by = (factor: number, at?: number) => {
    const next = Math.min(MOST, Math.max(1, zoom * factor));
    if (at === undefined && about !== null) {
      hold(next, about - length / next / 2);
      return;
    }
    const place = at ?? MARGIN + span / 2;
    const along = left + (place - MARGIN) / scale;
    hold(next, along - ((place - MARGIN) * length) / (next * span));
  };

  useEffect(() => {
    const element = holder.current;
    const onWheel = (event: WheelEvent) => {
      event.preventDefault();
      if (event.shiftKey || Math.abs(event.deltaX) > Math.abs(event.deltaY)) {
        hold(zoom, left + (event.deltaX + event.deltaY) / scale);
      } else {
        by(event.deltaY < 0 ? 1.25 : 0.8, event.clientX - (element?.getBoundingClientRect().left ?? 0));
      }
    };
    element?.addEventListener('wheel', onWheel, { passive: false });
    return () => element?.removeEventListener('wheel', onWheel);
  });

  const onPan = (down: PointerEvent) => {
    if (zoom > 1) {
      follow({
        move: (event) => hold(zoom, left - (event.clientX - down.clientX) / scale),
        drop: () => undefined,
        cancel: () => undefined,
      });
    }
  };
  return { zoom, by, onPan, x: (along: number) => MARGIN + (along - left) * scale };
}
