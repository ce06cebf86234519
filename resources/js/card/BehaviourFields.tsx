import { Dices } from 'lucide-react';
import type { Curve, Route, Run, SolvedRun, Vector } from '../api/types';
import { length, lengthWithUnit, show } from '../ui/format';
import { IconButton } from '../ui/IconButton';
import { NumberField } from '../ui/NumberField';
import { VectorField } from '../ui/VectorField';
import { tell } from '../workbench/tell';
import { useJob } from '../workbench/useJob';
import { RouteSlider } from './RouteSlider';
import { Row, Section } from './Section';

type Kind = Route['kind'];

const KINDS: Record<Kind, string> = {
  corners: 'rigid, with bends at its corners',
  flow: 'smooth, through points',
  hang: 'hangs freely',
  drape: 'lies over what it meets',
  spring: 'springs between its ends',
  wrap: 'winds round another run',
};

interface Props {
  run: Run;
  solved: SolvedRun;
  onChange: (changed: Partial<Run>) => Promise<void>;
}

/** How a run behaves, and the numbers of that: changing it keeps ends, stock and length. */
export function BehaviourFields({ run, solved, onChange }: Props) {
  const { items } = useJob();
  const hosts = items('runs').filter(({ id, route }) => id !== run.id && route.kind !== 'wrap');
  const { route } = run;
  const change = (changed: Partial<Route>) => onChange({ route: { ...route, ...changed } });
  return (
    <Section title="Behaves">
      <select
        className="form-select form-select-sm mb-1"
        aria-label="Behaves"
        value={route.kind}
        onChange={(event) => tell(onChange(asKind(run, solved, event.target.value as Kind, hosts[0])))}
      >
        {(Object.keys(KINDS) as Kind[])
          .filter((kind) => kind !== 'wrap' || hosts.length > 0 || route.kind === 'wrap')
          .map((kind) => (
            <option key={kind} value={kind}>
              {KINDS[kind]}
            </option>
          ))}
      </select>
      {route.kind === 'hang' && <HangFields run={run.id} route={route} solved={solved} onChange={change} />}
      {route.kind === 'drape' && <DrapeFields run={run.id} route={route} solved={solved} onChange={change} />}
      {route.kind === 'spring' && <SpringFields run={run.id} route={route} solved={solved} onChange={change} />}
      {route.kind === 'flow' && <FlowFields route={route} onChange={change} />}
      {route.kind === 'wrap' && <WrapFields route={route} hosts={hosts} onChange={change} />}
      {route.kind !== 'corners' && (
        <Row label="Tightest radius">
          <span className="figure">{solved.min_radius === null ? 'straight' : `R ${length(solved.min_radius)}`}</span>
        </Row>
      )}
    </Section>
  );
}

interface RouteProps {
  run: string;
  route: Route;
  solved: SolvedRun;
  onChange: (changed: Partial<Route>) => Promise<void>;
}

const bySlackOf = (slack: number) => ({ slack: slack / 100 });
const byLengthOf = (amount: number) => ({ length: Math.round(amount * 10) / 10 });

/** How far apart the ends of a curve are. */
const spanOf = (solved: SolvedRun) => {
  const [from, to] = [solved.path[0]?.from ?? [0, 0, 0], solved.path.at(-1)?.to ?? [0, 0, 0]];
  return Math.hypot(...to.map((part, axis) => part - (from[axis] ?? 0)));
};

/** How long it is: told by its length, or by its slack over the straight between its ends. */
function GivenLength({ route, solved, onChange }: Omit<RouteProps, 'run'>) {
  const bySlack = route.slack !== undefined;
  return (
    <>
      <Row label="Told by">
        <select
          className="form-select form-select-sm"
          aria-label="Told by"
          value={bySlack ? 'slack' : 'length'}
          onChange={(event) =>
            tell(
              onChange(
                event.target.value === 'slack'
                  ? { length: undefined, slack: 0.08 }
                  : { slack: undefined, length: Math.round(solved.length * 10) / 10 },
              ),
            )
          }
        >
          <option value="length">its length</option>
          <option value="slack">its slack</option>
        </select>
      </Row>
      {bySlack ? (
        <Row label="Slack">
          <NumberField
            label="Slack"
            plain
            unit="%"
            value={typeof route.slack === 'number' ? Math.round(route.slack * 1e6) / 1e4 : route.slack}
            onChange={(slack) => onChange({ slack: typeof slack === 'number' ? slack / 100 : slack })}
          />
        </Row>
      ) : (
        <Row label="Length">
          <NumberField label="Length of the run" value={route.length} onChange={(next) => onChange({ length: next })} />
        </Row>
      )}
    </>
  );
}

function DrapeFields({ run, route, solved, onChange }: RouteProps) {
  const { lay } = useJob();
  const kept = route.kept !== undefined;
  return (
    <>
      {!kept && <GivenLength route={route} solved={solved} onChange={onChange} />}
      <Row label={kept ? 'Kept as it lies' : 'Lies as it falls'}>
        <button
          type="button"
          className="btn btn-outline-primary btn-sm"
          onClick={() => tell(lay(run, { do: 'keep-shape', keep: !kept }))}
        >
          {kept ? 'Let it go' : 'Keep this shape'}
        </button>
      </Row>
    </>
  );
}

function HangFields({ run, route, solved, onChange }: RouteProps) {
  const span = spanOf(solved);
  const facts = solved.shape?.kind === 'hang' ? solved.shape : null;
  const bySlack = route.slack !== undefined;
  return (
    <>
      <GivenLength route={route} solved={solved} onChange={onChange} />
      <RouteSlider
        run={run}
        label={bySlack ? 'Slack by hand' : 'Length by hand'}
        value={bySlack ? (solved.length / span - 1) * 100 : solved.length}
        least={bySlack ? 0.5 : span * 1.005}
        most={bySlack ? 100 : span * 2}
        step={bySlack ? 0.5 : span / 400}
        route={bySlack ? bySlackOf : byLengthOf}
      />
      {facts !== null && (
        <>
          <Row label="Sag">
            <span className="figure">{lengthWithUnit(facts.sag)}</span>
          </Row>
          <Row label="Leaves the ends at">
            <span className="figure">{facts.angles.map((angle) => `${show(angle)}°`).join(', ')} down</span>
          </Row>
          <Row label="Pull at the ends">
            <span className="figure">{facts.pull.map((pull) => show(pull, 2)).join(', ')} N</span>
          </Row>
        </>
      )}
    </>
  );
}

function SpringFields({ run, route, solved, onChange }: RouteProps) {
  const span = spanOf(solved);
  const facts = solved.shape?.kind === 'spring' ? solved.shape : null;
  const shapes = facts?.shapes ?? [];
  const shape = Number(route.shape ?? 0);
  return (
    <>
      <Row label="Length, sockets with it">
        <NumberField label="Length of the run" value={route.length} onChange={(next) => onChange({ length: next })} />
      </Row>
      <RouteSlider
        run={run}
        label="Length by hand"
        value={solved.length}
        least={span * 1.01}
        most={span * 2.5}
        step={span / 400}
        route={byLengthOf}
      />
      {facts !== null && (
        <Row label="Keeps its radius">
          <span className="figure">
            {facts.shortest === null
              ? 'at no length'
              : facts.longest === null
                ? `from ${lengthWithUnit(facts.shortest, 0)}`
                : `${length(facts.shortest, 0)} to ${lengthWithUnit(facts.longest, 0)}`}
          </span>
        </Row>
      )}
      {shapes.length > 1 && (
        <Row label={`Shape ${shape + 1} of ${shapes.length}`}>
          <IconButton
            icon={Dices}
            name="The next shape it may rest in"
            onClick={() => tell(onChange({ shape: (shape + 1) % shapes.length }))}
          />
        </Row>
      )}
    </>
  );
}

function FlowFields({ route, onChange }: Omit<RouteProps, 'solved' | 'run'>) {
  const points = route.points ?? [];
  return (
    <>
      {points.map((point, index) => (
        <VectorField
          // biome-ignore lint/suspicious/noArrayIndexKey: a point is its number
          key={index}
          label={`Point ${index + 1}`}
          value={point}
          onChange={(next) => onChange({ points: points.map((one, i) => (i === index ? next : one)) })}
        />
      ))}
      <div className="d-flex gap-2 mt-1">
        <button
          type="button"
          className="btn btn-outline-primary btn-sm"
          onClick={() => tell(onChange({ points: [...points, points.at(-1) ?? [0, 0, 0]] }))}
        >
          Add a point
        </button>
        <button
          type="button"
          className="btn btn-outline-primary btn-sm"
          disabled={points.length === 0}
          onClick={() => tell(onChange({ points: points.slice(0, -1) }))}
        >
          Take the last one out
        </button>
      </div>
    </>
  );
}

function WrapFields({ route, hosts, onChange }: Omit<RouteProps, 'solved' | 'run'> & { hosts: readonly Run[] }) {
  return (
    <>
      <Row label="Round" wide>
        <select
          className="form-select form-select-sm"
          aria-label="Round"
          value={route.host}
          onChange={(event) => tell(onChange({ host: event.target.value }))}
        >
          {hosts.map((host) => (
            <option key={host.id} value={host.id}>
              {host.name ?? host.id}
            </option>
          ))}
        </select>
      </Row>
      {(
        [
          ['From', 'from_length'],
          ['To', 'to_length'],
          ['Pitch', 'pitch'],
          ['Gap', 'gap'],
        ] as const
      ).map(([label, key]) => (
        <Row key={key} label={label}>
          <NumberField label={label} value={route[key] ?? 0} onChange={(value) => onChange({ [key]: value })} />
        </Row>
      ))}
      <Row label="Starts at">
        <NumberField
          label="Start angle"
          unit="°"
          plain
          value={route.start_angle ?? 0}
          onChange={(start_angle) => onChange({ start_angle })}
        />
      </Row>
      <Row label="Hand">
        <select
          className="form-select form-select-sm"
          aria-label="Hand"
          value={route.hand ?? 'right'}
          onChange={(event) => tell(onChange({ hand: event.target.value as 'right' | 'left' }))}
        >
          <option value="right">right</option>
          <option value="left">left</option>
        </select>
      </Row>
    </>
  );
}

/** The run behaving in another way, with its ends, its stock and as near as may be its length and place. */
function asKind(run: Run, solved: SolvedRun, kind: Kind, host: Run | undefined): Partial<Run> {
  const tidy = Math.round(solved.length * 10) / 10;
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
  switch (kind) {
    case 'hang':
    case 'drape':
    case 'spring':
      return { ...ends, route: { kind, length: tidy } };
    case 'flow':
      return { ...ends, route: { kind, points: through(solved) } };
    default:
      return { ...ends, fixed_length: run.fixed_length, route: { kind, stops: through(solved).map((at) => ({ at })) } };
  }
}

/** Points that a run goes through: its corners, or some along its curve. */
function through(solved: SolvedRun): Vector[] {
  const corners = solved.vertices.slice(1, -1).map((vertex) => vertex as Vector);
  if (corners.length > 0) {
    return corners;
  }
  const curve = solved.path.find((segment): segment is Curve => segment.kind === 'curve');
  const count = curve?.points.length ?? 0;
  return [0.25, 0.5, 0.75].flatMap((part) => {
    const point = curve?.points[Math.round(part * (count - 1))];
    return point === undefined ? [] : [point.map((one) => Math.round(one * 10) / 10) as Vector];
  });
}
