import type { Body } from '../api/types';
import { NumberField } from '../job/NumberField';
import { useJob } from '../job/useJob';
import { VectorField } from '../job/VectorField';
import { Row, Section } from '../ui/Section';

type Shaped = Pick<Body, 'shape' | 'size' | 'diameter' | 'height'>;

/** The shape of a body, a box or a cylinder, and its size. */
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
        ? { shape: 'box', size: shape.size ?? defaults.box, diameter: undefined, height: undefined }
        : { shape: 'cylinder', ...defaults.cylinder, size: undefined },
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
        </select>
      </Row>
      {shape.shape === 'box' ? (
        <VectorField label="Size" value={shape.size ?? [0, 0, 0]} onChange={(size) => onChange({ ...shape, size })} />
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
