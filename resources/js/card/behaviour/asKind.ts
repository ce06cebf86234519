import type { Curve, Route, Run, SolvedRun, Vector } from '../../api/types';
import { tidy } from './props';

export type Kind = Route['kind'];

/** The run behaving in another way, with its ends, its stock and as near as may be its length and place. */
export function asKind(run: Run, solved: SolvedRun, kind: Kind, host: Run | undefined): Partial<Run> {
  if (kind === 'wrap') {
    return {
      from: undefined,
      to: undefined,
      fixed_length: undefined,
      route: { kind, host: host?.id ?? '', from_length: 0, to_length: 100, pitch: 40, gap: 0 },
    };
  }
  const first = solved.path[0]?.from ?? [0, 0, 0];
  const last = solved.path.at(-1)?.to ?? [100, 0, 0];
  const ends = {
    from: run.from ?? { at: first as Vector },
    to: run.to ?? { at: last as Vector },
    fixed_length: undefined,
  };
  const through = run.route.through === undefined ? {} : { through: run.route.through };
  switch (kind) {
    case 'hang':
    case 'drape':
    case 'spring':
      return { ...ends, route: { kind, length: tidy(solved.length), ...through } };
    case 'flow':
      return { ...ends, route: { kind, points: corners(solved) } };
    default:
      return { ...ends, fixed_length: run.fixed_length, route: { kind, stops: corners(solved).map((at) => ({ at })) } };
  }
}

/** Points that a run goes through: its corners, or some along its curve. */
function corners(solved: SolvedRun): Vector[] {
  const all = solved.vertices.slice(1, -1).map((vertex) => vertex as Vector);
  if (all.length > 0) {
    return all;
  }
  const curve = solved.path.find((segment): segment is Curve => segment.kind === 'curve');
  const count = curve?.points.length ?? 0;
  return [0.25, 0.5, 0.75].flatMap((part) => {
    const point = curve?.points[Math.round(part * (count - 1))];
    return point === undefined ? [] : [point.map(tidy) as Vector];
  });
}
