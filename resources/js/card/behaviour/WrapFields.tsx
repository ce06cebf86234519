import { api } from '../../api/client';
import type { Run, RunEnd } from '../../api/types';
import { NumberField } from '../../job/NumberField';
import { allPorts } from '../../job/newItems';
import { tell } from '../../job/tell';
import { useJob } from '../../job/useJob';
import { Button } from '../../ui/Button';
import { Choice, named } from '../../ui/Choice';
import { Row } from '../../ui/Section';
import type { BehaviourProps } from './props';

interface Props extends BehaviourProps {
  hosts: readonly Run[];
  onEnds: (changed: Partial<Run>) => Promise<void>;
}

/** The fields of a run wound round another, or beside it: its range, its pitch, and the ports of its ends. */
export function WrapFields({ run, route, hosts, onChange, onEnds }: Props) {
  const { state, put, lay } = useJob();
  const byTurns = route.turns !== undefined;
  const strand = Number(route.strand ?? 0);
  const addStrand = async () => {
    const { item } = await api.newItem(state.id, { kind: 'strand', run: run.id });
    await put('runs', item as unknown as Run, 'Add a strand beside it');
  };
  return (
    <>
      <Row label="Round" wide>
        <Choice
          label="Round"
          value={route.host ?? ''}
          of={named(hosts)}
          onChange={(value) => tell(onChange({ host: value }))}
        />
      </Row>
      {(
        [
          ['From', 'from_length'],
          ['To', 'to_length'],
          ['Gap', 'gap'],
        ] as const
      ).map(([label, key]) => (
        <Row key={key} label={label}>
          <NumberField label={label} value={route[key] ?? 0} onChange={(value) => onChange({ [key]: value })} />
        </Row>
      ))}
      <Row label="Told by">
        <Choice
          label="Winding told by"
          value={byTurns ? (Number(route.turns) === 0 ? 'beside' : 'turns') : 'pitch'}
          of={[
            ['pitch', 'its pitch'],
            ['turns', 'its turns'],
            ['beside', 'no turn: beside it'],
          ]}
          onChange={(by) => tell(lay(run.id, { do: 'tell-by', by: by as 'pitch' | 'turns' | 'beside' }))}
        />
      </Row>
      {!byTurns && (
        <Row label="Pitch">
          <NumberField label="Pitch" value={route.pitch} onChange={(pitch) => onChange({ pitch })} />
        </Row>
      )}
      {byTurns && Number(route.turns) !== 0 && (
        <Row label="Turns">
          <NumberField label="Turns" unit="" plain value={route.turns} onChange={(turns) => onChange({ turns })} />
        </Row>
      )}
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
        <Choice
          label="Hand"
          value={route.hand ?? 'right'}
          of={[
            ['right', 'right'],
            ['left', 'left'],
          ]}
          onChange={(hand) => tell(onChange({ hand: hand as 'right' | 'left' }))}
        />
      </Row>
      {strand > 0 && (
        <>
          <Row label="Strands before it">
            <NumberField
              label="Strands before it"
              unit=""
              plain
              value={strand}
              onChange={(next) => onChange({ strand: next })}
            />
          </Row>
          <Row label="Apart">
            <NumberField label="Apart" value={route.apart ?? 0} onChange={(apart) => onChange({ apart })} />
          </Row>
        </>
      )}
      <LeadsTo label="Start leads to" end={run.from} onChange={(from) => onEnds({ from })} />
      <LeadsTo label="End leads to" end={run.to} onChange={(to) => onEnds({ to })} />
      <Button onClick={() => tell(addStrand())}>Add a strand beside it</Button>
    </>
  );
}

interface LeadsProps {
  label: string;
  end: RunEnd | undefined;
  onChange: (end: RunEnd | undefined) => Promise<void>;
}

/** The port that an end leads off to, or none. */
function LeadsTo({ label, end, onChange }: LeadsProps) {
  const { state, items } = useJob();
  return (
    <Row label={label} wide>
      <Choice
        label={label}
        value={end?.port ?? (end === undefined ? '' : 'point')}
        of={[
          ['', 'nothing, it ends there'],
          ...(end !== undefined && end.port === undefined ? [['point', 'a point'] as const] : []),
          ...allPorts(state.places, items('fittings')).map(({ name, label: words }) => [name, words] as const),
        ]}
        onChange={(port) => tell(onChange(port === '' ? undefined : { port }))}
      />
    </Row>
  );
}
