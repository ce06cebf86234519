import { Plus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { Modal } from 'react-bootstrap';
import { api } from '../api/client';
import type { PortPair, Several } from '../api/types';
import { FieldHome, PercentField } from '../job/NumberField';
import { allPorts, freePorts } from '../job/newItems';
import { useWorkbench } from '../job/store';
import { tell } from '../job/tell';
import { useJob } from '../job/useJob';
import { usePreferredStock } from '../job/usePreferredStock';
import { Button } from '../ui/Button';
import { Choice, named } from '../ui/Choice';
import { IconButton } from '../ui/IconButton';
import { Row } from '../ui/Section';

const BEHAVES: Record<Several['behaves'], string> = {
  hang: 'hang freely',
  drape: 'lie over what they meet',
  spring: 'spring between their ends',
  flow: 'go smoothly, through points',
};

/** Lays flexible runs between many pairs of ports, with one stock and one slack. */
export function SeveralDialog() {
  const { panel, open } = useWorkbench();
  return (
    <Modal show={panel === 'several'} onHide={() => open(null)} size="lg" scrollable aria-labelledby="several-title">
      <Modal.Header closeButton>
        <Modal.Title id="several-title">Lay several at once</Modal.Title>
      </Modal.Header>
      <Modal.Body>
        <FieldHome value="several">
          <Pairs />
        </FieldHome>
      </Modal.Body>
    </Modal>
  );
}

function Pairs() {
  const { state, items, edit } = useJob();
  const { open, pick } = useWorkbench();
  const [stock, setStock] = usePreferredStock();
  const [behaves, setBehaves] = useState<Several['behaves']>('hang');
  const [slack, setSlack] = useState<number | string>(0.08);
  const [pairs, setPairs] = useState<PortPair[]>([]);
  const [along, setAlong] = useState('');
  const ports = allPorts(state.places, items('fittings')).map(({ name, label }): [string, string] => [name, label]);
  const free = freePorts(state.places, items('fittings'), items('runs'));
  const taken = new Set(pairs.flatMap(({ from, to }) => [from, to]));
  const left = free.filter(({ name }) => !taken.has(name));
  const withPorts = items('fittings').filter(({ id }) => left.some(({ name }) => name.startsWith(`${id}.`)));
  const add = () => {
    const [from, to] = [
      left[0]?.name,
      left.find(({ name }) => fittingOf(name) !== fittingOf(left[0]?.name ?? ''))?.name,
    ];
    if (from !== undefined && to !== undefined) {
      setPairs([...pairs, { from, to }]);
    }
  };
  const lay = async () => {
    const made = await api.several(state.id, {
      stock,
      behaves,
      slack,
      pairs,
    });
    const leader = along === 'first' ? made[0]?.id : along;
    const others = made.filter(({ id }) => id !== leader);
    const combed =
      leader === undefined || leader === '' || others.length === 0
        ? []
        : await api.comb(state.id, { along: leader, runs: others.map(({ id }) => id), apart: 1, drafts: made });
    await edit(
      made.map((run) => ({ list: 'runs', id: run.id, item: combed.find(({ id }) => id === run.id) ?? run })) as never,
      undefined,
      `Lay ${made.length} runs`,
    );
    if (made[0] !== undefined) {
      pick('runs', made[0].id);
    }
    open(null);
  };
  return (
    <>
      <Row label="Stock" wide>
        <Choice label="Stock of all" value={stock} of={named(items('stock'))} onChange={(value) => setStock(value)} />
      </Row>
      <Row label="They" wide>
        <Choice
          label="How all behave"
          value={behaves}
          of={Object.entries(BEHAVES)}
          onChange={(value) => setBehaves(value as Several['behaves'])}
        />
      </Row>
      {behaves !== 'flow' && (
        <Row label="Slack">
          <PercentField label="Slack of all" value={slack} onChange={(value) => Promise.resolve(setSlack(value))} />
        </Row>
      )}
      <Row label="Bundle" wide>
        <Choice
          label="Comb into a bundle"
          value={along}
          of={[
            ['', 'none: each by itself'],
            ['first', 'combed along the first of them'],
            ...items('runs')
              .filter(({ route }) => route.kind !== 'wrap')
              .map(({ id, name }): [string, string] => [id, `combed along ${name ?? id}`]),
          ]}
          onChange={setAlong}
        />
      </Row>
      <table className="table-plain mt-2">
        <thead>
          <tr>
            <th scope="col">From</th>
            <th scope="col">To</th>
            <th scope="col">
              <span className="visually-hidden">Take out</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {pairs.map((pair, index) => (
            <tr key={`${pair.from} ${pair.to}`}>
              {(['from', 'to'] as const).map((end) => (
                <td key={end}>
                  <Choice
                    label={`Pair ${index + 1}: ${end}`}
                    value={pair[end]}
                    of={ports}
                    onChange={(port) => setPairs(pairs.map((one, i) => (i === index ? { ...one, [end]: port } : one)))}
                  />
                </td>
              ))}
              <td>
                <IconButton
                  icon={Trash2}
                  name={`Take pair ${index + 1} out`}
                  onClick={() => setPairs(pairs.filter((_, i) => i !== index))}
                />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {pairs.length === 0 && <p className="quiet">No pair yet: add them one by one, or all ports of two fittings.</p>}
      <AllOfTwo
        fittings={withPorts.map(({ id, name }) => ({ id, name: name ?? id }))}
        onPair={(a, b) => {
          const [from, to] = [a, b].map((id) => left.filter(({ name }) => fittingOf(name) === id));
          setPairs([
            ...pairs,
            ...(from ?? []).flatMap(({ name }, i) => (to?.[i] === undefined ? [] : [{ from: name, to: to[i].name }])),
          ]);
        }}
      />
      <div className="d-flex gap-2 mt-2">
        <Button onClick={add} disabled={left.length < 2}>
          <Plus size={14} aria-hidden /> Add a pair
        </Button>
        <Button look="primary" disabled={pairs.length === 0 || stock === ''} onClick={() => tell(lay())}>
          {pairs.length < 2 ? 'Lay it' : `Lay all ${pairs.length}`}
        </Button>
      </div>
    </>
  );
}

const fittingOf = (port: string) => port.split('.')[0] ?? '';

interface TwoProps {
  fittings: readonly { id: string; name: string }[];
  onPair: (one: string, other: string) => void;
}

/** Pairs the free ports of two fittings in order. */
function AllOfTwo({ fittings, onPair }: TwoProps) {
  const [one, setOne] = useState('');
  const [other, setOther] = useState('');
  return (
    <div className="d-flex gap-2 align-items-center">
      <span className="text-nowrap">All ports of</span>
      {(
        [
          ['Ports of one fitting', one, setOne],
          ['Ports of the other fitting', other, setOther],
        ] as const
      ).map(([label, value, set]) => (
        <Choice key={label} label={label} value={value} of={[['', 'choose…'], ...named(fittings)]} onChange={set} />
      ))}
      <Button disabled={one === '' || other === '' || one === other} onClick={() => onPair(one, other)}>
        Pair
      </Button>
    </div>
  );
}
