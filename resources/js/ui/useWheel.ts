import { type RefObject, useEffect } from 'react';

/** Returns the size of a step: ten with Shift, a tenth with Alt. */
export const stepOf = (event: { shiftKey: boolean; altKey: boolean }): number =>
  event.shiftKey ? 10 : event.altKey ? 0.1 : 1;

/** Steps a field by the wheel, only while it has the focus; otherwise the page scrolls. */
export function useWheel(input: RefObject<HTMLInputElement | null>, onStep: (amount: number) => void): void {
  useEffect(() => {
    const element = input.current;
    const onWheel = (event: WheelEvent) => {
      if (document.activeElement === element && event.deltaY !== 0) {
        event.preventDefault();
        onStep((event.deltaY < 0 ? 1 : -1) * stepOf(event));
      }
    };
    element?.addEventListener('wheel', onWheel, { passive: false });
    return () => element?.removeEventListener('wheel', onWheel);
  });
}
