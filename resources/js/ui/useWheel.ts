import { type RefObject, useEffect } from 'react';

/** Shift makes a step ten, Alt a tenth. */
export const stepOf = (event: { shiftKey: boolean; altKey: boolean }): number =>
  event.shiftKey ? 10 : event.altKey ? 0.1 : 1;

/** The wheel over a field steps it, but only while it has the focus: otherwise the page is being scrolled. */
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
