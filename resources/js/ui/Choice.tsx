interface Props {
  label: string;
  value: string;
  /** The options, each with its value and its label. */
  of: readonly (readonly [string, string])[];
  onChange: (value: string) => void;
  /** Only as wide as needed, for use in a row. */
  narrow?: boolean;
}

/** A select box. */
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

/** Returns the options for items of a job. */
export const named = (items: readonly { id: string; name?: string }[]): [string, string][] =>
  items.map(({ id, name }) => [id, name ?? id]);
