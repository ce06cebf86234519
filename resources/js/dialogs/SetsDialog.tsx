import { Plus, Trash2 } from 'lucide-react';
import { Modal } from 'react-bootstrap';
import type { Run, RunSet } from '../api/types';
import { lengthEven, lengthWithUnit } from '../job/format';
import { Mark } from '../job/Mark';
import { NameField } from '../job/NameField';
import { FieldHome, NumberField } from '../job/NumberField';
import { useWorkbench } from '../job/store';
import { tell } from '../job/tell';
import { type BareEdit, freshId, useJob } from '../job/useJob';
import { Button } from '../ui/Button';
import { IconButton } from '../ui/IconButton';
import { Row } from '../ui/Section';

/** Sets of runs: brought to the length of the longest, and kept within a budget of tube. */
export function SetsDialog() {
  const { panel, open } = useWorkbench();
  return (
    <Modal show={panel === 'sets'} onHide={() => open(null)} size="lg" scrollable aria-labelledby="sets-title">
      <Modal.Header closeButton>
        <Modal.Title id="sets-title">Sets of runs</Modal.Title>
      </Modal.Header>
      <Modal.Body>
        <FieldHome value="sets">
          <Sets />
        </FieldHome>
      </Modal.Body>
    </Modal>
  );
}

function Sets() {
  const { state, items, edit } = useJob();
  const sets = state.job.sets ?? [];
  const keep = (next: readonly RunSet[], what: string, edits: BareEdit[] = []) =>
    edit(edits, { sets: [...next] }, what);
  const add = () => {
    const name = `Set ${sets.length + 1}`;
    tell(keep([...sets, { id: freshId(sets, name), name, runs: [] }], `Add ${name}`));
  };
  const remove = (set: RunSet) =>
    tell(
      keep(
        sets.filter(({ id }) => id !== set.id),
        `Delete ${set.name}`,
        items('runs')
          .filter((run) => run.fixed_length?.same_as === set.id)
          .map((run) => asItComes(run)),
      ),
    );
  return (
    <>
      <p className="quiet">
        Which legs give, each run says itself: under Length in its card. A budget is for the length of all of them
        together.
      </p>
      {sets.map((set) => (
        <OneSet
          key={set.id}
          set={set}
          onChange={(changed, edits) =>
            keep(
              sets.map((one) => (one.id === set.id ? { ...one, ...changed } : one)),
              `Change ${set.name}`,
              edits,
            )
          }
          onDelete={() => remove(set)}
        />
      ))}
      {sets.length === 0 && <p>None yet.</p>}
      <Button onClick={add}>
        <Plus size={14} aria-hidden /> Add a set
      </Button>
    </>
  );
}

const asItComes = (run: Run): BareEdit => {
  const { fixed_length: _, ...rest } = run;
  return { list: 'runs', id: run.id, item: rest as never };
};

function OneSet({
  set,
  onChange,
  onDelete,
}: {
  set: RunSet;
  onChange: (changed: Partial<RunSet>, edits?: BareEdit[]) => Promise<void>;
  onDelete: () => void;
}) {
  const { state, items, item, lay } = useJob();
  const pick = useWorkbench((store) => store.pick);
  const solved = state.sets.find(({ id }) => id === set.id);
  const name = set.name ?? set.id;
  const others = items('runs').filter(({ id }) => !set.runs.includes(id));
  const over = solved?.over === true;

  return (
    <section className="card-section" aria-label={name}>
      <div className="d-flex gap-1 mb-1">
        <div className="flex-grow-1">
          <NameField label={`Name of ${name}`} name={name} onChange={(typed) => onChange({ name: typed })} />
        </div>
        <IconButton icon={Trash2} name={`Delete ${name}`} onClick={onDelete} />
      </div>
      <table className="table-plain">
        <thead>
          <tr>
            <th scope="col">Run</th>
            <th scope="col">Length</th>
            <th scope="col">As long as the longest</th>
            <th scope="col">Off by</th>
            <th scope="col">
              <span className="visually-hidden">Take out</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {set.runs.map((id) => {
            const run = item('runs', id);
            const member = solved?.members.find((one) => one.run === id);
            const isSame = run?.fixed_length?.same_as === set.id;
            return run === undefined ? null : (
              <tr key={id}>
                <td>
                  <button type="button" className="row-pick" onClick={() => pick('runs', id)}>
                    {run.name ?? id}
                  </button>
                </td>
                <td>
                  {member === undefined ? '' : lengthEven(member.length)}
                  {member?.waiting === true && <div className="text-body-secondary">not worked out yet</div>}
                </td>
                <td>
                  <input
                    type="checkbox"
                    className="form-check-input"
                    aria-label={`${run.name ?? id}: as long as the longest`}
                    checked={isSame}
                    onChange={() =>
                      tell(
                        lay(id, isSame ? { do: 'hold-as', how: 'free' } : { do: 'hold-as', how: 'set', set: set.id }),
                      )
                    }
                  />
                </td>
                <td>
                  {member?.off === null || member?.off === undefined ? (
                    ''
                  ) : (
                    <>
                      <Mark status={member.kept === false ? 'violation' : 'good'} /> {lengthEven(member.off, 2)}
                    </>
                  )}
                </td>
                <td>
                  <IconButton
                    icon={Trash2}
                    name={`Take ${run.name ?? id} out of ${name}`}
                    onClick={() =>
                      tell(onChange({ runs: set.runs.filter((one) => one !== id) }, isSame ? [asItComes(run)] : []))
                    }
                  />
                </td>
              </tr>
            );
          })}
        </tbody>
        <tfoot>
          <tr>
            <td>Together</td>
            <td>
              {lengthEven(solved?.total ?? 0)}
              {solved?.members.some(({ waiting }) => waiting === true) && (
                <div className="text-body-secondary">not all worked out</div>
              )}
            </td>
            <td colSpan={3}>
              {solved?.longest === null || solved?.longest === undefined
                ? ''
                : `one length: ${lengthWithUnit(solved.longest, 2)}`}
            </td>
          </tr>
        </tfoot>
      </table>
      <Row label="Add a run" wide>
        <select
          className="form-select form-select-sm"
          aria-label={`Add a run to ${name}`}
          value=""
          onChange={(event) => tell(onChange({ runs: [...set.runs, event.target.value] }))}
        >
          <option value="">choose…</option>
          {others.map((run) => (
            <option key={run.id} value={run.id}>
              {run.name ?? run.id}
            </option>
          ))}
        </select>
      </Row>
      <Row label="Budget">
        <NumberField
          label={`Budget of ${name}`}
          value={set.budget}
          placeholder="none"
          onChange={(budget) => onChange({ budget })}
        />
      </Row>
      {solved?.left !== null && solved?.left !== undefined && (
        <p className={over ? 'text-danger mb-0' : 'mb-0'} role="status">
          <Mark status={over ? 'violation' : 'good'} />{' '}
          {over ? `${lengthWithUnit(Math.abs(solved.left))} over the budget` : `${lengthWithUnit(solved.left)} left`}
        </p>
      )}
    </section>
  );
}
