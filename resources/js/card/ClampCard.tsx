import type { Clamp } from '../api/types';
import { NumberField } from '../ui/NumberField';
import { VectorField } from '../ui/VectorField';
import { useJob } from '../workbench/useJob';
import { AxisField } from './AxisField';
import { CardHead } from './CardHead';
import { Row, Section } from './Section';

/** A clamp: where it is and what it takes. */
export function ClampCard({ id }: { id: string }) {
  const { item, put } = useJob();
  const clamp = item('clamps', id);
  if (clamp === undefined) {
    return null;
  }
  const change = (changed: Partial<Clamp>) => put('clamps', { ...clamp, ...changed });
  return (
    <>
      <CardHead list="clamps" item={clamp} under="clamp" />
      <Section title="Place">
        <VectorField label="At" value={clamp.at} onChange={(at) => change({ at })} />
        <AxisField label="Axis" axis={clamp.axis} onChange={(axis) => change({ axis })} />
      </Section>
      <Section title="Size">
        <Row label="Bore">
          <NumberField label="Bore" value={clamp.bore} onChange={(bore) => change({ bore })} />
        </Row>
        <Row label="Width">
          <NumberField label="Width" value={clamp.width} onChange={(width) => change({ width })} />
        </Row>
      </Section>
    </>
  );
}
