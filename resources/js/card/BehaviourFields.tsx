import type { Route, Run, SolvedRun } from '../api/types';
import { length } from '../job/format';
import { tell } from '../job/tell';
import { useJob } from '../job/useJob';
import { Row, Section } from '../ui/Section';
import { DrapeFields } from './behaviour/DrapeFields';
import { FlowFields } from './behaviour/FlowFields';
import { HangFields } from './behaviour/HangFields';
import { SpringFields } from './behaviour/SpringFields';
import { ThroughFields } from './behaviour/ThroughFields';
import { WrapFields } from './behaviour/WrapFields';

const KINDS: Record<Kind, string> = {
  corners: 'rigid, with bends at its corners',
  flow: 'smooth, through points',
  hang: 'hangs freely',
  drape: 'lies over what it meets',
  spring: 'springs between its ends',
  wrap: 'winds round another run',
};

type Kind = Route['kind'];

interface Props {
  run: Run;
  solved: SolvedRun;
  onChange: (changed: Partial<Run>) => Promise<void>;
}

/** The kind of route of a run and its numbers: changing the kind keeps ends, stock and length. */
export function BehaviourFields({ run, solved, onChange }: Props) {
  const { items, lay } = useJob();
  const hosts = items('runs').filter(({ id, route }) => id !== run.id && route.kind !== 'wrap');
  const { route } = run;
  const change = (changed: Partial<Route>) => onChange({ route: { ...route, ...changed } });
  const props = { run, route, solved, onChange: change };
  const become = (kind: Kind) => lay(run.id, { do: 'become', kind, host: hosts[0]?.id });
  return (
    <Section title="Behaves">
      <select
        className="form-select form-select-sm mb-1"
        aria-label="Behaves"
        value={route.kind}
        onChange={(event) => tell(become(event.target.value as Kind))}
      >
        {(Object.keys(KINDS) as Kind[])
          .filter((kind) => kind !== 'wrap' || hosts.length > 0 || route.kind === 'wrap')
          .map((kind) => (
            <option key={kind} value={kind}>
              {KINDS[kind]}
            </option>
          ))}
      </select>
      {route.kind === 'hang' && <HangFields {...props} />}
      {route.kind === 'drape' && <DrapeFields {...props} />}
      {route.kind === 'spring' && <SpringFields {...props} />}
      {route.kind === 'flow' && <FlowFields {...props} />}
      {route.kind === 'wrap' && <WrapFields {...props} hosts={hosts} onEnds={onChange} />}
      {route.kind !== 'corners' && route.kind !== 'wrap' && route.kept === undefined && <ThroughFields {...props} />}
      {route.kind !== 'corners' && solved.unsolved !== true && (
        <Row label="Tightest radius">
          <span className="figure">{solved.min_radius === null ? 'straight' : `R ${length(solved.min_radius)}`}</span>
        </Row>
      )}
    </Section>
  );
}
