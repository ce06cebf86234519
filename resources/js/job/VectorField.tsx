import type { Vector } from '../api/types';
import { NumberField } from './NumberField';

const AXES = ['x', 'y', 'z'] as const;

/** Three numbers in a row, each changed on its own. */
export function VectorField({
  label,
  of,
  value,
  onChange,
  parts = AXES,
  plain = false,
}: {
  label: string;
  /** What the vector belongs to, where a card has several of that label. */
  of?: string;
  value: Vector;
  onChange: (value: Vector) => Promise<void>;
  parts?: readonly [string, string, string];
  /** Numbers that are no lengths. */
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
