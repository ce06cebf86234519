import { ChevronDown, ChevronUp } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import type { Run, SolvedRun } from '../api/types';
import { show } from '../ui/format';
import { IconButton } from '../ui/IconButton';
import { useWorkbench } from '../workbench/store';
import { useJob } from '../workbench/useJob';
import { Curvature } from './Curvature';
import { Gauge } from './Gauge';
import { Pulled } from './Pulled';

const MARGIN = 34;
const RIGHT = 86;

/** The picked run pulled out straight: its pieces to scale, how tight it is, how long it is. */
export function Strip() {
  const { item, solution } = useJob();
  const picked = useWorkbench((store) => store.picked);
  const [folded, setFolded] = useState(false);
  const run = picked?.list === 'runs' ? item('runs', picked.id) : undefined;
  const solved = run === undefined ? undefined : solution(run.id);
  return (
    <section className="strip" aria-label="Laid straight">
      <div className="strip-head">
        <span className="caption">Laid straight</span>
        <span className="facts">
          {run === undefined || solved === undefined
            ? 'Pick a run to see it pulled out straight.'
            : `${run.name ?? run.id} · ${item('stock', run.stock)?.name ?? run.stock} · centre line ${show(solved.length)} mm`}
        </span>
        <span className="spacer" />
        <IconButton
          icon={folded ? ChevronUp : ChevronDown}
          name={folded ? 'Unfold the strip' : 'Fold the strip away'}
          onClick={() => setFolded(!folded)}
        />
      </div>
      {!folded && run !== undefined && solved !== undefined && <Drawn run={run} solved={solved} />}
    </section>
  );
}

function Drawn({ run, solved }: { run: Run; solved: SolvedRun }) {
  const { item } = useJob();
  const holder = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(0);
  useEffect(() => {
    const element = holder.current;
    if (element === null) {
      return;
    }
    const observer = new ResizeObserver(([entry]) => setWidth(entry?.contentRect.width ?? 0));
    observer.observe(element);
    return () => observer.disconnect();
  }, []);

  const stock = item('stock', run.stock);
  const scale = Math.max(0, width - MARGIN - RIGHT) / Math.max(solved.length, 1e-9);
  const x = (along: number) => MARGIN + along * scale;
  const limit = Number(stock?.bend.min_radius) || 0;

  return (
    <div ref={holder}>
      {width > 0 && (
        <svg width={width} height={148} role="group" aria-label={`${run.name ?? run.id}, laid straight`}>
          <Pulled run={run} solved={solved} x={x} />
          <Curvature solved={solved} x={x} limit={limit} />
          <Gauge run={run} solved={solved} x0={MARGIN} x1={width - RIGHT} />
        </svg>
      )}
    </div>
  );
}
