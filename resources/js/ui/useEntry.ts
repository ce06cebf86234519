import { useEffect, useRef, useState } from 'react';

interface Given {
  /** What stands in force. */
  text: string;
  /** What is shown instead while it is edited: as it was typed. */
  editText: string;
  onEnter: (typed: string) => Promise<void>;
}

/**
 * What somebody types, from the first key until it is taken or refused. One entry is on its way at a time,
 * the newest waits for it; what arrives meanwhile never takes the place of what is being typed.
 */
export function useEntry({ text, editText, onEnter }: Given) {
  const [typed, setTyped] = useState(text);
  const [refused, setRefused] = useState<string | null>(null);
  const standing = useRef(text);
  const sending = useRef<string | null>(null);
  const waiting = useRef<string | null>(null);
  /** What was last entered, and what was shown to begin editing with: neither is work of somebody's to lose. */
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
      // The server may say it in another way (12 mm becomes 12); show what stands now.
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
  // What waited is entered as the field is by then.
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
