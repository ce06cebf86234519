import { Pause, Play, X } from 'lucide-react';
import { useEffect } from 'react';
import type { Run, SolvedRun } from '../api/types';
import { lengthWithUnit } from '../job/format';
import { useUpTo } from '../job/upTo';
import { IconButton } from '../ui/IconButton';

/** How long the whole run takes when it is played, ms. */
const TIME = 6000;

/** Shows a run in the view only up to a length, which is dragged or played from its start. */
export function UpTo({ run, solved }: { run: Run; solved: SolvedRun }) {
  const { length, playing, setLength, setPlaying, show } = useUpTo();
  const whole = solved.length;
  useEffect(() => {
    if (!playing) {
      return;
    }
    let frame = 0;
    let before: number | null = null;
    const step = (now: number) => {
      const reached = Math.min(whole, useUpTo.getState().length + ((now - (before ?? now)) / TIME) * whole);
      before = now;
      setLength(reached);
      if (reached >= whole) {
        setPlaying(false);
      } else {
        frame = requestAnimationFrame(step);
      }
    };
    frame = requestAnimationFrame(step);
    return () => cancelAnimationFrame(frame);
  }, [playing, whole, setLength, setPlaying]);
  useEffect(() => () => show(null), [show]);
  const play = () => {
    if (!playing && length >= whole) {
      setLength(0);
    }
    setPlaying(!playing);
  };
  return (
    <span className="up-to">
      <IconButton
        icon={playing ? Pause : Play}
        name={playing ? 'Stop here' : 'Play it from its start'}
        onClick={play}
      />
      <input
        type="range"
        className="form-range"
        aria-label={`${run.name ?? run.id}, shown up to`}
        aria-valuetext={lengthWithUnit(length)}
        min={0}
        max={whole}
        step={whole / 1000}
        value={Math.min(length, whole)}
        onChange={(event) => {
          setPlaying(false);
          setLength(Number(event.target.value));
        }}
      />
      <span className="figure">up to {lengthWithUnit(length)}</span>
      <IconButton icon={X} name="Show all of it" onClick={() => show(null)} />
    </span>
  );
}
