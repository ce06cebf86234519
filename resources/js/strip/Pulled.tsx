import type { Run, SolvedRun } from '../api/types';
import { length, show } from '../job/format';
import { type Piece, pieces } from '../job/layout';
import { isSamePart, useWorkbench } from '../job/store';
import { units } from '../job/units';
import { useJob } from '../job/useJob';
import { type Label, placeLabels } from './labels';
import type { StripDrag } from './useStripDrag';

const MIDDLE = 34;
const HALF = 8;

/** Half of the width of the mark of a joint, px. */
const JOINT_HALF = 8;

interface Props {
  run: Run;
  solved: SolvedRun;
  x: (along: number) => number;
  /** Left and right edge of the visible part, px. */
  x0: number;
  x1: number;
  drag: StripDrag;
}

/** The run laid straight: ends, straights with lengths, bends with angle and radius. */
export function Pulled({ run, solved, x, x0, x1, drag }: Props) {
  const all = pieces(solved);
  const labels = placeLabels(
    all.map((piece) => ({ from: x(piece.from), to: x(piece.to), texts: texts(solved, piece, x) })),
    x0,
    x1,
  );
  return (
    <g>
      {all.map((piece, index) => {
        const key = 'leg' in piece.part ? `leg ${piece.part.leg}` : `bend ${piece.part.bend}`;
        const label = labels[index] ?? null;
        return <OnePiece key={key} run={run} solved={solved} piece={piece} x={x} x0={x0} x1={x1} label={label} />;
      })}
      {solved.clamps.map(({ id, span }) => (
        <ClampMark key={id} id={id} at={x(((span[0] ?? 0) + (span[1] ?? 0)) / 2)} />
      ))}
      {solved.repeats.flatMap((repeat) =>
        repeat.places.map(({ along }) => (
          <line
            key={`${repeat.kind} ${along}`}
            className="axis"
            x1={x(along)}
            x2={x(along)}
            y1={MIDDLE + HALF}
            y2={MIDDLE + HALF + 4}
          >
            <title>{repeat.kind}</title>
          </line>
        )),
      )}
      {solved.joints.map(
        ({ joint, kind, at, gap }) =>
          at !== null && (
            <JointMark key={joint} index={joint} kind={kind} along={at} x={x} gap={x(at + gap) - x(at)} drag={drag} />
          ),
      )}
      <EndMark type={run.from?.end?.type ?? 'open'} at={x(0)} side={-1} />
      <EndMark type={run.to?.end?.type ?? 'open'} at={x(solved.length)} side={1} />
    </g>
  );
}

/** Returns what may be written at a piece: a bend in full or its number alone; the tightest radius of a curve. */
function texts(solved: SolvedRun, { kind, part, from, to }: Piece, x: Props['x']): string[] {
  if (!('bend' in part)) {
    return [];
  }
  if (kind === 'bend') {
    const bend = solved.bends[part.bend];
    const number = String(part.bend + 1);
    // Of many narrow bends all have their number, and none has more.
    const isOneOfMany = solved.bends.length >= 12 && x(to) - x(from) <= 14;
    const all = bend === undefined || isOneOfMany ? [] : [`${number} · ${show(bend.angle)}° R${length(bend.radius)}`];
    return [...all, number];
  }
  const curve = solved.path[part.bend];
  return curve?.kind === 'curve' && curve.min_radius !== null ? [`tightest R${length(curve.min_radius)}`] : [];
}

function OnePiece({
  run,
  solved,
  piece,
  x,
  x0,
  x1,
  label,
}: Omit<Props, 'drag'> & { piece: Piece; label: Label | null }) {
  const { picked, pick, pointed, point } = useWorkbench();
  const isPointed = pointed?.run === run.id && isSamePart(pointed.part, piece.part);
  const isPicked = picked?.list === 'runs' && picked.id === run.id && isSamePart(picked.part, piece.part);
  const [left, right] = [x(piece.from), x(piece.to)];
  const width = Math.max(right - left, 0.5);
  // The label of a piece that is partly visible stands in the middle of the visible part.
  const [seenLeft, seenRight] = [Math.max(left, x0), Math.min(right, x1)];
  const [freeLeft, freeRight] = widestBetween(
    seenLeft,
    seenRight,
    solved.joints.map(({ at }) => x(at ?? 0)),
  );
  const long = length(piece.to - piece.from);
  const choose = () => pick('runs', run.id, piece.part);
  const name =
    piece.kind === 'curve'
      ? `Curve, ${long} ${units().word}`
      : 'bend' in piece.part
        ? `Bend ${piece.part.bend + 1}, ${show(solved.bends[piece.part.bend]?.angle ?? 0)}°`
        : `Straight of leg ${piece.part.leg}, ${long} ${units().word}`;
  return (
    <g
      className={`piece${isPicked ? ' picked' : ''}${isPointed ? ' pointed' : ''}`}
      role="button"
      tabIndex={0}
      aria-label={name}
      aria-pressed={isPicked}
      onClick={choose}
      onPointerEnter={() => point({ run: run.id, part: piece.part })}
      onPointerLeave={() => point(null)}
      onKeyDown={(event) => {
        if (event.key === 'Enter' || event.key === ' ') {
          event.preventDefault();
          choose();
        }
      }}
    >
      {piece.kind === 'straight' ? (
        <>
          <rect className="straight" x={left} y={MIDDLE - HALF} width={width} height={2 * HALF} />
          {freeRight - freeLeft > long.length * 7 + 4 && (
            <text x={(freeLeft + freeRight) / 2} y={MIDDLE + 4} textAnchor="middle">
              {long}
            </text>
          )}
        </>
      ) : (
        <path className={`bend${piece.broken ? ' bad' : ''}`} d={bowed(left, left + width)} />
      )}
      {piece.kind === 'straight' && piece.broken && (
        <rect x={left} y={MIDDLE + HALF + 2} width={Math.max(width, 3)} height={3} fill="var(--bad)" />
      )}
      {label !== null && (
        <text className={piece.broken ? 'bad-text' : undefined} x={label.at} y={14} textAnchor="middle">
          {label.text}
        </text>
      )}
    </g>
  );
}

/** Returns the widest part between two places that no mark of a joint stands on, px. */
function widestBetween(left: number, right: number, marks: number[]): [number, number] {
  const within = marks.filter((at) => at > left && at < right).sort((a, b) => a - b);
  const edges = [left, ...within.flatMap((at) => [at - JOINT_HALF, at + JOINT_HALF]), right];
  let widest: [number, number] = [left, left];
  for (let i = 0; i < edges.length; i += 2) {
    const [from = left, to = left] = edges.slice(i, i + 2);
    widest = to - from > widest[1] - widest[0] ? [from, to] : widest;
  }
  return widest;
}

/** Returns the outline of a bowed band, so that a bend differs from a straight by its shape. */
function bowed(left: number, right: number): string {
  const middle = (left + right) / 2;
  const rise = Math.min(7, (right - left) / 3);
  return [
    `M${left} ${MIDDLE - HALF}`,
    `Q${middle} ${MIDDLE - HALF - 2 * rise} ${right} ${MIDDLE - HALF}`,
    `V${MIDDLE + HALF}`,
    `Q${middle} ${MIDDLE + HALF - 2 * rise} ${left} ${MIDDLE + HALF}`,
    'Z',
  ].join(' ');
}

/** A mark below the tube where the run passes a clamp, with the name of the clamp. */
function ClampMark({ id, at }: { id: string; at: number }) {
  const { item } = useJob();
  const pick = useWorkbench((store) => store.pick);
  const name = item('clamps', id)?.name ?? id;
  const top = MIDDLE + HALF + 2;
  return (
    <g
      className="clamp-mark"
      role="button"
      tabIndex={0}
      aria-label={`Clamp: ${name}`}
      onClick={() => pick('clamps', id)}
      onKeyDown={(event) => event.key === 'Enter' && pick('clamps', id)}
    >
      <path d={`M${at} ${top} l5 9 h-10 Z`} />
      <text x={at + 8} y={top + 9}>
        {name}
      </text>
    </g>
  );
}

interface JointProps {
  /** From 0. */
  index: number;
  kind: string;
  /** Developed length of its middle, mm. */
  along: number;
  x: Props['x'];
  /** px */
  gap: number;
  drag: StripDrag;
}

/**
 * Where two spools meet: both flanges, or the line of a weld or a sleeve. It is dragged along the run, or moved by the
 * arrow keys.
 */
function JointMark({ index, kind, along, x, gap, drag }: JointProps) {
  const at = x(along);
  const half = Math.max(1, gap / 2);
  const perMm = x(1) - x(0);
  const change = (amount: number) => ({ do: 'move-joint' as const, joint: index, along: amount });
  return (
    <g
      className="joint-mark"
      role="slider"
      tabIndex={0}
      aria-label={`Joint ${index + 1}, ${kind}`}
      aria-valuenow={Math.round(along * 10) / 10}
      aria-valuetext={`${length(along)} ${units().word} from the start`}
      onPointerDown={(down) =>
        drag.grab(down, {
          amountAt: (now) => along + (now.clientX - down.clientX) / perMm,
          change,
          word: `joint ${index + 1} at`,
        })
      }
      onKeyDown={(event) => {
        if (event.key === 'ArrowLeft' || event.key === 'ArrowRight') {
          event.preventDefault();
          event.stopPropagation();
          const step = (event.key === 'ArrowRight' ? 1 : -1) * (event.shiftKey ? 10 : 1);
          drag.nudge(Math.round(along) + step, change);
        }
      }}
    >
      <title>{`Joint ${index + 1}, ${kind}: drag it along the run`}</title>
      <rect className="joint-grip" x={at - half - 7} y={MIDDLE - 18} width={2 * half + 14} height={36} />
      {kind === 'flanges' ? (
        <>
          <rect className="end" x={at - half - 4} y={MIDDLE - 16} width={4} height={32} />
          <rect className="end" x={at + half} y={MIDDLE - 16} width={4} height={32} />
        </>
      ) : kind === 'weld' ? (
        <line className="axis" x1={at} x2={at} y1={MIDDLE - HALF - 5} y2={MIDDLE + HALF + 5} />
      ) : (
        <rect className="end" x={at - 6} y={MIDDLE - HALF - 3} width={12} height={2 * HALF + 6} />
      )}
    </g>
  );
}

function EndMark({ type, at, side }: { type: string; at: number; side: 1 | -1 }) {
  if (type === 'flange') {
    return <rect className="end" x={side > 0 ? at - 5 : at} y={MIDDLE - 16} width={5} height={32} />;
  }
  if (type === 'closed' || type === 'cap') {
    return <rect className="end" x={side > 0 ? at - 4 : at} y={MIDDLE - HALF} width={4} height={2 * HALF} />;
  }
  if (type === 'collar') {
    return <rect className="end" x={at - 8 * side - 2} y={MIDDLE - HALF - 4} width={4} height={2 * HALF + 8} />;
  }
  if (type === 'reducer') {
    const back = at - 12 * side;
    const points = [
      [back, -HALF],
      [at, -HALF - 5],
      [at, HALF + 5],
      [back, HALF],
    ];
    return <polygon className="end" points={points.map(([px = 0, py = 0]) => `${px},${MIDDLE + py}`).join(' ')} />;
  }
  return <line className="axis" x1={at} x2={at} y1={MIDDLE - HALF - 3} y2={MIDDLE + HALF + 3} />;
}
