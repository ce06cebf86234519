import { FlipHorizontal2 } from 'lucide-react';
import { useState } from 'react';
import { Modal } from 'react-bootstrap';
import { api } from '../api/client';
import type { Run, Vector } from '../api/types';
import { direction } from '../job/format';
import { NumberField } from '../job/NumberField';
import { useWorkbench } from '../job/store';
import { tell } from '../job/tell';
import { freshId, useJob } from '../job/useJob';
import { VectorField } from '../job/VectorField';
import { Button } from '../ui/Button';
import { IconButton } from '../ui/IconButton';
import { Row } from '../ui/Section';

const PLANES = ['+x', '+y', '+z'] as const;

type How = 'across' | 'offset' | 'whole';

const HOW: Record<How, string> = {
  across: 'the opposite hand, a new run',
  offset: 'a copy beside it',
  whole: 'this run made symmetric',
};

/** Copies a run: its mirror image, a copy beside it, or its own other half; tied to it or not. */
export function TwinDialog({ run }: { run: Run }) {
  const { state, items, put, lay } = useJob();
  const pick = useWorkbench((store) => store.pick);
  const [asking, setAsking] = useState(false);
  const [how, setHow] = useState<How>('across');
  const [normal, setNormal] = useState<(typeof PLANES)[number]>('+y');
  const [at, setAt] = useState<number | string>(0);
  const [offset, setOffset] = useState<Vector>([0, 60, 0]);
  const [tied, setTied] = useState(true);

  const make = async () => {
    const plane = { at: PLANES.map((axis) => (axis === normal ? at : 0)) as Vector, normal };
    if (how === 'whole') {
      await lay(run.id, { do: 'make-symmetric', across: plane });
    } else {
      const name = `${(run.name ?? run.id).slice(0, 180)}, ${how === 'across' ? 'opposite hand' : 'copy'}`;
      const twin = await api.twin(state.id, run.id, { ...(how === 'across' ? { across: plane } : { offset }), tied });
      const id = freshId(items('runs'), name);
      await put('runs', { ...(twin as unknown as Run), id, name }, `Make ${name}`);
      pick('runs', id);
    }
    setAsking(false);
  };

  return (
    <>
      <IconButton
        icon={FlipHorizontal2}
        name="Opposite hand, copy beside, symmetric whole"
        onClick={() => setAsking(true)}
      />
      <Modal show={asking} onHide={() => setAsking(false)} aria-labelledby="twin-title">
        <Modal.Header closeButton>
          <Modal.Title id="twin-title">The run once more</Modal.Title>
        </Modal.Header>
        <Modal.Body>
          <Row label="Make" wide>
            <select
              className="form-select form-select-sm"
              aria-label="Make"
              value={how}
              onChange={(event) => setHow(event.target.value as How)}
            >
              {(Object.keys(HOW) as How[]).map((one) => (
                <option key={one} value={one}>
                  {HOW[one]}
                </option>
              ))}
            </select>
          </Row>
          {how === 'offset' ? (
            <VectorField
              label="Moved by"
              value={offset}
              onChange={async (next) => {
                setOffset(next);
              }}
            />
          ) : (
            <>
              <Row label="Across the plane square to">
                <select
                  className="form-select form-select-sm"
                  aria-label="Across the plane square to"
                  value={normal}
                  onChange={(event) => setNormal(event.target.value as typeof normal)}
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
            </>
          )}
          {how !== 'whole' && (
            <label className="form-check-label mt-2">
              <input
                type="checkbox"
                className="form-check-input me-1"
                checked={tied}
                onChange={(event) => setTied(event.target.checked)}
              />
              tied to this run: it goes as this one does
            </label>
          )}
          <p className="quiet mb-0 mt-2">
            {how === 'whole'
              ? 'What there is becomes the first half; the second half and its end follow across the plane.'
              : 'Its ends stand in the open; join them to ports in its card.'}
          </p>
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
