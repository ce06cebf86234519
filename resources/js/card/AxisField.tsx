import type { Vector } from '../api/types';
import { direction } from '../job/format';
import { VectorField } from '../job/VectorField';

const NAMED = ['+x', '-x', '+y', '-y', '+z', '-z'] as const;
const VECTORS: Record<string, Vector> = {
  '+x': [1, 0, 0],
  '-x': [-1, 0, 0],
  '+y': [0, 1, 0],
  '-y': [0, -1, 0],
  '+z': [0, 0, 1],
  '-z': [0, 0, -1],
};

const SKEWED: Record<(typeof NAMED)[number], Vector> = {
  '+x': [1, 0, 0.1],
  '-x': [-1, 0, 0.1],
  '+y': [0, 1, 0.1],
  '-y': [0, -1, 0.1],
  '+z': [0.1, 0, 1],
  '-z': [0.1, 0, -1],
};

/** A direction: one of the six axes by name, or three numbers. */
export function AxisField({
  label,
  of,
  axis,
  onChange,
}: {
  label: string;
  of?: string;
  axis: string | Vector;
  onChange: (axis: string | Vector) => Promise<void>;
}) {
  const named = NAMED.find((name) => axis === name || String(axis) === String(VECTORS[name]));
  return (
    <>
      <div className="row-field">
        <span>{label}</span>
        <select
          className="form-select form-select-sm mono"
          aria-label={of === undefined ? label : `${of}: ${label}`}
          value={named ?? 'free'}
          onChange={(event) =>
            void onChange(
              // Slightly off the former axis, so that the numbers show.
              event.target.value === 'free' ? SKEWED[named ?? '+x'] : event.target.value,
            )
          }
        >
          {NAMED.map((name) => (
            <option key={name} value={name}>
              {direction(name)}
            </option>
          ))}
          <option value="free">by numbers</option>
        </select>
      </div>
      {named === undefined && typeof axis !== 'string' && (
        <VectorField plain label="by" of={of ?? label} value={axis} onChange={onChange} />
      )}
    </>
  );
}
