interface Props {
  label: string;
  value: string;
  /** What can be chosen, each by its value and what people call it. */
  of: readonly (readonly [string, string])[];
  onChange: (value: string) => void;
  /** Beside other things in a row: no wider than it needs to be. */
  narrow?: boolean;
}

/** A choice of one of several, by their names. */
export function Choice({ label, value, of, onChange, narrow = false }: Props) {
  return (
    <select
      className={`form-select form-select-sm${narrow ? ' w-auto' : ''}`}
      aria-label={label}
      value={value}
      onChange={(event) => onChange(event.target.value)}
    >
      {of.map(([one, words]) => (
        <option key={one} value={one}>
          {words}
        </option>
      ))}
    </select>
  );
}

/** Items of a job to choose from. */
export const named = (items: readonly { id: string; name?: string }[]): [string, string][] =>
  items.map(({ id, name }) => [id, name ?? id]);
