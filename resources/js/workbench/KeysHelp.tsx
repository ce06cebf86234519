import { Modal } from 'react-bootstrap';
import { type Stage, useWorkbench } from '../job/store';
import { useActions } from './useActions';

type Keys = readonly (readonly [string, string])[];

const FIELDS: Keys = [
  ['Enter', 'apply'],
  ['Esc', 'put back what stood there'],
  ['↑ ↓', 'a step; with Shift ten, with Alt a tenth'],
  ['=', 'a named value'],
];
const VIEW: Keys = [
  ['← → ↑ ↓', 'turn the view; with Shift pan'],
  ['+ −', 'zoom'],
  ['Alt', 'while dragging: past the limit'],
];
const LAY: Keys = [
  ['x y z', 'hold an axis; again turns it round'],
  ['a', 'hold the axis of the port'],
  ['f', 'hold square to the face under the pointer'],
  ['Shift', 'let go of all tracks'],
  ['0–9', 'length of the leg, any unit'],
  ['Enter', 'place the corner'],
  ['⌫', 'take back the last leg'],
  ['e', 'end at a port: the next free one'],
  ['Space', 'the next way into the port'],
  ['Esc', 'stop, and keep what is laid'],
];
const TABLE: Keys = [
  ['← → ↑ ↓', 'from cell to cell'],
  ['Enter', 'edit the cell, then apply'],
  ['Ins', 'put a corner into the leg'],
  ['Del', 'take out the corner at its end'],
  ['Ctrl+V', 'paste rows of vertices or legs'],
];

/** The list of keys of the present stage. */
export function KeysHelp({ stage }: { stage: Stage }) {
  const { panel, open } = useWorkbench();
  const actions = useActions().filter(
    (action) => action.key !== undefined && (action.stage === undefined || action.stage === stage),
  );
  const general = actions.map(({ key, name }) => [key?.length === 1 ? key.toUpperCase() : (key ?? ''), name] as const);
  return (
    <Modal show={panel === 'keys'} onHide={() => open(null)} size="lg" scrollable aria-labelledby="keys-title">
      <Modal.Header closeButton>
        <Modal.Title id="keys-title">Keys in {stage.replace(/^./, (letter) => letter.toUpperCase())}</Modal.Title>
      </Modal.Header>
      <Modal.Body className="keys-help" tabIndex={0} role="region" aria-label="Keys">
        <Group title="Anywhere" keys={general} />
        {stage === 'lay' && <Group title="While laying" keys={LAY} />}
        {stage === 'lay' && <Group title="In the path table" keys={TABLE} />}
        <Group title="In the view" keys={VIEW} />
        <Group title="In a number" keys={FIELDS} />
      </Modal.Body>
    </Modal>
  );
}

function Group({ title, keys }: { title: string; keys: Keys }) {
  return (
    <section>
      <h3 className="caption">{title}</h3>
      <dl>
        {keys.map(([key, what]) => (
          <div key={`${key} ${what}`}>
            <dt>
              <kbd>{key}</kbd>
            </dt>
            <dd>{what}</dd>
          </div>
        ))}
      </dl>
    </section>
  );
}
