export type Cell = string | number | null;

/** Returns the rows in which every typed word stands in some cell. */
export function filtered(rows: readonly Cell[][], typed: string): Cell[][] {
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean);
  return rows.filter((row) => {
    const text = row
      .map((cell) => cell ?? '')
      .join(' ')
      .toLowerCase();
    return words.every((word) => text.includes(word));
  });
}

/** Returns the rows by a column: numbers by size, words by the alphabet, empty cells last; as they came without one. */
export function sorted(rows: readonly Cell[][], by: { column: number; down: boolean } | null): Cell[][] {
  if (by === null) {
    return [...rows];
  }
  const sign = by.down ? -1 : 1;
  return [...rows].sort((one, other) => {
    const [a, b] = [one[by.column] ?? null, other[by.column] ?? null];
    if (a === null || b === null) {
      return Number(a === null) - Number(b === null);
    }
    return (
      sign *
      (typeof a === 'number' && typeof b === 'number'
        ? a - b
        : String(a).localeCompare(String(b), 'en', { numeric: true }))
    );
  });
}
