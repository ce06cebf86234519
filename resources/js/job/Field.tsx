import classNames from 'classnames';
import { type KeyboardEvent, useId, useLayoutEffect, useRef, useState } from 'react';
import { Form } from 'react-bootstrap';
import { useEntry } from '../ui/useEntry';
import { stepOf, useWheel } from '../ui/useWheel';
import type { Equal } from './equal';
import { NameChoice, namesFor } from './NameChoice';

export interface FieldProps {
  /** Accessible name. */
  label: string;
  /** The value in force. */
  text: string;
  /** The text shown while editing: as it was typed. */
  editText?: string;
  /** Enters the typed text; rejects with the reason when it is refused. */
  onEnter: (typed: string) => Promise<void>;
  /** Returns the text one step up or down, for arrow keys and the wheel; null when there is none. */
  step?: (typed: string, by: number) => string | null;
  /** Named values on offer, with their numbers. */
  names?: Readonly<Record<string, number>>;
  unit?: string;
  kind?: 'number' | 'text';
  placeholder?: string;
  disabled?: boolean;
  /** In a table: keys belong to the table until the field is edited. */
  inTable?: boolean;
  /** Makes it equal to another dimension by pointing at that. */
  equal?: Equal;
}

/**
 * A text field that is applied by Enter or on leaving it and restored by Escape. Refused text stays, with the reason
 * below it, and the former value stays in force.
 */
export function Field(props: FieldProps) {
  const { label, text, editText = text, onEnter, step, names, unit, kind = 'number', inTable = false } = props;
  const { typed, refused, type, enter, beginEditing, putBack } = useEntry({ text, editText, onEnter });
  const [editing, setEditing] = useState(false);
  const [choice, setChoice] = useState(0);
  const [selecting, setSelecting] = useState(0);
  const input = useRef<HTMLInputElement>(null);
  const id = useId();
  const offered = editing && names !== undefined ? namesFor(typed, names) : [];

  const takeName = (name: string) => {
    const next = typed.replace(/[A-Za-z_]\w*$/, '') + name;
    type(next.startsWith('=') ? next : `=${next}`);
    setChoice(0);
  };
  const stepBy = (amount: number): boolean => {
    const next = step?.(typed, amount) ?? null;
    if (next !== null) {
      type(next);
      void enter(next);
    }
    return next !== null;
  };
  const selectAll = () => {
    beginEditing();
    setSelecting((count) => count + 1);
  };
  useWheel(input, stepBy);
  // Before the next key: typing then replaces the text.
  useLayoutEffect(() => {
    if (selecting > 0 && document.activeElement === input.current) {
      input.current?.select();
    }
  }, [selecting]);

  const onKeyDown = (event: KeyboardEvent<HTMLInputElement>) => {
    const up = event.key === 'ArrowUp';
    const vertical = up || event.key === 'ArrowDown';
    if (offered.length > 0 && (vertical || event.key === 'Tab')) {
      event.preventDefault();
      event.stopPropagation();
      const name = offered[choice];
      if (event.key === 'Tab' && name !== undefined) {
        takeName(name);
      } else {
        setChoice((choice + (up ? offered.length - 1 : 1)) % offered.length);
      }
    } else if (event.key === 'Enter') {
      event.preventDefault();
      if (inTable && !editing) {
        event.stopPropagation();
        setEditing(true);
        selectAll();
        return;
      }
      setEditing(false);
      void enter(typed);
    } else if (event.key === 'Escape' && (editing || refused !== null || typed !== text)) {
      event.stopPropagation();
      putBack();
      setEditing(false);
    } else if (event.key === '=' && event.ctrlKey && props.equal !== undefined) {
      event.preventDefault();
      event.stopPropagation();
      props.equal.begin();
    } else if (inTable && event.key === 'F2') {
      setEditing(true);
    } else if (vertical && (!inTable || editing) && stepBy((up ? 1 : -1) * stepOf(event))) {
      event.preventDefault();
      event.stopPropagation();
    } else if (inTable && editing) {
      event.stopPropagation();
    }
  };

  return (
    <div
      onPointerDownCapture={(event) => {
        if (props.equal?.isOffered === true) {
          event.preventDefault();
          event.stopPropagation();
          props.equal.take();
        }
      }}
      className={classNames(
        'field',
        kind,
        props.equal?.isOffered === true && 'offered',
        props.equal?.isWaiting === true && 'waiting',
        unit !== undefined && (unit === '°' ? 'with-degree' : unit.length > 3 ? 'with-long-unit' : 'with-unit'),
      )}
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
        data-untouched={(refused === null && (typed === text || typed === editText)) || undefined}
        spellCheck={false}
        autoComplete="off"
        onFocus={() => {
          if (!inTable) {
            setEditing(true);
          }
          if (refused === null && typed === text) {
            selectAll();
          }
        }}
        onDoubleClick={() => setEditing(true)}
        onChange={(event) => {
          setEditing(true);
          type(event.target.value);
        }}
        onBlur={() => {
          setEditing(false);
          void enter(typed);
        }}
        onKeyDown={onKeyDown}
      />
      {unit !== undefined && <span className="unit">{unit}</span>}
      {editing && props.equal !== undefined && (
        <button
          type="button"
          className="equal-button"
          tabIndex={-1}
          title="Set equal to another dimension: point at it next (Ctrl+=)"
          aria-label="Set equal to another dimension"
          onPointerDown={(event) => {
            event.preventDefault();
            props.equal?.begin();
          }}
        >
          =
        </button>
      )}
      {offered.length > 0 && names !== undefined && (
        <NameChoice offered={offered} names={names} chosen={choice % offered.length} onTake={takeName} />
      )}
      {refused !== null && (
        <div className="refused" id={id} role="alert">
          {refused}
        </div>
      )}
    </div>
  );
}
