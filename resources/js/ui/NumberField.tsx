import { createContext, useContext } from 'react';
import { api } from '../api/client';
import { useJob } from '../workbench/useJob';
import { Field } from './Field';
import { fieldText } from './format';

interface Props {
  label: string;
  /** As it stands in the job file: a number, or an expression over the named values. */
  value: number | string | undefined;
  onChange: (value: number | string) => Promise<void>;
  unit?: string;
  placeholder?: string;
  disabled?: boolean;
  inTable?: boolean;
}

const PLAIN = /^-?\d{1,9}(\.\d{1,9})?$/;

/** Whose fields these are ("stock/t28"): what was typed into each is remembered under it. */
export const FieldHome = createContext('');

/** Any number of the job: mm or inches, arithmetic, `=name`. The server reads all but plain digits. */
export function NumberField({ label, value, onChange, unit = 'mm', ...rest }: Props) {
  const { state } = useJob();
  const field = `${useContext(FieldHome)}/${label}`;
  const entry = state.entries[field];
  const text = fieldText(value);
  const enter = async (typed: string) => {
    const plain = typed.trim().replace('−', '-');
    await onChange(PLAIN.test(plain) ? Number(plain) : (await api.entry(state.id, { text: typed, field })).number);
  };
  return (
    <Field
      label={label}
      text={text}
      editText={
        entry !== undefined && typeof value === 'number' && Math.abs(entry.value - value) < 1e-6 ? entry.typed : text
      }
      onEnter={enter}
      unit={unit === '' ? undefined : unit}
      names={state.values}
      step={(typed, by) => (PLAIN.test(typed) ? fieldText(Number(typed) + by) : null)}
      {...rest}
    />
  );
}
