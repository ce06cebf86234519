import type { ReactNode } from 'react';
import { Modal } from 'react-bootstrap';
import { Button } from './Button';

interface Props {
  /** What was read, as "3 wires". */
  count: string;
  refused: readonly { line: number; text: string; why: string }[];
  onClose: () => void;
  /** The buttons that use what was read. */
  children: ReactNode;
}

/** What was read of pasted rows, and which rows were refused and why, before they are used. */
export function RowsReport({ count, refused, onClose, children }: Props) {
  return (
    <Modal show onHide={onClose} aria-labelledby="rows-title">
      <Modal.Header closeButton>
        <Modal.Title id="rows-title">{count} read from what was pasted</Modal.Title>
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
        {children}
      </Modal.Footer>
    </Modal>
  );
}
