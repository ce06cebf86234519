import { type FormEvent, useState } from 'react';
import { Form, Modal } from 'react-bootstrap';
import { useNavigate } from 'react-router';
import { api } from '../api/client';
import type { Run, Several } from '../api/types';
import { useLaying } from '../job/laying';
import { freePorts } from '../job/newItems';
import { useWorkbench } from '../job/store';
import { useJob } from '../job/useJob';
import { usePreferredStock } from '../job/usePreferredStock';
import { useWays } from '../job/ways';
import { Button } from '../ui/Button';

type Behaves = 'corners' | Several['behaves'];

const BEHAVES: Record<Behaves, string> = {
  corners: 'rigid, with bends at its corners',
  hang: 'hangs freely',
  drape: 'lies over what it meets',
  spring: 'springs between its ends',
  flow: 'smooth, through points',
};

/** Asks for the ports and the stock of a new run. */
export function NewRun({ show, onClose }: { show: boolean; onClose: () => void }) {
  return (
    <Modal show={show} onHide={onClose} aria-labelledby="new-run">
      <NewRunForm onClose={onClose} />
    </Modal>
  );
}

function NewRunForm({ onClose }: { onClose: () => void }) {
  const { state, items, put } = useJob();
  const { pick, open } = useWorkbench();
  const navigate = useNavigate();
  const ports = freePorts(state.places, items('fittings'), items('runs'));
  const [name, setName] = useState('New run');
  const [stock, setStock] = usePreferredStock();
  const begin = useLaying((store) => store.begin);
  const [from, setFrom] = useState(ports[0]?.name ?? '');
  const [to, setTo] = useState(ports[1]?.name ?? '');
  const kind = items('stock').find((one) => one.id === stock)?.kind;
  const [chosen, setBehaves] = useState<Behaves | null>(null);
  const behaves = chosen ?? (kind === 'hose' ? 'spring' : kind === 'cable' || kind === 'wire' ? 'hang' : 'corners');
  const [refused, setRefused] = useState<string | null>(null);

  const lay = async (event: FormEvent) => {
    event.preventDefault();
    try {
      const given = name.trim() || 'New run';
      const { item } = await api.newItem(state.id, { kind: 'run', name: given, stock, from, to });
      const rigid = item as unknown as Run;
      const [flexible] =
        behaves === 'corners' ? [] : await api.several(state.id, { stock, behaves, pairs: [{ from, to }] });
      await put('runs', flexible === undefined ? rigid : { ...flexible, id: rigid.id, name: given });
      pick('runs', rigid.id);
      navigate(`/jobs/${state.id}/lay`);
      onClose();
    } catch (error) {
      setRefused(error instanceof Error ? error.message : 'This did not work.');
    }
  };

  const byHand = () => {
    const port = state.places.flatMap((place) => place.ports).find((one) => one.name === from);
    if (port !== undefined) {
      navigate(`/jobs/${state.id}/lay`);
      begin({ port: port.name, at: port.at, axis: port.axis }, stock);
      onClose();
    }
  };

  const choice = (label: string, value: string, set: (value: string) => void, other: string) => (
    <Form.Group className="mb-2" controlId={`new-run-${label}`}>
      <Form.Label className="mb-0">{label}</Form.Label>
      <Form.Select size="sm" value={value} onChange={(event) => set(event.target.value)} required>
        {ports
          .filter((port) => port.name !== other)
          .map((port) => (
            <option key={port.name} value={port.name}>
              {port.label}
            </option>
          ))}
      </Form.Select>
    </Form.Group>
  );
  const missing =
    ports.length < 2
      ? 'A run needs two free ports. Place fittings with ports first.'
      : stock === ''
        ? 'Add a stock first.'
        : null;

  return (
    <Form onSubmit={(event) => void lay(event)}>
      <Modal.Header closeButton>
        <Modal.Title id="new-run">Lay a run</Modal.Title>
      </Modal.Header>
      <Modal.Body>
        {missing !== null && <p className="text-danger">{missing}</p>}
        <Form.Group className="mb-2" controlId="new-run-name">
          <Form.Label className="mb-0">Name</Form.Label>
          <Form.Control
            size="sm"
            value={name}
            maxLength={200}
            onChange={(event) => setName(event.target.value)}
            required
          />
        </Form.Group>
        <Form.Group className="mb-2" controlId="new-run-stock">
          <Form.Label className="mb-0">Stock</Form.Label>
          <Form.Select size="sm" value={stock} onChange={(event) => setStock(event.target.value)} required>
            {items('stock').map((item) => (
              <option key={item.id} value={item.id}>
                {item.name ?? item.id}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
        <Form.Group className="mb-2" controlId="new-run-behaves">
          <Form.Label className="mb-0">Behaves</Form.Label>
          <Form.Select size="sm" value={behaves} onChange={(event) => setBehaves(event.target.value as Behaves)}>
            {Object.entries(BEHAVES).map(([one, words]) => (
              <option key={one} value={one}>
                {words}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
        {choice('From', from, setFrom, to)}
        {choice('To', to, setTo, from)}
        {refused !== null && (
          <p className="text-danger mb-0" role="alert">
            {refused}
          </p>
        )}
      </Modal.Body>
      <Modal.Footer>
        <Button
          look="link"
          onClick={() => {
            onClose();
            open('several');
          }}
        >
          Several at once…
        </Button>
        <Button onClick={onClose}>Cancel</Button>
        <Button
          disabled={from === '' || to === '' || stock === '' || behaves !== 'corners'}
          onClick={() => {
            navigate(`/jobs/${state.id}/lay`);
            useWays.getState().ask([{ from, to, stock }]);
            onClose();
          }}
        >
          Look for ways
        </Button>
        <Button onClick={byHand} disabled={from === '' || stock === '' || behaves !== 'corners'}>
          Lay it leg by leg
        </Button>
        <Button look="primary" type="submit" disabled={missing !== null}>
          Lay it
        </Button>
      </Modal.Footer>
    </Form>
  );
}
