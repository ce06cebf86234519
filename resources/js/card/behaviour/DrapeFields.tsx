import type { Route } from '../../api/types';
import { tell } from '../../job/tell';
import { useJob } from '../../job/useJob';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Row } from '../../ui/Section';
import { GivenLengthFields } from './GivenLengthFields';
import type { BehaviourProps } from './props';

const HELD = { pinned: 'pinned', clamped: 'clamped on its axis', free: 'free' } as const;

/** The fields of a draped run: its length, its ends, its nudges, and whether its shape is kept. */
export function DrapeFields(props: BehaviourProps) {
  const { run, route, onChange } = props;
  const { lay } = useJob();
  const kept = route.kept !== undefined;
  const nudges = route.nudges?.length ?? 0;
  return (
    <>
      {!kept && <GivenLengthFields {...props} />}
      {!kept && (
        <>
          <HeldField
            label="Start is"
            value={route.start_held}
            choices={['pinned', 'clamped']}
            onChange={(start_held) => onChange({ start_held: start_held as Route['start_held'] })}
          />
          <HeldField
            label="End is"
            value={route.end_held}
            choices={['pinned', 'clamped', 'free']}
            onChange={(end_held) => onChange({ end_held: end_held as Route['end_held'] })}
          />
        </>
      )}
      <Row label={kept ? 'Kept as it lies' : 'Lies as it falls'}>
        <Button onClick={() => tell(lay(run.id, { do: 'keep-shape', keep: !kept }))}>
          {kept ? 'Let it go' : 'Keep this shape'}
        </Button>
      </Row>
      {!kept && nudges > 0 && (
        <Row label={nudges === 1 ? 'Nudged once' : `Nudged ${nudges} times`}>
          <Button onClick={() => tell(lay(run.id, { do: 'set-route', route: { nudges: null } }))}>
            Back as it falls
          </Button>
        </Row>
      )}
      {!kept && nudges === 0 && <p className="quiet mb-0">Drag one of its points in the view to nudge it.</p>}
    </>
  );
}

interface HeldProps {
  label: string;
  value: keyof typeof HELD | undefined;
  choices: readonly (keyof typeof HELD)[];
  onChange: (held: string | undefined) => Promise<void>;
}

function HeldField({ label, value, choices, onChange }: HeldProps) {
  return (
    <Row label={label}>
      <Choice
        label={label}
        value={value ?? 'pinned'}
        of={choices.map((choice) => [choice, HELD[choice]])}
        onChange={(held) => tell(onChange(held === 'pinned' ? undefined : held))}
      />
    </Row>
  );
}
