/**
 * Returns what was typed into a field that is of the window and not of the job, where named values mean nothing.
 *
 * @throws Error where it is an expression
 */
export function plainNumber(typed: number | string): number {
  if (typeof typed === 'string') {
    throw new Error('Type a number here, not a named value.');
  }
  return typed;
}
