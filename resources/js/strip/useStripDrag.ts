import { type PointerEvent as HandPointerEvent, useState } from 'react';
import { api } from '../api/client';
import type { Laying, Preview } from '../api/types';
import { follow } from '../job/follow';
import { newestPreview } from '../job/newest';
import { useWorkbench } from '../job/store';
import { tell } from '../job/tell';
import type { LayingEdit } from '../job/useJob';
import { useJob } from '../job/useJob';
import { tryingOf } from '../job/useTried';

interface Scale {
  /** Returns the amount at a place of the screen, mm. */
  amountAt: (event: { clientX: number; clientY: number }) => number;
  change: (amount: number) => LayingEdit;
  word: string;
}

export type StripDrag = ReturnType<typeof useStripDrag>;

/** Drags one number of a run in the strip, held at the limit. */
export function useStripDrag(run: string) {
  const { state, lay } = useJob();
  const [said, setSaid] = useState<string | null>(null);

  const grab = (down: HandPointerEvent, { amountAt, change, word }: Scale) => {
    const { setTrying } = useWorkbench.getState();
    let last: Preview | null = null;
    const asking = newestPreview(
      ({ amount, past }: { amount: number; past: boolean }) =>
        api.dragRun(state.id, { run, change: change(amount) as Laying, hold: past ? null : 1 }),
      (answer) => {
        last = answer;
        setTrying(tryingOf(answer));
        const held = answer.held === null ? '' : ` · held: ${answer.held}. Alt goes past.`;
        setSaid(`${word} ${Math.round(answer.amount * 10) / 10}${held}`);
      },
      setSaid,
    );
    const done = () => {
      setSaid(null);
      asking.stop();
      setTrying(null);
    };
    down.preventDefault();
    down.stopPropagation();
    follow({
      move: (event) => asking.want({ amount: Math.max(1, Math.round(amountAt(event))), past: event.altKey }),
      drop: async () => {
        await asking.settled();
        if (last === null) {
          done();
        } else {
          tell(lay(run, change(last.amount)).finally(done));
        }
      },
      cancel: done,
    });
  };
  /** Changes the number by one step of a key. */
  const nudge = (amount: number, change: Scale['change']) => tell(lay(run, change(Math.max(1, amount))));
  return { grab, nudge, said };
}
