import type { ReactNode } from 'react';
import type { Pose, Vector } from '../api/types';
import { NumberField } from '../job/NumberField';
import { VectorField } from '../job/VectorField';
import { Row, Section } from '../ui/Section';

const AXES: Record<string, Vector> = { x: [1, 0, 0], y: [0, 1, 0], z: [0, 0, 1] };

/** The place of a thing and its rotation. */
export function PoseFields({
  pose,
  onChange,
  children,
}: {
  pose: Pose | undefined;
  onChange: (pose: Pose) => Promise<void>;
  children?: ReactNode;
}) {
  const at = pose?.at ?? [0, 0, 0];
  const about = pose?.turn?.about ?? '+z';
  const axis =
    Object.keys(AXES).find((name) => about === `+${name}` || String(about) === String(AXES[name])) ?? 'other';
  return (
    <Section title="Place">
      <VectorField label="At" value={at} onChange={(next) => onChange({ ...pose, at: next })} />
      <Row label="Turned about">
        <select
          className="form-select form-select-sm"
          aria-label="Turned about"
          value={axis}
          onChange={(event) =>
            void onChange({ ...pose, at, turn: { about: AXES[event.target.value] ?? about, by: pose?.turn?.by ?? 0 } })
          }
        >
          {Object.keys(AXES).map((name) => (
            <option key={name}>{name}</option>
          ))}
          {axis === 'other' && <option value="other">{String(about)}</option>}
        </select>
      </Row>
      <Row label="by">
        <NumberField
          label="Turned by"
          unit="°"
          plain
          value={pose?.turn?.by ?? 0}
          onChange={(by) => onChange({ ...pose, at, turn: { about, by } })}
        />
      </Row>
      {children}
    </Section>
  );
}
