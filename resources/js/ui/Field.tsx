import { type KeyboardEvent, useEffect, useId, useLayoutEffect, useRef, useState } from 'react';
import { Form } from 'react-bootstrap';
import { NameChoice, namesFor } from './NameChoice';

export interface FieldProps {
  /** Read out by screen readers; what is seen beside the field is up to its row. */
  label: string;
  /** What stands there now. */
  text: string;
  /** What is shown instead while it is edited: as it was typed. */
  editText?: string;
  /** Takes what was typed; rejects with the reason when it cannot be taken. */
  onEnter: (typed: string) => Promise<void>;
  /** For arrow keys and the wheel: what the text becomes one step up or down, or null. */
  step?: (typed: string, by: number) => string | null;
  /** Named values on offer, with what they come to. */
  names?: Readonly<Record<string, number>>;
  unit?: string;
  kind?: 'number' | 'text';
  placeholder?: string;
  disabled?: boolean;
  /** In a table: until it is being edited, keys are the table's. */
  inTable?: boolean;
}

const reason = (error: unknown) => (error instanceof Error ? error.message : 'This cannot be taken.');

/**
 * A field that is applied by Enter or by leaving it, and put back by Escape. What cannot be taken stays
 * as it was typed, with the reason beneath; what stood there before stays in force.
 */
export function Field(props: FieldProps) {
  const { label, text, editText = text, onEnter, step, names, unit, kind = 'number', inTable = false } = props;
  const [typed, setTyped] = useState(text);
  const [refused, setRefused] = useState<string | null>(null);
  const [editing, setEditing] = useState(false);
  const [choice, setChoice] = useState(0);
  const [selecting, setSelecting] = useState(0);
  /** What is on its way to the server, and what was entered meanwhile. */
  const sending = useRef<string | null>(null);
  const next = useRef<string | null>(null);
  const input = useRef<HTMLInputElement>(null);
  const standing = useRef(text);
  /** What was last entered, and what was shown to begin editing with: neither is work of somebody's to lose. */
  const entered = useRef<string | null>(null);
  const shownToEdit = useRef<string | null>(null);
  const id = useId();
  const offered = editing && names !== undefined ? namesFor(typed, names) : [];

  useEffect(() => {
    if (standing.current !== text) {
      const untouched = [standing.current, entered.current, shownToEdit.current];
      standing.current = text;
      // What somebody has begun to type meanwhile stays.
      setTyped((now) => (untouched.includes(now) ? text : now));
      setRefused(null);
    }
  }, [text]);

  const enter = async (value: string) => {
    if (sending.current !== null) {
      next.current = value === sending.current ? null : value;
      return;
    }
    if (value === standing.current || value === editText) {
      setTyped(standing.current);
      setRefused(null);
      return;
    }
    sending.current = value;
    entered.current = value;
    try {
      await onEnter(value);
      setRefused(null);
      // The server may say it in another way (12 mm becomes 12); show what stands now.
      setTyped((now) => (now === value ? standing.current : now));
    } catch (error) {
      setRefused(reason(error));
    } finally {
      sending.current = null;
    }
    const following = next.current;
    next.current = null;
    if (following !== null) {
      await entering.current(following);
    }
  };
  const entering = useRef(enter);
  entering.current = enter;
  const take = (name: string) => {
    const next = typed.replace(/[A-Za-z_]\w*$/, '') + name;
    setTyped(next.startsWith('=') ? next : `=${next}`);
    setChoice(0);
  };
  // Before the next key can come: what is typed then replaces what stood there.
  // biome-ignore lint/correctness/useExhaustiveDependencies: each count selects once
  useLayoutEffect(() => {
    if (selecting > 0 && document.activeElement === input.current) {
      input.current?.select();
    }
  }, [selecting]);
  const stepBy = (amount: number): boolean => {
    const next = step?.(typed, amount) ?? null;
    if (next !== null) {
      setTyped(next);
      void enter(next);
    }
    return next !== null;
  };
  const amountOf = (event: { shiftKey: boolean; altKey: boolean }) => (event.shiftKey ? 10 : event.altKey ? 0.1 : 1);

  useEffect(() => {
    const element = input.current;
    const onWheel = (event: WheelEvent) => {
      if (document.activeElement === element && event.deltaY !== 0) {
        event.preventDefault();
        stepBy((event.deltaY < 0 ? 1 : -1) * amountOf(event));
      }
    };
    element?.addEventListener('wheel', onWheel, { passive: false });
    return () => element?.removeEventListener('wheel', onWheel);
  });

  const onKeyDown = (event: KeyboardEvent<HTMLInputElement>) => {
    const up = event.key === 'ArrowUp';
    const vertical = up || event.key === 'ArrowDown';
    if (offered.length > 0 && (vertical || event.key === 'Tab')) {
      event.preventDefault();
      event.stopPropagation();
      const name = offered[choice];
      if (event.key === 'Tab' && name !== undefined) {
        take(name);
      } else {
        setChoice((choice + (up ? offered.length - 1 : 1)) % offered.length);
      }
    } else if (event.key === 'Enter') {
      event.preventDefault();
      if (inTable && !editing) {
        event.stopPropagation();
        shownToEdit.current = editText;
        setTyped(editText);
        setEditing(true);
        setSelecting((count) => count + 1);
        return;
      }
      setEditing(false);
      void enter(typed);
    } else if (event.key === 'Escape' && (editing || refused !== null || typed !== text)) {
      event.stopPropagation();
      setTyped(text);
      setRefused(null);
      setEditing(false);
    } else if (inTable && event.key === 'F2') {
      setEditing(true);
    } else if (vertical && (!inTable || editing) && stepBy((up ? 1 : -1) * amountOf(event))) {
      event.preventDefault();
      event.stopPropagation();
    } else if (inTable && editing) {
      event.stopPropagation();
    }
  };

  return (
    <div
      className={`field ${kind}${unit === undefined ? '' : unit === '°' ? ' with-degree' : unit.length > 3 ? ' with-long-unit' : ' with-unit'}`}
    >
      <Form.Control
        ref={input}
        size="sm"
        aria-label={label}
        aria-invalid={refused !== null}
        aria-describedby={refused === null ? undefined : id}
        isInvalid={refused !== null}
        value={typed}
        placeholder={props.placeholder}
        disabled={props.disabled}
        data-editing={editing || undefined}
        spellCheck={false}
        autoComplete="off"
        onFocus={() => {
          if (!inTable) {
            setEditing(true);
          }
          if (refused === null && typed === text) {
            shownToEdit.current = editText;
            setTyped(editText);
            setSelecting((count) => count + 1);
          }
        }}
        onDoubleClick={() => setEditing(true)}
        onChange={(event) => {
          setEditing(true);
          setTyped(event.target.value);
        }}
        onBlur={() => {
          setEditing(false);
          void enter(typed);
        }}
        onKeyDown={onKeyDown}
      />
      {unit !== undefined && <span className="unit">{unit}</span>}
      {offered.length > 0 && names !== undefined && (
        <NameChoice offered={offered} names={names} chosen={choice % offered.length} onTake={take} />
      )}
      {refused !== null && (
        <div className="refused" id={id} role="alert">
          {refused}
        </div>
      )}
    </div>
  );
}
