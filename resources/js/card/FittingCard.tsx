import { Plus, Trash2 } from 'lucide-react';
import type { Fitting, Port } from '../api/types';
import { IconButton } from '../ui/IconButton';
import { NameField } from '../ui/NameField';
import { NumberField } from '../ui/NumberField';
import { VectorField } from '../ui/VectorField';
import { tell } from '../workbench/tell';
import { freshId, useJob } from '../workbench/useJob';
import { AxisField } from './AxisField';
import { CardHead } from './CardHead';
import { PoseFields } from './PoseFields';
import { Row, Section } from './Section';
import { ShapeFields } from './ShapeFields';

/** A fitting: where it stands, its body, its ports. */
export function FittingCard({ id }: { id: string }) {
  const { item, put } = useJob();
  const fitting = item('fittings', id);
  if (fitting === undefined) {
    return null;
  }
  const ports = fitting.ports ?? [];
  const change = (changed: Partial<Fitting>) => put('fittings', { ...fitting, ...changed });
  const changePort = (index: number, changed: Partial<Port>) =>
    change({ ports: ports.map((port, i) => (i === index ? { ...port, ...changed } : port)) });
  const addPort = () => {
    const portId = freshId(ports, 'port');
    tell(change({ ports: [...ports, { id: portId, name: `Port ${ports.length + 1}`, at: [0, 0, 0], axis: '+z' }] }));
  };

  return (
    <>
      <CardHead
        list="fittings"
        item={fitting}
        under={`fitting, ${ports.length} port${ports.length === 1 ? '' : 's'}`}
      />
      <PoseFields pose={fitting.pose} onChange={(pose) => change({ pose })} />
      {fitting.body !== undefined && (
        <ShapeFields
          title="Body"
          shape={fitting.body}
          onChange={(shape) => change({ body: { ...fitting.body, ...shape } })}
        />
      )}
      <Section title="Ports, in its own frame" tools={<IconButton icon={Plus} name="Add a port" onClick={addPort} />}>
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
          </fieldset>
        ))}
        {ports.length === 0 && <p className="quiet mb-0">No port yet: nothing can be joined to it.</p>}
      </Section>
    </>
  );
}
