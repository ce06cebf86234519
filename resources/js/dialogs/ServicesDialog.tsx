import { Plus, Trash2 } from 'lucide-react';
import { Modal } from 'react-bootstrap';
import type { Service } from '../api/types';
import { NameField } from '../job/NameField';
import { FieldHome } from '../job/NumberField';
import { useWorkbench } from '../job/store';
import { tell } from '../job/tell';
import { freshId, useJob } from '../job/useJob';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { IconButton } from '../ui/IconButton';
import { ServiceMark } from '../ui/ServiceMark';
import { ClassField, KeptApart } from './KeptApart';

const BANDS = ['0', '1', '2', '3', '4'] as const;

/** What runs carry and how far that is kept apart; the job has its own list of services once one is changed. */
export function ServicesDialog() {
  const { panel, open } = useWorkbench();
  return (
    <Modal show={panel === 'services'} onHide={() => open(null)} scrollable size="lg" aria-labelledby="services-title">
      <Modal.Header closeButton>
        <Modal.Title id="services-title">What runs carry</Modal.Title>
      </Modal.Header>
      <Modal.Body>
        <FieldHome value="services">
          <ServiceList />
        </FieldHome>
        <FieldHome value="clearances">
          <KeptApart />
        </FieldHome>
      </Modal.Body>
    </Modal>
  );
}

function ServiceList() {
  const { state, items, edit } = useJob();
  const { services } = state;
  const keep = (next: readonly Service[], what: string) => edit([], { services: [...next] }, what);
  const change = (index: number, changed: Partial<Service>) =>
    keep(
      services.map((one, i) => (i === index ? { ...one, ...changed } : one)),
      `Change ${services[index]?.name}`,
    );
  const add = () => {
    const name = `Service ${services.length + 1}`;
    const last = services.at(-1);
    tell(keep([...services, { colour: '#7b8794', ...last, id: freshId(services, name), name }], `Add ${name}`));
  };
  const isUsed = (id: string) => items('runs').some(({ service }) => service === id);
  return (
    <>
      {services.map((service, index) => (
        <fieldset key={service.id} className="service-fields">
          <legend className="visually-hidden">{service.name}</legend>
          <ServiceMark colour={service.colour} bands={Number(service.bands ?? 0)} />
          <input
            type="color"
            className="form-control form-control-color"
            aria-label={`${service.name}: colour`}
            // The last of many colours on the way is kept.
            key={service.colour}
            defaultValue={service.colour}
            onBlur={({ target: { value } }) => value !== service.colour && tell(change(index, { colour: value }))}
          />
          <NameField
            label={`Name of service ${index + 1}`}
            name={service.name ?? service.id}
            onChange={(name) => change(index, { name })}
          />
          <Choice
            narrow
            label={`${service.name}: bands`}
            value={String(service.bands ?? 0)}
            of={BANDS.map((count): [string, string] => [count, count === '1' ? '1 band' : `${count} bands`])}
            onChange={(bands) => tell(change(index, { bands: Number(bands) }))}
          />
          <ClassField service={service} onChange={(one) => change(index, { class: one })} />
          <IconButton
            icon={Trash2}
            name={isUsed(service.id) ? `${service.name} is carried by a run` : `Delete ${service.name}`}
            disabled={isUsed(service.id)}
            onClick={() =>
              tell(
                keep(
                  services.filter((_, i) => i !== index),
                  `Delete ${service.name}`,
                ),
              )
            }
          />
        </fieldset>
      ))}
      <Button onClick={add}>
        <Plus size={14} aria-hidden /> Add a service
      </Button>
    </>
  );
}
