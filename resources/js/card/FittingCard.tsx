import { Plus, Trash2 } from 'lucide-react';
import { api } from '../api/client';
import type { Body, Fitting, Port } from '../api/types';
import { length } from '../job/format';
import { NameField } from '../job/NameField';
import { NumberField } from '../job/NumberField';
import { usePointing } from '../job/pointing';
import { tell } from '../job/tell';
import { freshId, useJob } from '../job/useJob';
import { VectorField } from '../job/VectorField';
import { Button } from '../ui/Button';
import { IconButton } from '../ui/IconButton';
import { Row, Section } from '../ui/Section';
import { AxisField } from './AxisField';
import { CardHead } from './CardHead';
import { ChannelList } from './ChannelList';
import { MountField } from './MountFields';
import { MovementFields } from './MovementFields';
import { poseIn } from './mounting';
import { PartFields } from './PartFields';
import { PinsField } from './PinsField';
import { PoseFields } from './PoseFields';
import { ShapeFields } from './ShapeFields';

/** The card of a fitting: its place, its body, its ports. */
export function FittingCard({ id }: { id: string }) {
  const { item, put, places, state } = useJob();
  const ask = usePointing((store) => store.ask);
  const fitting = item('fittings', id);
  if (fitting === undefined) {
    return null;
  }
  const ports = fitting.ports ?? [];
  const place = places.find((one) => one.list === 'fittings' && one.id === id);
  const all = place?.ports ?? [];
  const own = new Set(ports.map((port) => port.id));
  const mount = (on: string | undefined) => {
    const host = places.find((one) => one.list === 'surroundings' && one.id === on);
    return change({ on, pose: place === undefined ? fitting.pose : poseIn(host, place) });
  };
  const putOnPort = () =>
    ask({
      words: `Which port of ${fitting.name ?? id}?`,
      kinds: ['port'],
      take: async ({ anchor: port }) => {
        if (typeof port !== 'string' || !all.some(({ name }) => name === port)) {
          throw new Error(`Point at a port of ${fitting.name ?? id} first, then at the one it goes on.`);
        }
        ask({
          words: `On which port?`,
          kinds: ['port'],
          take: async ({ anchor: onto }) => {
            if (typeof onto === 'string') {
              await put(
                'fittings',
                await api.portOnto(state.id, id, { port, onto }),
                `Put ${fitting.name ?? id} on a port`,
              );
            }
          },
        });
      },
    });
  const change = (changed: Partial<Fitting>) => put('fittings', { ...fitting, ...changed });
  const changePort = (index: number, changed: Partial<Port>) =>
    change({ ports: ports.map((port, i) => (i === index ? { ...port, ...changed } : port)) });
  const addPort = () => {
    const portId = freshId(ports, 'port');
    tell(change({ ports: [...ports, { id: portId, name: `Port ${ports.length + 1}`, at: [0, 0, 0], axis: '+z' }] }));
  };

  return (
    <>
      <CardHead list="fittings" item={fitting} under={`fitting, ${all.length} port${all.length === 1 ? '' : 's'}`} />
      <PoseFields pose={fitting.pose} onChange={(pose) => change({ pose })}>
        <MountField on={fitting.on} onChange={mount} />
        {all.length > 0 && (
          <Button onClick={putOnPort} title="A port of this fitting is put on a port of another, face to face">
            Put a port on a port…
          </Button>
        )}
      </PoseFields>
      <MovementFields fitting={fitting} onChange={change} />
      {fitting.part !== undefined && <PartFields part={fitting.part} onChange={(part) => change({ part })} />}
      {fitting.body !== undefined && (
        <ShapeFields
          title="Body"
          shape={fitting.body}
          onChange={(shape) => change({ body: { ...fitting.body, ...shape } })}
        />
      )}
      {fitting.body !== undefined && fitting.part === undefined && (
        <ChannelList
          block={id}
          ports={all}
          density={fitting.body.density}
          onDensity={(density) => change({ body: { ...(fitting.body as Body), density } })}
        />
      )}
      <Section
        title={fitting.part === undefined ? 'Ports, in its own frame' : 'Ports'}
        tools={<IconButton icon={Plus} name="Add a port" onClick={addPort} />}
      >
        {ports.map((port, index) => (
          <fieldset key={port.id} className="mb-2">
            <legend className="visually-hidden">Port {port.name ?? port.id}</legend>
            <div className="d-flex gap-1 mb-1">
              <div className="flex-grow-1">
                <NameField
                  label={`Name of port ${port.id}`}
                  name={port.name ?? port.id}
                  onChange={(name) => changePort(index, { name })}
                />
              </div>
              <IconButton
                icon={Trash2}
                name={`Delete port ${port.name ?? port.id}`}
                onClick={() => tell(change({ ports: ports.filter((_, i) => i !== index) }))}
              />
            </div>
            <VectorField
              label="At"
              of={`Port ${port.id}`}
              value={port.at}
              onChange={(at) => changePort(index, { at })}
            />
            <AxisField
              label="Axis"
              of={`Port ${port.id}`}
              axis={port.axis}
              onChange={(axis) => changePort(index, { axis })}
            />
            <Row label="Size, ø">
              <NumberField
                label={`Size of port ${port.id}`}
                value={port.size}
                placeholder="any"
                onChange={(size) => changePort(index, { size })}
              />
            </Row>
            <Row label="Pins" wide>
              <PinsField
                label={`Pins of port ${port.id}`}
                pins={port.pins}
                onChange={(pins) => changePort(index, { pins })}
              />
            </Row>
          </fieldset>
        ))}
        {all
          .filter((port) => !own.has(port.id))
          .map((port) => (
            <div key={port.id} className="row-field">
              <span>
                {port.title}
                {port.size === null ? '' : ` · ø ${length(port.size)}`}
              </span>
              <span className="figure">{port.at.map((part) => length(part)).join(', ')}</span>
            </div>
          ))}
        {all.length === 0 && <p className="quiet mb-0">No port yet: nothing can be joined to it.</p>}
      </Section>
    </>
  );
}
