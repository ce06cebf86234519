import { Modal } from 'react-bootstrap';
import type { Leg, PastedRows } from '../api/types';
import { Button } from '../ui/Button';

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
    <Modal show onHide={onClose} aria-labelledby="paste-title">
      <Modal.Header closeButton>
        <Modal.Title id="paste-title">{count} read from what was pasted</Modal.Title>
      </Modal.Header>
      <Modal.Body>
        {refused.length === 0 ? (
          <p className="mb-0">Every row was read.</p>
        ) : (
          <>
            <p>
              {refused.length} row{refused.length === 1 ? ' was' : 's were'} refused:
            </p>
            <ul className="refused-rows">
              {refused.map(({ line, text, why }) => (
                <li key={line}>
                  <strong>Row {line}</strong> <span className="mono">{text}</span>
                  <br />
                  <span className="text-danger">{why}</span>
                </li>
              ))}
            </ul>
          </>
        )}
      </Modal.Body>
      <Modal.Footer>
        <Button onClick={onClose}>Put in nothing</Button>
        <Button disabled={stops.length === 0 || before === undefined} onClick={() => onPut(before?.vertex ?? null)}>
          {before === undefined ? 'Put them in before a corner' : `Put them in before corner ${before.vertex}`}
        </Button>
        <Button look="primary" disabled={stops.length === 0} onClick={() => onPut(null)}>
          Replace all corners
        </Button>
      </Modal.Footer>
    </Modal>
  );
}
