import { show } from './format';

/** Returns the named values that may complete the text: only where a name has been begun, or after `=`. */
export function namesFor(typed: string, names: Readonly<Record<string, number>>): string[] {
  const begun = /(?:^=\s*|[-+*/(,]\s*|^)([A-Za-z_]\w*)?$/.exec(typed);
  const part = begun?.[1];
  if (begun === null || (part === undefined && !typed.startsWith('='))) {
    return [];
  }
  return Object.keys(names)
    .filter((name) => name !== part && name.toLowerCase().startsWith((part ?? '').toLowerCase()))
    .slice(0, 8);
}

/** A short list below a field: arrow keys select, Tab accepts. */
export function NameChoice({
  offered,
  names,
  chosen,
  onTake,
}: {
  offered: readonly string[];
  names: Readonly<Record<string, number>>;
  chosen: number;
  onTake: (name: string) => void;
}) {
  return (
    <ul className="name-choice" aria-label="Named values">
      {offered.map((name, index) => (
        <li key={name} className={index === chosen ? 'chosen' : undefined}>
          {/* The field keeps the focus: a press that took it away would apply what is half typed. */}
          <button
            type="button"
            tabIndex={-1}
            onMouseDown={(event) => {
              event.preventDefault();
              onTake(name);
            }}
          >
            <span>{name}</span>
            <span className="mono">{show(names[name] ?? 0, 3)}</span>
          </button>
        </li>
      ))}
      <li className="hint">Tab takes it</li>
    </ul>
  );
}
