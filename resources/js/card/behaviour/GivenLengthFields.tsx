import { NumberField } from '../../job/NumberField';
import { tell } from '../../job/tell';
import { Row } from '../../ui/Section';
import { type BehaviourProps, tidy } from './props';

/** How long it is: told by its length, or by its slack over the straight between its ends. */
export function GivenLengthFields({ route, solved, onChange }: BehaviourProps) {
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
                  : { slack: undefined, length: tidy(solved.length) },
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
            onChange={(slack) => onChange({ slack: typeof slack === 'number' ? slack / 100 : `(${slack}) / 100` })}
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
