import type { KeyboardEvent } from 'react';

/** What can have the focus in a cell. */
const STOPS = 'button.row-pick, select, input';

/** Moves the focus between cells by arrow keys; returns false when there is no cell in that direction. */
export function stepBetweenCells(body: HTMLElement | null, event: KeyboardEvent): boolean {
  const [down, right] =
    { ArrowUp: [-1, 0], ArrowDown: [1, 0], ArrowLeft: [0, -1], ArrowRight: [0, 1] }[event.key] ?? [];
  const cell = event.target instanceof Element ? event.target.closest('td') : null;
  if (down === undefined || right === undefined || body === null || cell === null) {
    return false;
  }
  const rows = [...body.querySelectorAll('tr')];
  const row = rows.findIndex((one) => one.contains(cell));
  const column = cell.cellIndex;
  let [r, c] = [row + down, column + right];
  const columns = rows[row]?.cells.length ?? 0;
  while (r >= 0 && r < rows.length && c >= 0 && c < columns) {
    const next = rows[r]?.cells[c]?.querySelector<HTMLElement>(STOPS);
    if (next !== null && next !== undefined) {
      next.focus();
      return true;
    }
    r += down;
    c += right;
  }
  return true;
}
