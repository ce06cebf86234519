import type { Body } from '../api/types';
import { NumberField } from '../job/NumberField';
import { useJob } from '../job/useJob';
import { VectorField } from '../job/VectorField';
import { Row, Section } from '../ui/Section';
import { OutlineTable } from './OutlineFields';

type Shaped = Pick<Body, 'shape' | 'size' | 'diameter' | 'height' | 'outline' | 'thickness'>;

const PLAIN = { size: undefined, diameter: undefined, height: undefined, outline: undefined, thickness: undefined };

/** The shape of a body, a box, a cylinder or a plate, and its size. */
export function ShapeFields({
  title,
  shape,
  onChange,
}: {
  title: string;
  shape: Shaped;
  onChange: (shape: Shaped) => Promise<void>;
}) {
  const { defaults } = useJob().state;
  const become = (kind: string) =>
    onChange(
      kind === 'box'
        ? { ...PLAIN, shape: 'box', size: shape.size ?? defaults.box }
        : kind === 'plate'
          ? { ...PLAIN, shape: 'plate', ...defaults.plate }
          : { ...PLAIN, shape: 'cylinder', ...defaults.cylinder },
    );
  return (
    <Section title={title}>
      <Row label="Shape">
        <select
          className="form-select form-select-sm"
          aria-label="Shape"
          value={shape.shape}
          onChange={(event) => void become(event.target.value)}
        >
          <option value="box">Box</option>
          <option value="cylinder">Cylinder</option>
          <option value="plate">Plate</option>
        </select>
      </Row>
      {shape.shape === 'box' ? (
        <VectorField label="Size" value={shape.size ?? [0, 0, 0]} onChange={(size) => onChange({ ...shape, size })} />
      ) : shape.shape === 'plate' ? (
        <>
          <Row label="Thickness">
            <NumberField
              label="Thickness"
              value={shape.thickness}
              onChange={(thickness) => onChange({ ...shape, thickness })}
            />
          </Row>
          <OutlineTable
            name="Outline of the plate"
            onDelete={undefined}
            outline={shape.outline ?? []}
            onChange={(outline) => onChange({ ...shape, outline })}
          />
        </>
      ) : (
        <>
          <Row label="Diameter">
            <NumberField
              label="Diameter"
              value={shape.diameter}
              onChange={(diameter) => onChange({ ...shape, diameter })}
            />
          </Row>
          <Row label="Height">
            <NumberField label="Height" value={shape.height} onChange={(height) => onChange({ ...shape, height })} />
          </Row>
        </>
      )}
    </Section>
  );
}
