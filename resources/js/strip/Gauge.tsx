import type { KeyboardEvent, PointerEvent } from 'react';
import type { Run, SolvedRun } from '../api/types';
import { length, lengthWithUnit } from '../job/format';
import type { useStripDrag } from './useStripDrag';

const TOP = 115;

interface Props {
  run: Run;
  solved: SolvedRun;
  x0: number;
  x1: number;
  drag: ReturnType<typeof useStripDrag>;
}

/** A gauge of the length against the fixed length and its tolerance; the mark of the fixed length can be dragged. */
export function Gauge({ run, solved, x0, x1, drag }: Props) {
  const broken = solved.findings.find((finding) => finding.rule === 'fixed-length');
  const target = broken?.required ?? (run.fixed_length === undefined ? undefined : Number(run.fixed_length.length));
  const held =
    target !== undefined && Number.isFinite(target)
      ? target
      : run.fixed_length === undefined
        ? undefined
        : solved.length;
  const tolerance = Number(run.fixed_length?.tolerance) || 0;
  const full = Math.max(solved.length, held ?? 0) * (held === undefined ? 1 : 1.04);
  const x = (length: number) => x0 + ((x1 - x0) * length) / full;
  const off = held === undefined ? 0 : solved.length - held;
  const change = (length: number) => ({ do: 'hold-length' as const, length });
  const grip = held ?? solved.length;
  const onGrab = (event: PointerEvent) => {
    const mm = full / (x1 - x0);
    drag.grab(event, {
      amountAt: (now) => grip + (now.clientX - event.clientX) * mm,
      change,
      word: 'hold',
    });
  };
  const onKey = (event: KeyboardEvent) => {
    const by = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }[event.key];
    if (by !== undefined) {
      event.preventDefault();
      event.stopPropagation();
      drag.nudge(Math.round(grip) + by * (event.shiftKey ? 10 : 1), change);
    }
  };
  return (
    <g>
      <rect className="gauge-bed" x={x0} y={TOP} width={x1 - x0} height={9} />
      {held !== undefined && (
        <rect
          className="gauge-window"
          x={x(held - tolerance) - 2}
          y={TOP - 3}
          width={Math.max(x(held + tolerance) - x(held - tolerance), 1) + 4}
          height={15}
        />
      )}
      <rect className="gauge-bar" x={x0} y={TOP} width={Math.max(0, x(solved.length) - x0)} height={9} />
      {held !== undefined && (
        <line className="axis" x1={x(held)} x2={x(held)} y1={TOP - 4} y2={TOP + 13} strokeWidth={2} />
      )}
      <rect
        className="gauge-grip"
        role="slider"
        tabIndex={0}
        aria-label="Length to hold"
        aria-valuenow={Math.round(grip * 10) / 10}
        aria-valuetext={`${lengthWithUnit(grip)}${held === undefined ? ', as it comes' : ''}`}
        x={x(grip) - 6}
        y={TOP - 6}
        width={12}
        height={21}
        onPointerDown={onGrab}
        onKeyDown={onKey}
      >
        <title>Drag the length to hold</title>
      </rect>
      <text x={x0} y={TOP + 24}>
        {lengthWithUnit(solved.length)} now · cut {length(solved.cut_length)}
      </text>
      <text x={x1} y={TOP + 24} textAnchor="end" className={broken === undefined ? undefined : 'bad-text'}>
        {held === undefined
          ? 'no length to hold'
          : `hold ${length(held)} ± ${length(tolerance)}${
              broken === undefined ? ' · held' : ` · ${length(Math.abs(off))} ${off > 0 ? 'too long' : 'too short'}`
            }`}
      </text>
    </g>
  );
}
