import type { KeyboardEvent, PointerEvent } from 'react';
import type { Curve, Run, SolvedRun } from '../api/types';
import { length } from '../job/format';
import { pieces } from '../job/layout';
import { useWorkbench } from '../job/store';
import { units } from '../job/units';
import type { useStripDrag } from './useStripDrag';

const BASE = 104;
const LIMIT_HEIGHT = 28;
const HIGHEST = 40;

interface Props {
  run: Run;
  solved: SolvedRun;
  x: (along: number) => number;
  /** Left and right edge of the visible part, px. */
  x0: number;
  x1: number;
  limit: number;
  drag: ReturnType<typeof useStripDrag>;
}

/** The radii that its bends stand, or that of the stock; what is long stands without a word before it. */
function limits(solved: SolvedRun, limit: number): string {
  const own = solved.bends
    .map((bend) => bend.least_radius)
    .filter((least) => least > 0)
    .sort((a, b) => a - b);
  const [least, most] = [length(own[0] ?? limit), length(own.at(-1) ?? limit)];
  return least === most ? `${units().word === 'mm' ? 'limit ' : ''}R${least}` : `R${least}–${most}`;
}

/** The curvature of the run along its length against the limit of its stock. The top of a bend can be dragged. */
export function Curvature({ run, solved, x, x0, x1, limit, drag }: Props) {
  const pick = useWorkbench((store) => store.pick);
  const tightest = limit > 0 ? limit : (solved.min_radius ?? 1);
  const height = (radius: number) => Math.min(HIGHEST, (LIMIT_HEIGHT * tightest) / Math.max(radius, 1e-9));
  const line = BASE - LIMIT_HEIGHT;

  return (
    <g>
      <defs>
        <pattern id="beyond" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="5" height="5" fill="#eab0a8" />
          <line x1="0" x2="0" y1="0" y2="5" stroke="#bc2f26" strokeWidth="2.4" />
        </pattern>
      </defs>
      <text x={x0 - 20} y={BASE - 2} transform={`rotate(-90 ${x0 - 20} ${BASE - 2})`} className="bend-title">
        bend
      </text>
      <g clipPath="url(#strip-window)">
        {pieces(solved).map((piece) => {
          if (!('bend' in piece.part)) {
            return null;
          }
          const curve = piece.kind === 'curve' ? solved.path[piece.part.bend] : undefined;
          if (curve?.kind === 'curve') {
            return <CurveGraph key="curve" curve={curve} start={piece.from} x={x} height={height} limit={limit} />;
          }
          const index = piece.part.bend;
          const radius = solved.bends[index]?.radius ?? 0;
          const vertex = solved.legs.find((leg) => leg.bend === index)?.vertex;
          // Against its own limit: what is not round stands another radius in another plane.
          const own = solved.bends[index]?.least_radius || tightest;
          // An elbow is bought as it is: there is nothing to compare.
          const isElbow = solved.legs.some((leg) => leg.bend === index && leg.elbow !== null);
          const top = isElbow ? LIMIT_HEIGHT / 2 : Math.min(HIGHEST, (LIMIT_HEIGHT * own) / Math.max(radius, 1e-9));
          const width = Math.max(x(piece.to) - x(piece.from), 1);
          const beyond = solved.bends[index]?.tight === true ? Math.max(0, top - LIMIT_HEIGHT) : 0;
          const change = (amount: number) => ({
            do: 'set-corner' as const,
            vertex: vertex ?? null,
            corner: { radius: amount },
          });
          const onGrab = (event: PointerEvent) => {
            pick('runs', run.id, { bend: index });
            drag.grab(event, {
              // The top follows the pointer: half the height is twice the radius.
              amountAt: (now) =>
                (LIMIT_HEIGHT * own) / Math.min(HIGHEST, Math.max(2, top - (now.clientY - event.clientY))),
              change,
              word: 'R',
            });
          };
          const onKey = (event: KeyboardEvent) => {
            if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
              event.preventDefault();
              event.stopPropagation();
              drag.nudge(radius + (event.key === 'ArrowUp' ? 1 : -1) * (event.shiftKey ? 10 : 1), change);
            }
          };
          return (
            <g key={index}>
              <rect className="curvature" x={x(piece.from)} y={BASE - top} width={width} height={top} />
              {beyond > 0 && (
                <rect
                  x={x(piece.from)}
                  y={BASE - top}
                  width={width}
                  height={beyond}
                  fill="url(#beyond)"
                  stroke="var(--bad)"
                />
              )}
              {vertex !== undefined && !isElbow && (
                <rect
                  className="radius-grip"
                  role="slider"
                  tabIndex={0}
                  aria-label={`Radius of bend ${index + 1}`}
                  aria-valuenow={Math.round(radius * 10) / 10}
                  aria-valuetext={`R ${length(radius)}`}
                  x={x(piece.from)}
                  y={BASE - top - 4}
                  width={width}
                  height={9}
                  onPointerDown={onGrab}
                  onKeyDown={onKey}
                >
                  <title>{`Bend ${index + 1}, R ${length(radius)}: drag its radius`}</title>
                </rect>
              )}
            </g>
          );
        })}
      </g>
      <line className="axis" x1={x0} x2={x1} y1={BASE} y2={BASE} />
      {limit > 0 && (
        <>
          <line className="limit" x1={x0} x2={x1} y1={line} y2={line} />
          <text className="bad-text" x={x1 + 6} y={line + 4}>
            {limits(solved, limit)}
          </text>
        </>
      )}
    </g>
  );
}

/** The graph of a curve through its points; the part beyond the limit is hatched. */
function CurveGraph({
  curve,
  start,
  x,
  height,
  limit,
}: {
  curve: Curve;
  start: number;
  x: (along: number) => number;
  height: (radius: number) => number;
  limit: number;
}) {
  const every = Math.max(1, Math.floor(curve.along.length / 400));
  const points = curve.along
    .map((along, index) => ({
      at: x(start + along),
      top: BASE - height(1 / Math.max(curve.curvature[index] ?? 0, 1e-12)),
      index,
    }))
    .filter(({ index }) => index % every === 0 || index === curve.along.length - 1);
  const outline = points.map(({ at, top }) => `${at.toFixed(1)},${top.toFixed(1)}`).join(' ');
  const [first, last] = [points[0]?.at ?? 0, points.at(-1)?.at ?? 0];
  const line = BASE - LIMIT_HEIGHT;
  const beyond = points.map(({ at, top }) => `${at.toFixed(1)},${Math.min(line, top).toFixed(1)}`).join(' ');
  return (
    <g>
      <polygon className="curvature" points={`${first},${BASE} ${outline} ${last},${BASE}`} />
      {limit > 0 && <polygon points={`${first},${line} ${beyond} ${last},${line}`} fill="url(#beyond)" stroke="none" />}
    </g>
  );
}
