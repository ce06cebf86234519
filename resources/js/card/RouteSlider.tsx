import { useEffect, useMemo, useRef, useState } from 'react';
import { api } from '../api/client';
import type { Preview, SetRoute } from '../api/types';
import { newestPreview } from '../job/newest';
import { useWorkbench } from '../job/store';
import { tell } from '../job/tell';
import { useJob } from '../job/useJob';
import { tryingOf } from '../job/useTried';

interface Props {
  run: string;
  label: string;
  value: number;
  least: number;
  most: number;
  /** Step of the slider; “any” for a step a pixel. */
  step: number | 'any';
  /** Returns the change of the route for an amount. */
  route: (amount: number) => SetRoute['route'];
}

/** A slider that previews the shape while it is dragged and stores it on release. */
export function RouteSlider({ run, label, value, least, most, step, route }: Props) {
  const { state, lay } = useJob();
  const [at, setAt] = useState(value);
  const moving = useRef(false);
  const { setTrying } = useWorkbench.getState();
  const asking = useMemo(
    () =>
      newestPreview(
        (amount: number) =>
          api.dragRun(state.id, { run, change: { do: 'set-route', route: route(amount) }, hold: null }),
        (answer: Preview) => setTrying(tryingOf(answer)),
        () => undefined,
      ),
    [state.id, run, route, setTrying],
  );
  useEffect(() => {
    if (!moving.current) {
      setAt(value);
    }
  }, [value]);
  const keep = async () => {
    if (moving.current) {
      moving.current = false;
      await asking.settled();
      tell(lay(run, { do: 'set-route', route: route(at) }).finally(() => setTrying(null)));
    }
  };
  return (
    <input
      type="range"
      className="form-range"
      aria-label={label}
      min={least}
      max={most}
      step={step}
      value={Math.min(most, Math.max(least, at))}
      onChange={(event) => {
        moving.current = true;
        setAt(Number(event.target.value));
        asking.want(Number(event.target.value));
      }}
      onPointerUp={() => void keep()}
      onKeyUp={() => void keep()}
      onBlur={() => void keep()}
    />
  );
}
