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
}

const PLAIN = /^-?\d{1,9}(\.\d{1,9})?$/;

/** Any number of the job: mm or inches, arithmetic, `=name`. The server reads all but plain digits. */
export function NumberField({ label, value, onChange, unit = 'mm', placeholder, disabled }: Props) {
  const { state } = useJob();
  const enter = async (typed: string) => {
    const text = typed.trim().replace('−', '-');
    await onChange(PLAIN.test(text) ? Number(text) : (await api.entry(state.id, { text: typed })).number);
  };
  return (
    <Field
      label={label}
      text={fieldText(value)}
      onEnter={enter}
      unit={unit === '' ? undefined : unit}
      placeholder={placeholder}
      disabled={disabled}
      step={(typed, by) => (PLAIN.test(typed) ? fieldText(Number(typed) + by) : null)}
    />
  );
}
