import { createContext, useContext } from 'react';
import { api } from '../api/client';
import { useEqual } from './equal';
import { Field } from './Field';
import { fieldText, length } from './format';
import { handStep, INCH, units } from './units';
import { useJob } from './useJob';

interface Props {
  label: string;
  /** As in the job file: a number, or an expression with named values. */
  value: number | string | undefined;
  onChange: (value: number | string) => Promise<void>;
  /** Shown beside the field; the unit of the job by default. */
  unit?: string;
  /** Not a length: shown and read unchanged, whatever the units of the job. */
  plain?: boolean;
  placeholder?: string;
  disabled?: boolean;
  inTable?: boolean;
}

const PLAIN = /^-?\d{1,9}(\.\d{1,9})?$/;

/** The owner of the fields ("stock/t28"), under which typed texts are stored. */
export const FieldHome = createContext('');

/** A field for any number of the job: mm or inches, arithmetic, `=name`. The server parses all but plain digits. */
export function NumberField({ label, value, onChange, unit, plain = false, ...rest }: Props) {
  const { state } = useJob();
  const field = `${useContext(FieldHome)}/${label}`;
  const entry = state.entries[field];
  const isLength = !plain;
  const isInch = isLength && units().word === 'in';
  const exact = fieldText(value, isLength);
  // Inches are rounded as the job shows them; while it is edited the number is exact.
  const text = isInch && typeof value === 'number' ? length(value, 2).replace('−', '-') : exact;
  const equal = useEqual(label, value, onChange);
  const enter = async (typed: string) => {
    const tidy = typed.trim().replace('−', '-');
    await onChange(
      PLAIN.test(tidy) && !isInch
        ? Number(tidy)
        : (await api.entry(state.id, { text: typed, field, is_length: isLength })).number,
    );
  };
  return (
    <Field
      label={label}
      text={text}
      editText={
        entry !== undefined && typeof value === 'number' && Math.abs(entry.value - value) < 1e-6 ? entry.typed : exact
      }
      onEnter={enter}
      unit={unit === '' ? undefined : (unit ?? units().word)}
      names={state.values}
      step={(typed, by) => (isInch ? stepped(value, by) : PLAIN.test(typed) ? fieldText(Number(typed) + by) : null)}
      equal={equal}
      {...rest}
    />
  );
}

/** Returns the number one division of the rule up or down. */
const stepped = (value: number | string | undefined, by: number): string | null =>
  typeof value === 'number' ? fieldText(Math.round((value + by * handStep()) / INCH / 1e-9) * 1e-9 * INCH, true) : null;

/** A share that is shown and typed in percent. */
export function PercentField({ value, onChange, ...rest }: Omit<Props, 'unit' | 'plain'>) {
  return (
    <NumberField
      {...rest}
      plain
      unit="%"
      value={typeof value === 'number' ? Math.round(value * 1e6) / 1e4 : value}
      onChange={(percent) => onChange(typeof percent === 'number' ? percent / 100 : `(${percent}) / 100`)}
    />
  );
}
