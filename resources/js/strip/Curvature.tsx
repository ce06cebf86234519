import type { SolvedRun } from '../api/types';
import { show } from '../ui/format';
import { pieces } from './layout';

const BASE = 104;
const LIMIT_HEIGHT = 28;
const HIGHEST = 40;

/** How tight the run is along its length: one over the radius, against the stock's limit. */
export function Curvature({ solved, x, limit }: { solved: SolvedRun; x: (along: number) => number; limit: number }) {
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
      <text x={x(0) - 20} y={BASE - 2} transform={`rotate(-90 ${x(0) - 20} ${BASE - 2})`} className="bend-title">
        bend
      </text>
      {pieces(solved).map((piece) => {
        if (!('bend' in piece.part)) {
          return null;
        }
        const radius = solved.bends[piece.part.bend]?.radius ?? 0;
        const top = height(radius);
        const width = Math.max(x(piece.to) - x(piece.from), 1);
        const beyond = limit > 0 && radius < limit - 1e-7 ? top - LIMIT_HEIGHT : 0;
        return (
          <g key={piece.part.bend}>
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
          </g>
        );
      })}
      <line className="axis" x1={x(0)} x2={x(solved.length)} y1={BASE} y2={BASE} />
      {limit > 0 && (
        <>
          <line className="limit" x1={x(0)} x2={x(solved.length)} y1={line} y2={line} />
          <text className="bad-text" x={x(solved.length) + 6} y={line + 4}>
            limit R{show(limit)}
          </text>
        </>
      )}
    </g>
  );
}
