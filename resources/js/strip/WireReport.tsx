import { Modal } from 'react-bootstrap';
import type { PastedWires } from '../api/types';
import { Button } from '../ui/Button';

interface Props {
  rows: PastedWires;
  onPut: () => void;
  onClose: () => void;
}

/** Which wires were read of pasted rows, and which rows were refused, before they are used. */
export function WireReport({ rows: { wires, refused }, onPut, onClose }: Props) {
  const count = `${wires.length} wire${wires.length === 1 ? '' : 's'}`;
  return (
    <Modal show onHide={onClose} aria-labelledby="wires-title">
      <Modal.Header closeButton>
        <Modal.Title id="wires-title">{count} read from what was pasted</Modal.Title>
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
        <Button look="primary" disabled={wires.length === 0} onClick={onPut}>
          Add {count}
        </Button>
      </Modal.Footer>
    </Modal>
  );
}
