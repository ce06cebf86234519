/** Whether a key press matches a text like "Ctrl+Shift+Z", "Del" or "?". */
export function isKey(event: KeyboardEvent, told: string): boolean {
  const parts = told.split('+');
  const name = parts.pop() || '+';
  const wants = (part: string) => parts.includes(part);
  const key = { Del: 'Delete', Ins: 'Insert', Space: ' ' }[name] ?? name;
  // A character such as ? already includes its Shift.
  const shift = key.length === 1 && !/[a-z0-9]/i.test(key) ? event.shiftKey : wants('Shift');
  return (
    event.key.toLowerCase() === key.toLowerCase() &&
    (event.ctrlKey || event.metaKey) === wants('Ctrl') &&
    event.altKey === wants('Alt') &&
    event.shiftKey === shift
  );
}

/**
 * Whether a key press goes into a field, so that plain letters are no commands. In a field that is unchanged, undo and
 * redo are those of the job.
 */
export const isTyping = ({ target, key, ctrlKey, metaKey }: KeyboardEvent): boolean =>
  target instanceof Element &&
  target.closest('input, textarea, select, [contenteditable], [role="dialog"]') !== null &&
  !((ctrlKey || metaKey) && /^[zy]$/i.test(key) && target.matches('[data-untouched]:not([role="dialog"] *)'));
