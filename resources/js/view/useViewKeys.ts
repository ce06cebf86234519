import type { KeyboardEvent } from 'react';
import { useCamera } from './camera';

const TURN = 10;
const PAN = 60;
const ZOOM = 1.25;

const ARROWS: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
};

/** Keys while the view has the focus: arrows rotate, with Shift pan, plus and minus zoom. */
export function useViewKeys() {
  const nudgeBy = useCamera((store) => store.nudgeBy);
  return (event: KeyboardEvent) => {
    if (event.target !== event.currentTarget || event.ctrlKey || event.altKey || event.metaKey) {
      return;
    }
    const arrow = ARROWS[event.key];
    if (arrow !== undefined) {
      event.preventDefault();
      nudgeBy(
        event.shiftKey ? { pan: [arrow[0] * PAN, arrow[1] * PAN] } : { turn: [arrow[0] * TURN, -arrow[1] * TURN] },
      );
    } else if (event.key === '+' || event.key === '=') {
      nudgeBy({ zoom: ZOOM });
    } else if (event.key === '-') {
      nudgeBy({ zoom: 1 / ZOOM });
    }
  };
}
