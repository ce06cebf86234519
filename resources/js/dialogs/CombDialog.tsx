import { useState } from 'react';
import { Form, Modal } from 'react-bootstrap';
import { api } from '../api/client';
import { FieldHome, NumberField } from '../job/NumberField';
import { useWorkbench } from '../job/store';
import { tell } from '../job/tell';
import { useJob } from '../job/useJob';
import { Button } from '../ui/Button';
import { Choice, named } from '../ui/Choice';
import { Row } from '../ui/Section';

/** Combs existing flexible runs into a bundle along another, side by side. */
export function CombDialog() {
  const { panel, open } = useWorkbench();
  return (
    <Modal show={panel === 'comb'} onHide={() => open(null)} scrollable aria-labelledby="comb-title">
      <Modal.Header closeButton>
        <Modal.Title id="comb-title">Comb into a bundle</Modal.Title>
      </Modal.Header>
      <Modal.Body>
        <FieldHome value="comb">
          <Combing />
        </FieldHome>
      </Modal.Body>
    </Modal>
  );
}

function Combing() {
  const { state, items, edit } = useJob();
  const { open, picked } = useWorkbench();
  const leaders = items('runs').filter(({ route }) => route.kind !== 'wrap');
  const [along, setAlong] = useState(
    leaders.find(({ id }) => picked?.list === 'runs' && picked.id === id)?.id ?? leaders[0]?.id ?? '',
  );
  const [chosen, setChosen] = useState<readonly string[]>([]);
  const [apart, setApart] = useState<number | string>(1);
  const [from, setFrom] = useState<number | string>();
  const [to, setTo] = useState<number | string>();
  const flexible = items('runs').filter(({ id, route }) => id !== along && route.kind !== 'corners');
  const runs = chosen.filter((id) => flexible.some((run) => run.id === id));
  const comb = async () => {
    const combed = await api.comb(state.id, {
      along,
      runs,
      apart,
      ...(from === undefined ? {} : { from }),
      ...(to === undefined ? {} : { to }),
    });
    const name = items('runs').find(({ id }) => id === along)?.name ?? along;
    await edit(
      combed.map((run) => ({ list: 'runs', id: run.id, item: run })) as never,
      undefined,
      `Comb along ${name}`,
    );
    open(null);
  };
  return (
    <>
      <Row label="Along" wide>
        <Choice label="Along" value={along} of={named(leaders)} onChange={(value) => setAlong(value)} />
      </Row>
      {(
        [
          ['From', from, setFrom, 'leaving room'],
          ['To', to, setTo, 'leaving room'],
          ['Apart', apart, setApart, ''],
        ] as const
      ).map(([label, value, set, placeholder]) => (
        <Row key={label} label={label}>
          <NumberField
            label={`Bundle: ${label.toLowerCase()}`}
            value={value}
            placeholder={placeholder}
            onChange={(next) => Promise.resolve(set(next))}
          />
        </Row>
      ))}
      <fieldset className="mt-2">
        <legend className="caption">These lie beside it</legend>
        {flexible.map((run) => (
          <Form.Check
            key={run.id}
            id={`comb-${run.id}`}
            label={run.name ?? run.id}
            checked={chosen.includes(run.id)}
            onChange={(event) =>
              setChosen(event.target.checked ? [...chosen, run.id] : chosen.filter((id) => id !== run.id))
            }
          />
        ))}
        {flexible.length === 0 && <p className="quiet">No other flexible run in this job.</p>}
      </fieldset>
      <Button look="primary" disabled={runs.length === 0} onClick={() => tell(comb())}>
        {runs.length === 0 ? 'Comb them along it' : `Comb ${runs.length} along it`}
      </Button>
    </>
  );
}
