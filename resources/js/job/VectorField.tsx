import type { Vector } from '../api/types';
import { NumberField } from './NumberField';

const AXES = ['x', 'y', 'z'] as const;

/** Three numbers in a row, each edited by itself. */
export function VectorField({
  label,
  of,
  value,
  onChange,
  parts = AXES,
  plain = false,
}: {
  label: string;
  /** The owner of the vector, where a card has several with this label. */
  of?: string;
  value: Vector;
  onChange: (value: Vector) => Promise<void>;
  parts?: readonly [string, string, string];
  /** Whether the numbers are no lengths. */
  plain?: boolean;
}) {
  return (
    <div className="triple">
      <span>{label}</span>
      {parts.map((part, index) => (
        <NumberField
          key={part}
          label={`${of === undefined ? '' : `${of}: `}${label} ${part}`}
          plain={plain}
          unit={part.length === 1 ? part : ''}
          value={value[index]}
          onChange={(number) => {
            const next: Vector = [...value];
            next[index] = number;
            return onChange(next);
          }}
        />
      ))}
    </div>
  );
}
