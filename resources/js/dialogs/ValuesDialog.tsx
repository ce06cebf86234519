import { Trash2 } from 'lucide-react';
import { type FormEvent, useState } from 'react';
import { Form, Modal } from 'react-bootstrap';
import { Refused } from '../api/client';
import type { Header, List } from '../api/types';
import { show } from '../job/format';
import { NameField } from '../job/NameField';
import { FieldHome, NumberField } from '../job/NumberField';
import { useWorkbench } from '../job/store';
import { useJob } from '../job/useJob';
import { Button } from '../ui/Button';
import { IconButton } from '../ui/IconButton';

type Values = NonNullable<Header['values']>;

const reason = (error: unknown) => (error instanceof Error ? error.message : 'This cannot be taken.');

/** The named values of the job, which any number may be computed from. */
export function ValuesDialog() {
  const { panel, open } = useWorkbench();
  return (
    <Modal show={panel === 'values'} onHide={() => open(null)} scrollable aria-labelledby="values-title">
      <Modal.Header closeButton>
        <Modal.Title id="values-title">Named values</Modal.Title>
      </Modal.Header>
      <Modal.Body>
        <ValueTable />
      </Modal.Body>
    </Modal>
  );
}

function ValueTable() {
  const { state, edit, item, renameValue: rename } = useJob();
  const [refused, setRefused] = useState<string | null>(null);
  const values: Values = state.job.values ?? {};
  const keep = (next: Values, what: string) => edit([], { values: next }, what);

  const whereOf = (error: unknown) => {
    const { list = '', id = '' } = error instanceof Refused ? error.problem : {};
    return id === '' ? '' : ` by ${item(list as List, id)?.name ?? id}`;
  };
  const remove = (name: string) => {
    const { [name]: _, ...rest } = values;
    keep(rest, `Delete value ${name}`).then(
      () => setRefused(null),
      (error: unknown) => setRefused(`“${name}” is still used${whereOf(error)}: ${reason(error)}`),
    );
  };

  return (
    <FieldHome value="values">
      <p className="quiet">Write =name in any number, or compute with it: =riser / 2 + 10.</p>
      <table className="table-plain values-table">
        <thead>
          <tr>
            <th scope="col">Name</th>
            <th scope="col">Number or expression</th>
            <th scope="col">Comes to</th>
            <th scope="col">
              <span className="visually-hidden">Delete</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {Object.entries(values).map(([name, value]) => (
            <tr key={name}>
              <td>
                <NameField label={`Name of ${name}`} name={name} onChange={(to) => rename(name, to)} />
              </td>
              <td>
                <NumberField
                  label={`Value of ${name}`}
                  unit=""
                  plain
                  value={value}
                  onChange={(next) => keep({ ...values, [name]: next }, `Change value ${name}`)}
                />
              </td>
              <td className="mono">{show(state.values[name] ?? 0, 3)}</td>
              <td>
                <IconButton icon={Trash2} name={`Delete ${name}`} onClick={() => remove(name)} />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {Object.keys(values).length === 0 && <p className="quiet">None yet.</p>}
      {refused !== null && (
        <p className="text-danger" role="alert">
          {refused}
        </p>
      )}
      <NewValue onAdd={(name) => keep({ ...values, [name]: 100 }, `Add value ${name}`)} taken={Object.keys(values)} />
    </FieldHome>
  );
}

function NewValue({ taken, onAdd }: { taken: readonly string[]; onAdd: (name: string) => Promise<void> }) {
  const [name, setName] = useState('');
  const [refused, setRefused] = useState<string | null>(null);
  const add = async (event: FormEvent) => {
    event.preventDefault();
    try {
      if (taken.includes(name.trim())) {
        throw new Error('There is a value of that name already.');
      }
      await onAdd(name.trim());
      setName('');
      setRefused(null);
    } catch (error) {
      setRefused(reason(error));
    }
  };
  return (
    <Form className="d-flex gap-2 mt-2" onSubmit={(event) => void add(event)}>
      <div className="flex-grow-1">
        <Form.Control
          size="sm"
          aria-label="Name of a new value"
          placeholder="Name of a new value"
          value={name}
          isInvalid={refused !== null}
          onChange={(event) => setName(event.target.value)}
        />
        {refused !== null && (
          <div className="text-danger" role="alert">
            {refused}
          </div>
        )}
      </div>
      <div>
        <Button type="submit" disabled={name.trim() === ''}>
          Add it
        </Button>
      </div>
    </Form>
  );
}
