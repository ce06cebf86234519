import type { Leg, PastedRows } from '../api/types';
import { Button } from '../ui/Button';
import { RowsReport } from '../ui/RowsReport';

interface Props {
  rows: PastedRows;
  /** The selected leg: corners can be inserted at its end. */
  before: Leg | undefined;
  onPut: (vertex: number | null) => void;
  onClose: () => void;
}

/** What was read of pasted rows and what was refused, before it is used. */
export function PasteReport({ rows: { stops, refused }, before, onPut, onClose }: Props) {
  const count = `${stops.length} corner${stops.length === 1 ? '' : 's'}`;
  return (
    <RowsReport count={count} refused={refused} onClose={onClose}>
      <Button disabled={stops.length === 0 || before === undefined} onClick={() => onPut(before?.vertex ?? null)}>
        {before === undefined ? 'Put them in before a corner' : `Put them in before corner ${before.vertex}`}
      </Button>
      <Button look="primary" disabled={stops.length === 0} onClick={() => onPut(null)}>
        Replace all corners
      </Button>
    </RowsReport>
  );
}
