import { FlipHorizontal2 } from 'lucide-react';
import { useState } from 'react';
import { Modal } from 'react-bootstrap';
import { api } from '../api/client';
import type { Mirror, Run } from '../api/types';
import { Button } from '../ui/Button';
import { direction } from '../ui/format';
import { IconButton } from '../ui/IconButton';
import { NumberField } from '../ui/NumberField';
import { useWorkbench } from '../workbench/store';
import { tell } from '../workbench/tell';
import { freshId, useJob } from '../workbench/useJob';
import { Row } from './Section';

const PLANES = ['+x', '+y', '+z'] as const;

/** A new run of the opposite hand, on the other side of a plane: port and starboard. */
export function MirrorDialog({ run }: { run: Run }) {
  const { state, items, put } = useJob();
  const pick = useWorkbench((store) => store.pick);
  const [asking, setAsking] = useState(false);
  const [across, setAcross] = useState<Mirror['across']>('+y');
  const [at, setAt] = useState<number | string>(0);

  const make = async () => {
    const name = `${(run.name ?? run.id).slice(0, 180)}, opposite hand`;
    const mirrored = await api.mirrored(state.id, run.id, { across, at });
    const id = freshId(items('runs'), name);
    await put('runs', { ...mirrored, id, name }, `Make ${name}`);
    setAsking(false);
    pick('runs', id);
  };

  return (
    <>
      <IconButton icon={FlipHorizontal2} name="Make the opposite hand" onClick={() => setAsking(true)} />
      <Modal show={asking} onHide={() => setAsking(false)} aria-labelledby="mirror-title">
        <Modal.Header closeButton>
          <Modal.Title id="mirror-title">The opposite hand</Modal.Title>
        </Modal.Header>
        <Modal.Body>
          <Row label="Across the plane square to">
            <select
              className="form-select form-select-sm"
              aria-label="Across the plane square to"
              value={across}
              onChange={(event) => setAcross(event.target.value as Mirror['across'])}
            >
              {PLANES.map((plane) => (
                <option key={plane} value={plane}>
                  {direction(plane).replace('+', '')}
                </option>
              ))}
            </select>
          </Row>
          <Row label="at">
            <NumberField
              label="Plane at"
              value={at}
              onChange={async (next) => {
                setAt(next);
              }}
            />
          </Row>
          <p className="quiet mb-0 mt-2">Its ends stand in the open; join them to ports in its card.</p>
        </Modal.Body>
        <Modal.Footer>
          <Button onClick={() => setAsking(false)}>Cancel</Button>
          <Button look="primary" onClick={() => tell(make())}>
            Make it
          </Button>
        </Modal.Footer>
      </Modal>
    </>
  );
}
