import { ChevronDown, ChevronUp, Maximize2, Play, ZoomIn, ZoomOut } from 'lucide-react';
import { type ReactNode, useLayoutEffect, useRef, useState } from 'react';
import type { Run, SolvedRun } from '../api/types';
import { lengthWithUnit } from '../job/format';
import { pieces } from '../job/layout';
import { usePreferences } from '../job/preferences';
import { isSamePart, useWorkbench } from '../job/store';
import { useUpTo } from '../job/upTo';
import { useJob } from '../job/useJob';
import { IconButton } from '../ui/IconButton';
import { Curvature } from './Curvature';
import { Film } from './Film';
import { Gauge } from './Gauge';
import { Pulled } from './Pulled';
import { UpTo } from './UpTo';
import { useStripDrag } from './useStripDrag';
import { MARGIN, RIGHT, useZoom } from './useZoom';
import { WireTable } from './WireTable';

/** The selected run laid straight: its pieces to scale, its curvature, its length. */
export function Strip() {
  const { item, solution } = useJob();
  const picked = useWorkbench((store) => store.picked);
  const { stripFolded: folded, foldStrip: fold } = usePreferences();
  const harness = picked?.list === 'harnesses' ? item('harnesses', picked.id) : undefined;
  const run = picked?.list === 'runs' ? item('runs', picked.id) : undefined;
  const solved = run === undefined ? undefined : solution(run.id);
  if (harness !== undefined) {
    const count = harness.wires?.length ?? 0;
    return (
      <section className={`strip${folded ? '' : ' open wires'}`} aria-label="Wires">
        <Head
          title="Wires"
          facts={`${harness.name ?? harness.id} · ${count} wire${count === 1 ? '' : 's'}`}
          folded={folded}
          onFold={fold}
        />
        {!folded && <WireTable key={harness.id} harness={harness} />}
      </section>
    );
  }
  return (
    <section className={`strip${folded ? '' : ' open'}`} aria-label="Laid straight">
      {run === undefined || solved === undefined || solved.unsolved === true || folded ? (
        <Head
          facts={
            run === undefined || solved === undefined
              ? 'Pick a run to see it pulled out straight.'
              : factsOf(run, solved)
          }
          folded={folded}
          onFold={fold}
        />
      ) : (
        <Drawn key={run.id} run={run} solved={solved} onFold={fold} />
      )}
    </section>
  );
}

const factsOf = (run: Run, solved: SolvedRun) =>
  [
    run.name ?? run.id,
    solved.unsolved === true ? 'not worked out yet' : `centre line ${lengthWithUnit(solved.length)}`,
  ].join(' · ');

interface HeadProps {
  title?: string;
  facts: string;
  folded: boolean;
  onFold: () => void;
  zoom?: ReturnType<typeof useZoom>;
  /** Whether the run moves, so that its movement can be shown. */
  movement?: boolean;
  /** What shows the run up to a length, in place of the facts. */
  upTo?: ReactNode;
  onUpTo?: () => void;
}

function Head({ title = 'Laid straight', facts, folded, onFold, zoom, movement = false, upTo, onUpTo }: HeadProps) {
  const { film, showFilm } = useWorkbench();
  return (
    <div className="strip-head">
      {movement ? (
        <span className="strip-tabs" role="tablist">
          {[false, true].map((one) => (
            <button
              key={String(one)}
              type="button"
              role="tab"
              aria-selected={film === one}
              className={`caption${film === one ? ' at' : ''}`}
              onClick={() => showFilm(one)}
            >
              {one ? 'Movement' : 'Laid straight'}
            </button>
          ))}
        </span>
      ) : (
        <span className="caption">{title}</span>
      )}
      {upTo ?? (
        <span className="facts" role="status">
          {facts}
        </span>
      )}
      <span className="spacer" />
      {onUpTo !== undefined && <IconButton icon={Play} name="Show it up to a length" onClick={onUpTo} />}
      {zoom !== undefined && (
        <>
          <IconButton
            icon={ZoomOut}
            name="Zoom out along the run"
            disabled={zoom.zoom <= 1}
            onClick={() => zoom.by(1 / 1.6)}
          />
          <IconButton icon={ZoomIn} name="Zoom in along the run" onClick={() => zoom.by(1.6)} />
          <IconButton icon={Maximize2} name="The whole run" disabled={zoom.zoom <= 1} onClick={() => zoom.by(0)} />
        </>
      )}
      <IconButton
        icon={folded ? ChevronUp : ChevronDown}
        name={folded ? 'Unfold the strip' : 'Fold the strip away'}
        onClick={onFold}
      />
    </div>
  );
}

function Drawn({ run, solved, onFold }: { run: Run; solved: SolvedRun; onFold: () => void }) {
  const { item } = useJob();
  const film = useWorkbench((store) => store.film) && solved.movement !== null;
  const holder = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(0);
  const picked = useWorkbench((store) => store.picked?.part ?? null);
  const chosen = pieces(solved).find((piece) => isSamePart(piece.part, picked));
  const zoom = useZoom(holder, width, solved.length, chosen === undefined ? null : (chosen.from + chosen.to) / 2);
  const drag = useStripDrag(run.id);
  const isUpTo = useUpTo((store) => store.run === run.id);
  const shownTo = useUpTo((store) => (store.run === run.id ? store.length : null));
  useLayoutEffect(() => {
    const element = holder.current;
    if (element === null) {
      return;
    }
    setWidth(element.clientWidth);
    const observer = new ResizeObserver(([entry]) => setWidth(entry?.contentRect.width ?? 0));
    observer.observe(element);
    return () => observer.disconnect();
  }, []);

  const stock = item('stock', run.stock);
  const limit = Number(stock?.bend.min_radius) || 0;
  const x0 = MARGIN;
  const x1 = width - RIGHT;

  return (
    <>
      <Head
        facts={
          drag.said ??
          `${run.name ?? run.id} · ${stock?.name ?? run.stock} · centre line ${lengthWithUnit(solved.length)}`
        }
        folded={false}
        onFold={onFold}
        zoom={film ? undefined : zoom}
        upTo={isUpTo ? <UpTo run={run} solved={solved} /> : undefined}
        onUpTo={film || isUpTo ? undefined : () => useUpTo.getState().show(run.id, solved.length)}
        movement={solved.movement !== null}
      />
      {film && solved.movement !== null && <Film run={run} movement={solved.movement} />}
      <div ref={holder} onPointerDown={zoom.onPan} hidden={film && solved.movement !== null}>
        {width > 0 && (
          <svg width={width} height={148} role="group" aria-label={`${run.name ?? run.id}, laid straight`}>
            <defs>
              <clipPath id="strip-window">
                <rect x={x0 - 8} y={0} width={x1 - x0 + 16} height={148} />
              </clipPath>
            </defs>
            <g clipPath="url(#strip-window)">
              <Pulled run={run} solved={solved} x={zoom.x} x0={x0} x1={x1} drag={drag} />
              {shownTo !== null && <rect className="not-shown" x={zoom.x(shownTo)} y={18} width={x1 + 8} height={32} />}
            </g>
            <Curvature
              run={run}
              solved={solved}
              x={zoom.x}
              x0={x0}
              x1={Math.min(x1, zoom.x(solved.length))}
              limit={limit}
              drag={drag}
            />
            <Gauge run={run} solved={solved} x0={x0} x1={x1} drag={drag} />
          </svg>
        )}
      </div>
    </>
  );
}
