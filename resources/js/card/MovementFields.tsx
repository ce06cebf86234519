import type { Fitting, Movement, Pose } from '../api/types';
import { NumberField } from '../job/NumberField';
import { tell } from '../job/tell';
import { useJob } from '../job/useJob';
import { VectorField } from '../job/VectorField';
import { Choice } from '../ui/Choice';
import { Row, Section } from '../ui/Section';
import { AxisField } from './AxisField';

interface Props {
  fitting: Fitting;
  onChange: (changed: Partial<Fitting>) => Promise<void>;
}

/** Whether a fitting moves, and how. */
export function MovementFields({ fitting, onChange }: Props) {
  const { state } = useJob();
  const { moves, pose } = fitting;
  const kind = moves?.swing !== undefined ? 'swings' : moves?.to !== undefined ? 'goes' : 'stands';
  const change = (changed: Movement | undefined) => onChange({ moves: changed });
  const begin = (chosen: string) =>
    change(
      chosen === 'swings'
        ? state.defaults.swinging
        : chosen === 'goes'
          ? { to: { at: pose?.at ?? [0, 0, 0], ...(pose?.turn === undefined ? {} : { turn: pose.turn }) } }
          : undefined,
    );
  return (
    <Section title="Movement">
      <Row label="Moves" wide>
        <Choice
          label="How it moves"
          value={kind}
          of={[
            ['stands', 'not: it stands still'],
            ['swings', 'swings about an axis'],
            ['goes', 'goes to a second place'],
          ]}
          onChange={(chosen) => tell(begin(chosen))}
        />
      </Row>
      {moves?.swing !== undefined && <SwingFields swing={moves.swing} onChange={(swing) => change({ swing })} />}
      {moves?.to !== undefined && <SecondPlace to={moves.to} onChange={(to) => change({ to })} />}
    </Section>
  );
}

type Swing = NonNullable<Movement['swing']>;

function SwingFields({ swing, onChange }: { swing: Swing; onChange: (swing: Swing) => Promise<void> }) {
  return (
    <>
      <AxisField label="About" of="Swing" axis={swing.axis} onChange={(axis) => onChange({ ...swing, axis })} />
      <VectorField
        label="Through"
        of="Swing axis, in its own frame"
        value={swing.at}
        onChange={(at) => onChange({ ...swing, at })}
      />
      {(
        [
          ['From', 'from'],
          ['To', 'to'],
        ] as const
      ).map(([label, key]) => (
        <Row key={key} label={label}>
          <NumberField
            label={`Swings ${label.toLowerCase()}`}
            unit="°"
            plain
            value={swing[key]}
            onChange={(value) => onChange({ ...swing, [key]: value })}
          />
        </Row>
      ))}
      <p className="quiet mb-0">At 0° it stands as placed.</p>
    </>
  );
}

function SecondPlace({ to, onChange }: { to: Pose; onChange: (to: Pose) => Promise<void> }) {
  return (
    <>
      <VectorField label="To" of="Second place" value={to.at ?? [0, 0, 0]} onChange={(at) => onChange({ ...to, at })} />
      <AxisField
        label="Turned about"
        of="Second place"
        axis={to.turn?.about ?? '+z'}
        onChange={(about) => onChange({ ...to, turn: { about, by: to.turn?.by ?? 0 } })}
      />
      <Row label="by">
        <NumberField
          label="Second place, turned by"
          unit="°"
          plain
          value={to.turn?.by ?? 0}
          onChange={(by) => onChange({ ...to, turn: { about: to.turn?.about ?? '+z', by } })}
        />
      </Row>
    </>
  );
}
