import type { FinishEnd, Run, RunEnd, SolvedRun } from '../api/types';
import { isFlange } from '../job/flanges';
import { NumberField } from '../job/NumberField';
import type { FreePort } from '../job/newItems';
import { tell } from '../job/tell';
import { useJob } from '../job/useJob';
import { VectorField } from '../job/VectorField';
import { Row, Section } from '../ui/Section';
import { BranchFields } from './BranchFields';
import { CapFields } from './CapFields';
import { FlangeFields } from './FlangeFields';

interface Props {
  run: Run;
  solved: SolvedRun;
  ports: readonly FreePort[];
  onChange: (which: 'from' | 'to', end: RunEnd) => Promise<void>;
}

/** Both ends of a run: port, lead, trim and finish. */
export function EndFields({ run, solved, ports, onChange }: Props) {
  return (
    <>
      {run.from !== undefined && (
        <OneEnd
          title="Start"
          run={run}
          solved={solved}
          end={run.from}
          ports={ports}
          onChange={(end) => onChange('from', end)}
        />
      )}
      {run.to !== undefined && (
        <OneEnd
          title="End"
          run={run}
          solved={solved}
          end={run.to}
          ports={ports}
          onChange={(end) => onChange('to', end)}
        />
      )}
    </>
  );
}

interface OneProps {
  title: 'Start' | 'End';
  run: Run;
  solved: SolvedRun;
  end: RunEnd;
  ports: readonly FreePort[];
  onChange: (end: RunEnd) => Promise<void>;
}

function OneEnd({ title, run, solved, end, ports, onChange }: OneProps) {
  const { lay, items } = useJob();
  const finish = end.end ?? { type: 'open' };
  const which = title === 'Start' ? 'from' : 'to';
  const hosts = items('runs').filter(({ id, route }) => id !== run.id && route.kind === 'corners');
  const become = (type: string) => lay(run.id, { do: 'finish-end', end: which, type: type as FinishEnd['type'] });

  return (
    <Section title={title}>
      {end.port === undefined && end.on === undefined ? (
        <VectorField label="At" of={title} value={end.at ?? [0, 0, 0]} onChange={(at) => onChange({ ...end, at })} />
      ) : null}
      <Row label="Port or run" wide>
        <select
          className="form-select form-select-sm"
          aria-label={`${title}: port`}
          value={end.on === undefined ? (end.port ?? '') : `on ${end.on.run}`}
          onChange={(event) => {
            const { at: _at, axis: _axis, on: _on, ...rest } = end;
            const host = hosts.find(({ id }) => event.target.value === `on ${id}`);
            tell(
              host === undefined
                ? onChange({ ...rest, port: event.target.value })
                : lay(run.id, { do: 'stand-on', end: which, run: host.id }),
            );
          }}
        >
          {end.port === undefined && end.on === undefined && <option value="">none, in the open</option>}
          {ports.map((port) => (
            <option key={port.name} value={port.name}>
              {port.label}
            </option>
          ))}
          {hosts.map((host) => (
            <option key={host.id} value={`on ${host.id}`}>
              on {host.name ?? host.id}
            </option>
          ))}
        </select>
      </Row>
      {end.on !== undefined && <BranchFields title={title} run={run} end={end} on={end.on} onChange={onChange} />}
      <Row label="Lead">
        <NumberField
          label={`${title}: lead`}
          value={end.lead}
          placeholder="none"
          disabled={end.port === undefined && end.on === undefined && end.axis === undefined}
          onChange={(lead) => onChange({ ...end, lead })}
        />
      </Row>
      <Row label="Trim">
        <NumberField label={`${title}: trim`} value={end.trim ?? 0} onChange={(trim) => onChange({ ...end, trim })} />
      </Row>
      <Row label="Finish">
        <select
          className="form-select form-select-sm"
          aria-label={`${title}: finish`}
          value={finish.type === 'cap' ? `${finish.shape}-cap` : finish.type}
          onChange={(event) => tell(become(event.target.value))}
        >
          <option value="open">open</option>
          <option value="flange">flange</option>
          <option value="closed">flat plug</option>
          <option value="flat-cap">flat cap</option>
          <option value="domed-cap">domed cap</option>
          <option value="stepped-cap">stepped cap</option>
          <option value="reducer">reducer</option>
          <option value="collar">collar</option>
        </select>
      </Row>
      {(finish.type === 'cap' || finish.type === 'collar' || finish.type === 'reducer') && (
        <CapFields title={title} finish={finish} onChange={(changed) => onChange({ ...end, end: changed })} />
      )}
      {isFlange(finish) && (
        <FlangeFields
          title={title}
          run={run}
          place={{ end: which }}
          flange={finish}
          solved={solved.ends[which === 'from' ? 0 : 1]}
          onChange={(flange) => onChange({ ...end, end: flange ?? undefined })}
        />
      )}
    </Section>
  );
}
