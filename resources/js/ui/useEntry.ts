import { useEffect, useRef, useState } from 'react';

interface Given {
  /** The value in force. */
  text: string;
  /** The text shown while editing: as it was typed. */
  editText: string;
  onEnter: (typed: string) => Promise<void>;
}

/**
 * The state of a field from the first key until its text is accepted or refused. One entry is sent at a time and the
 * newest waits; a value that arrives meanwhile never replaces what is being typed.
 */
export function useEntry({ text, editText, onEnter }: Given) {
  const [typed, setTyped] = useState(text);
  const [refused, setRefused] = useState<string | null>(null);
  const standing = useRef(text);
  const sending = useRef<string | null>(null);
  const waiting = useRef<string | null>(null);
  /** The text last entered and the text at the start of editing: neither is unsaved work. */
  const entered = useRef<string | null>(null);
  const shownToEdit = useRef<string | null>(null);

  useEffect(() => {
    if (standing.current !== text) {
      const untouched = [standing.current, entered.current, shownToEdit.current];
      standing.current = text;
      setTyped((now) => (untouched.includes(now) ? text : now));
      setRefused(null);
    }
  }, [text]);

  const enter = async (value: string): Promise<void> => {
    if (sending.current !== null) {
      waiting.current = value === sending.current ? null : value;
      return;
    }
    if (value === standing.current || value === editText) {
      setTyped(standing.current);
      setRefused(null);
      return;
    }
    sending.current = entered.current = value;
    try {
      await onEnter(value);
      setRefused(null);
      // The server may normalise the text (12 mm becomes 12); the value in force is shown.
      setTyped((now) => (now === value ? standing.current : now));
    } catch (error) {
      setRefused(error instanceof Error ? error.message : 'This cannot be taken.');
    } finally {
      sending.current = null;
    }
    const following = waiting.current;
    waiting.current = null;
    if (following !== null) {
      await entering.current(following);
    }
  };
  // A waiting text is entered with the handler of that time.
  const entering = useRef(enter);
  entering.current = enter;

  return {
    typed,
    refused,
    type: setTyped,
    enter,
    beginEditing: () => {
      shownToEdit.current = editText;
      setTyped(editText);
    },
    putBack: () => {
      setTyped(text);
      setRefused(null);
    },
  };
}
