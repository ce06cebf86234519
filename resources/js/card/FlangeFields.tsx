import type { Flange } from '../api/types';
import { NumberField } from '../job/NumberField';
import { Row } from '../ui/Section';

interface Props {
  title: string;
  flange: Flange;
  onChange: (flange: Flange) => Promise<void>;
  onCount: (count: number | string) => Promise<void>;
}

/** The plate of a flange, its bore and its bolt holes. */
export function FlangeFields({ title, flange, onChange, onCount }: Props) {
  const holes = flange.holes ?? { count: 0 };
  const own = [
    { key: 'od', label: 'Outside diameter' },
    { key: 'thickness', label: 'Thickness' },
    { key: 'bore', label: 'Bore' },
  ] as const;
  const drilled = [
    { key: 'circle', label: 'Bolt circle' },
    { key: 'diameter', label: 'Bolt holes, ø' },
  ] as const;
  return (
    <>
      {own.map(({ key, label }) => (
        <Row key={key} label={label}>
          <NumberField
            label={`${title}, flange: ${label.toLowerCase()}`}
            value={flange[key]}
            onChange={(value) => onChange({ ...flange, [key]: value })}
          />
        </Row>
      ))}
      <Row label="Number of holes">
        <NumberField label={`${title}, flange: number of holes`} unit="" plain value={holes.count} onChange={onCount} />
      </Row>
      {holes.count !== 0 &&
        drilled.map(({ key, label }) => (
          <Row key={key} label={label}>
            <NumberField
              label={`${title}, flange: ${label.toLowerCase()}`}
              value={holes[key]}
              onChange={(value) => onChange({ ...flange, holes: { ...holes, [key]: value } })}
            />
          </Row>
        ))}
    </>
  );
}
