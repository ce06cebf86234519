import type { PastedWires } from '../api/types';
import { Button } from '../ui/Button';
import { RowsReport } from '../ui/RowsReport';

interface Props {
  rows: PastedWires;
  onPut: () => void;
  onClose: () => void;
}

/** Which wires were read of pasted rows, and which rows were refused, before they are used. */
export function WireReport({ rows: { wires, refused }, onPut, onClose }: Props) {
  const count = `${wires.length} wire${wires.length === 1 ? '' : 's'}`;
  return (
    <RowsReport count={count} refused={refused} onClose={onClose}>
      <Button look="primary" disabled={wires.length === 0} onClick={onPut}>
        Add {count}
      </Button>
    </RowsReport>
  );
}
