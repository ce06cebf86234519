import { Plus, Trash2 } from 'lucide-react';
import { Modal } from 'react-bootstrap';
import { api } from '../api/client';
import type { JobBender } from '../api/types';
import { Field } from '../job/Field';
import { fieldText } from '../job/format';
import { NameField } from '../job/NameField';
import { FieldHome, NumberField } from '../job/NumberField';
import { useWorkbench } from '../job/store';
import { tell } from '../job/tell';
import { freshId, useJob } from '../job/useJob';
import { Button } from '../ui/Button';
import { IconButton } from '../ui/IconButton';
import { Row } from '../ui/Section';

const LENGTHS = [
  ['min_straight', 'Straight between bends'],
  ['first_grip', 'First grip'],
  ['last_grip', 'Last grip'],
  ['max_od', 'Largest tube'],
] as const;

/** The benders of the shop; the job has its own list once one is changed. */
export function BendersDialog() {
  const { panel, open } = useWorkbench();
  return (
    <Modal show={panel === 'benders'} onHide={() => open(null)} scrollable aria-labelledby="benders-title">
      <Modal.Header closeButton>
        <Modal.Title id="benders-title">Benders at hand</Modal.Title>
      </Modal.Header>
      <Modal.Body>
        <FieldHome value="benders">
          <BenderList />
        </FieldHome>
      </Modal.Body>
    </Modal>
  );
}

function BenderList() {
  const { state, edit } = useJob();
  const benders = state.benders.own;
  const keep = (next: readonly JobBender[], what: string) => edit([], { benders: [...next] }, what);
  const change = (index: number, changed: Partial<JobBender>) =>
    keep(
      benders.map((bender, i) => (i === index ? { ...bender, ...changed } : bender)),
      `Change ${benders[index]?.name}`,
    );
  const add = () => {
    const name = `Bender ${benders.length + 1}`;
    tell(keep([...benders, { ...state.benders.new, id: freshId(benders, name), name }], `Add ${name}`));
  };
  return (
    <>
      {benders.map((bender, index) => (
        <fieldset key={bender.id} className="bender-fields">
          <legend className="visually-hidden">{bender.name}</legend>
          <div className="d-flex gap-1 mb-1">
            <div className="flex-grow-1">
              <NameField
                label={`Name of bender ${index + 1}`}
                name={bender.name}
                onChange={(name) => change(index, { name })}
              />
            </div>
            <IconButton
              icon={Trash2}
              name={`Delete ${bender.name}`}
              onClick={() =>
                tell(
                  keep(
                    benders.filter((_, i) => i !== index),
                    `Delete ${bender.name}`,
                  ),
                )
              }
            />
          </div>
          {LENGTHS.map(([key, label]) => (
            <Row key={key} label={label}>
              <NumberField
                label={`${bender.name}: ${label}`}
                value={bender[key]}
                onChange={(value) => change(index, { [key]: value })}
              />
            </Row>
          ))}
          <Row label="Largest angle">
            <NumberField
              label={`${bender.name}: Largest angle`}
              unit="°"
              plain
              value={bender.max_angle}
              onChange={(max_angle) => change(index, { max_angle })}
            />
          </Row>
          <Row label="Radii of its dies" wide>
            <Field
              label={`${bender.name}: Radii of its dies`}
              kind="text"
              text={bender.radii.map((radius) => fieldText(radius, true)).join('  ')}
              onEnter={async (typed) => change(index, { radii: await radiiOf(state.id, typed) })}
            />
          </Row>
        </fieldset>
      ))}
      {benders.length === 0 && <p className="quiet">None: nothing is asked of a bender.</p>}
      <Button onClick={add}>
        <Plus size={14} aria-hidden /> Add a bender
      </Button>
    </>
  );
}

/** Parses typed radii, each like any other length. */
async function radiiOf(job: number, typed: string): Promise<JobBender['radii']> {
  const words = typed.split(/[;\s]+/).filter((one) => one !== '');
  if (words.length === 0) {
    throw new Error('Lengths with spaces between them are expected: 20 25 30.');
  }
  const read = await Promise.all(words.map((text) => api.entry(job, { text, is_length: true })));
  return read.map(({ value }) => value).sort((a, b) => a - b) as JobBender['radii'];
}
