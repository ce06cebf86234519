import type { Cap, Collar, Reducer } from '../api/types';
import { NumberField } from '../job/NumberField';
import { tell } from '../job/tell';
import { Row } from '../ui/Section';

interface Props {
  title: string;
  finish: Cap | Collar | Reducer;
  onChange: (finish: Cap | Collar | Reducer) => Promise<void>;
}

const MEASURES: Record<string, readonly (readonly [string, string, string?])[]> = {
  flat: [['thickness', 'Thickness']],
  domed: [
    ['crown', 'Crown, R', 'half round'],
    ['knuckle', 'Knuckle, R', 'a tenth'],
  ],
  stepped: [
    ['diameter', 'Diameter'],
    ['thickness', 'Thickness'],
    ['depth', 'In the bore'],
  ],
  collar: [
    ['od', 'Outside'],
    ['width', 'Width'],
    ['from_end', 'From the end', '0'],
  ],
  reducer: [
    ['od', 'Outside, at its end'],
    ['wall', 'Wall, at its end', 'as the run'],
    ['length', 'Length'],
  ],
};

/** The measures of a cap, a collar or a reducer. */
export function CapFields({ title, finish, onChange }: Props) {
  const numbers = finish as unknown as Record<string, number | string | undefined>;
  return (
    <>
      {MEASURES[finish.type === 'cap' ? finish.shape : finish.type]?.map(([key, label, placeholder]) => (
        <Row key={key} label={label}>
          <NumberField
            label={`${title}: ${label.toLowerCase()}`}
            value={numbers[key]}
            placeholder={placeholder}
            disabled={key === 'knuckle' && numbers.crown === undefined}
            onChange={(value) => onChange({ ...finish, [key]: value } as Cap | Collar | Reducer)}
          />
        </Row>
      ))}
      {finish.type === 'reducer' && (
        <label className="row-field">
          <span>Flat on its bottom</span>
          <input
            type="checkbox"
            className="form-check-input"
            aria-label={`${title}: eccentric reducer`}
            checked={finish.eccentric === true}
            onChange={(event) => tell(onChange({ ...finish, eccentric: event.target.checked ? true : undefined }))}
          />
        </label>
      )}
    </>
  );
}
