import { type KeyboardEvent, useEffect, useId, useRef, useState } from 'react';
import { Form } from 'react-bootstrap';

export interface FieldProps {
  /** Read out by screen readers; what is seen beside the field is up to its row. */
  label: string;
  /** What stands there now. */
  text: string;
  /** Takes what was typed; rejects with the reason when it cannot be taken. */
  onEnter: (typed: string) => Promise<void>;
  /** For arrow keys: what the text becomes one step up or down, or null. */
  step?: (typed: string, by: number) => string | null;
  unit?: string;
  kind?: 'number' | 'text';
  placeholder?: string;
  disabled?: boolean;
}

/**
 * A field that is applied by Enter or by leaving it, and put back by Escape. What cannot be taken stays
 * as it was typed, with the reason beneath; what stood there before stays in force.
 */
export function Field({ label, text, onEnter, step, unit, kind = 'number', placeholder, disabled }: FieldProps) {
  const [typed, setTyped] = useState(text);
  const [refused, setRefused] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const id = useId();
  const standing = useRef(text);

  useEffect(() => {
    if (standing.current !== text) {
      standing.current = text;
      setTyped(text);
      setRefused(null);
    }
  }, [text]);

  const enter = async (value: string) => {
    if (value === text || busy) {
      if (value === text) {
        setRefused(null);
      }
      return;
    }
    setBusy(true);
    try {
      await onEnter(value);
      setRefused(null);
      // The server may say it in another way (12 mm becomes 12); show what stands now.
      setTyped((now) => (now === value ? standing.current : now));
    } catch (error) {
      setRefused(error instanceof Error ? error.message : 'This cannot be taken.');
    } finally {
      setBusy(false);
    }
  };

  const onKeyDown = (event: KeyboardEvent<HTMLInputElement>) => {
    if (event.key === 'Enter') {
      event.preventDefault();
      void enter(typed);
    } else if (event.key === 'Escape') {
      event.stopPropagation();
      setTyped(text);
      setRefused(null);
    } else if ((event.key === 'ArrowUp' || event.key === 'ArrowDown') && step !== undefined) {
      const amount = (event.key === 'ArrowUp' ? 1 : -1) * (event.shiftKey ? 10 : event.altKey ? 0.1 : 1);
      const next = step(typed, amount);
      if (next !== null) {
        event.preventDefault();
        setTyped(next);
        void enter(next);
      }
    }
  };

  return (
    <div className={`field ${kind}${unit === undefined ? '' : unit === '°' ? ' with-degree' : ' with-unit'}`}>
      <Form.Control
        size="sm"
        aria-label={label}
        aria-invalid={refused !== null}
        aria-describedby={refused === null ? undefined : id}
        isInvalid={refused !== null}
        value={typed}
        placeholder={placeholder}
        disabled={disabled}
        spellCheck={false}
        autoComplete="off"
        onChange={(event) => setTyped(event.target.value)}
        onBlur={() => void enter(typed)}
        onKeyDown={onKeyDown}
      />
      {unit !== undefined && <span className="unit">{unit}</span>}
      {refused !== null && (
        <div className="refused" id={id} role="alert">
          {refused}
        </div>
      )}
    </div>
  );
}
