import { NumberField, PercentField } from '../../job/NumberField';
import { tell } from '../../job/tell';
import { useJob } from '../../job/useJob';
import { Row } from '../../ui/Section';
import type { BehaviourProps } from './props';

/** The length of a run: given as a length, or as slack over the straight between its ends. */
export function GivenLengthFields({ run, route, onChange }: BehaviourProps) {
  const { lay } = useJob();
  const bySlack = route.slack !== undefined;
  return (
    <>
      <Row label="Told by">
        <select
          className="form-select form-select-sm"
          aria-label="Told by"
          value={bySlack ? 'slack' : 'length'}
          onChange={(event) => tell(lay(run.id, { do: 'tell-by', by: event.target.value as 'length' | 'slack' }))}
        >
          <option value="length">its length</option>
          <option value="slack">its slack</option>
        </select>
      </Row>
      {bySlack ? (
        <Row label="Slack">
          <PercentField label="Slack" value={route.slack} onChange={(slack) => onChange({ slack })} />
        </Row>
      ) : (
        <Row label="Length">
          <NumberField label="Length of the run" value={route.length} onChange={(next) => onChange({ length: next })} />
        </Row>
      )}
    </>
  );
}
