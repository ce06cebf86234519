import { tell } from '../job/tell';
import { useJob } from '../job/useJob';
import { Row } from '../ui/Section';

/** What a fitting or a clamp is mounted on and moves with. */
export function MountField({
  on,
  onChange,
}: {
  on: string | undefined;
  onChange: (on: string | undefined) => Promise<void>;
}) {
  const { items } = useJob();
  return (
    <Row label="Mounted on" wide>
      <select
        className="form-select form-select-sm"
        aria-label="Mounted on"
        value={on ?? ''}
        onChange={(event) => tell(onChange(event.target.value === '' ? undefined : event.target.value))}
      >
        <option value="">nothing, it stands by itself</option>
        {items('surroundings').map((one) => (
          <option key={one.id} value={one.id}>
            {one.name ?? one.id}
          </option>
        ))}
      </select>
    </Row>
  );
}
