import type { BranchPlace, Run, RunEnd } from '../api/types';
import { NumberField } from '../job/NumberField';
import { useWorkbench } from '../job/store';
import { tell } from '../job/tell';
import { useJob } from '../job/useJob';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { Row } from '../ui/Section';
import { AxisField } from './AxisField';

interface Props {
  title: 'Start' | 'End';
  run: Run;
  end: RunEnd;
  on: BranchPlace;
  onChange: (end: RunEnd) => Promise<void>;
}

/** Where an end stands on another run, how it leaves that, and how it is let into it. */
export function BranchFields({ title, run, end, on, onChange }: Props) {
  const { item, lay } = useJob();
  const pick = useWorkbench((store) => store.pick);
  const name = item('runs', on.run)?.name ?? on.run;
  const tellWayOut = () =>
    lay(run.id, { do: 'stand-on', end: title === 'Start' ? 'from' : 'to', run: on.run, along: on.length });
  return (
    <>
      <Row label="Along it">
        <NumberField
          label={`${title}: along ${name}`}
          value={on.length}
          onChange={(length) => onChange({ ...end, on: { ...on, length: length ?? 0 } })}
        />
      </Row>
      {end.axis === undefined ? (
        <Row label="Way out" wide>
          <Button title="Square to it, upwards; to be told another way" onClick={() => tell(tellWayOut())}>
            Upwards, as not told
          </Button>
        </Row>
      ) : (
        <AxisField label="Way out" of={title} axis={end.axis} onChange={(axis) => onChange({ ...end, axis })} />
      )}
      <Row label="Let in" wide>
        <Choice
          label={`${title}: let in`}
          value={on.kind ?? 'set-on'}
          of={[
            ['set-on', 'set on, to the outside'],
            ['set-in', 'set in, to the bore'],
            ['tee', 'by a bought tee'],
          ]}
          onChange={(kind) => tell(onChange({ ...end, on: { ...on, kind: kind as BranchPlace['kind'] } }))}
        />
      </Row>
      <Button onClick={() => pick('runs', on.run)}>Show {name}</Button>
    </>
  );
}
