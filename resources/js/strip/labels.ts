/** Width of a letter of a label, and the gap to the next label, px. */
const LETTER = 7;
const GAP = 6;

/** How far a label may reach beyond the edges of the strip, px. */
const BEYOND = 6;

export interface Label {
  text: string;
  /** Its middle, px. */
  at: number;
}

export interface Wanted {
  /** Ends of the piece, px. */
  from: number;
  to: number;
  /** What may be written there, the longest first. */
  texts: string[];
}

/**
 * Places labels from left to right so that none lies on another: of each the longest text that fits beside the one
 * before and leaves room for the shortest of the next, or its own shortest; in the middle of what is seen of its piece,
 * or as near to it as the edges of the strip let it.
 *
 * @returns of each piece its label; null where none fits or it is out of sight
 */
export function placeLabels(wanted: Wanted[], left: number, right: number): (Label | null)[] {
  const seen = wanted.map((piece) => (piece.to < left || piece.from > right ? { ...piece, texts: [] } : piece));
  const place = ({ from, to }: Wanted, text: string): { start: number; at: number; end: number } => {
    const half = (text.length * LETTER) / 2;
    const middle = (Math.max(from, left) + Math.min(to, right)) / 2;
    const at = Math.min(Math.max(middle, left - BEYOND + half), right + BEYOND - half);
    return { start: at - half, at, end: at + half };
  };
  let free = Number.NEGATIVE_INFINITY;
  return seen.map((piece, index) => {
    const next = seen.slice(index + 1).find(({ texts }) => texts.length > 0);
    const taken = next === undefined ? Number.POSITIVE_INFINITY : place(next, next.texts.at(-1) ?? '').start;
    for (const [number, text] of piece.texts.entries()) {
      const { start, at, end } = place(piece, text);
      if (start >= free && (end + GAP <= taken || number === piece.texts.length - 1)) {
        free = end + GAP;
        return { text, at };
      }
    }
    return null;
  });
}
