import { Dropdown } from 'react-bootstrap';
import { tell } from '../job/tell';
import { units } from '../job/units';
import { useJob } from '../job/useJob';

const CHOICES = [
  { name: 'Millimetres', show_units: 'mm', show_fraction: null },
  { name: 'Inches, decimal', show_units: 'in', show_fraction: null },
  { name: 'Inches, to 1/16', show_units: 'in', show_fraction: 16 },
  { name: 'Inches, to 1/32', show_units: 'in', show_fraction: 32 },
  { name: 'Inches, to 1/64', show_units: 'in', show_fraction: 64 },
] as const;

/** The units in which the job shows lengths; fields accept either. */
export function UnitsMenu() {
  const { edit } = useJob();
  const { word, fraction } = units();
  return (
    <Dropdown align="end">
      <Dropdown.Toggle
        as="button"
        bsPrefix="top-button"
        className="mono"
        aria-label={`Units: ${word}`}
        title="Units of this job"
      >
        {word === 'mm' ? 'mm' : fraction === null ? 'in' : `in 1/${fraction}`}
      </Dropdown.Toggle>
      <Dropdown.Menu>
        {CHOICES.map(({ name, show_units, show_fraction }) => (
          <Dropdown.Item
            key={name}
            active={word === show_units && fraction === show_fraction}
            onClick={() => tell(edit([], { show_units, show_fraction }, `Show ${name.toLowerCase()}`))}
          >
            {name}
          </Dropdown.Item>
        ))}
      </Dropdown.Menu>
    </Dropdown>
  );
}
