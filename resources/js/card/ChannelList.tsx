import { useState } from 'react';
import { api } from '../api/client';
import type { Run } from '../api/types';
import { channelsIn } from '../job/blocks';
import { lengthWithUnit } from '../job/format';
import { NumberField } from '../job/NumberField';
import { useWorkbench } from '../job/store';
import { tell } from '../job/tell';
import { useJob } from '../job/useJob';
import { Button } from '../ui/Button';
import { Choice, named } from '../ui/Choice';
import { Row, Section } from '../ui/Section';

interface Props {
  /** Id of the fitting or of the surrounding. */
  block: string;

  /** Its ports: name and title. */
  ports: readonly { name: string; title: string }[];

  /** Of what it is made of, kg/m³. */
  density: number | string | undefined;
  onDensity: (density: number | string | undefined) => Promise<void>;
}

/** The channels of a block, and a way to put one between two of its openings. */
export function ChannelList({ block, ports, density, onDensity }: Props) {
  const { state, items, item, put, solution } = useJob();
  const pick = useWorkbench((store) => store.pick);
  const channels = channelsIn(block, items('runs'));
  const stocks = items('stock');
  const free = ports.filter(({ name }) => channels.every(({ from, to }) => from?.port !== name && to?.port !== name));
  const [chosen, choose] = useState<{ from?: string; to?: string; stock?: string }>({});
  const from = free.find(({ name }) => name === chosen.from) ?? free[0];
  const ends = free.filter(({ name }) => name !== from?.name);
  const to = ends.find(({ name }) => name === chosen.to) ?? ends[0];
  const stock = stocks.find(({ id }) => id === (chosen.stock ?? channels[0]?.stock)) ?? stocks[0];
  const fault = state.bodies.find(({ id }) => id === block)?.fault ?? null;
  if (ports.length < 2 && channels.length === 0) {
    return null;
  }
  const add = async (start: string, end: string, of: string) => {
    const made = await api.newItem(state.id, { kind: 'channel', from: start, to: end, stock: of });
    const run = made.item as unknown as Run;
    await put('runs', run, `Put a channel through ${item('fittings', block)?.name ?? block}`);
    pick('runs', run.id);
  };
  const of = (list: typeof free) => list.map(({ name, title }) => [name, title] as [string, string]);

  return (
    <Section title="Channels">
      {channels.length === 0 && <p className="quiet mb-1">None goes through it.</p>}
      {channels.map((run) => (
        <div key={run.id} className="row-field">
          <Button onClick={() => pick('runs', run.id)}>{run.name ?? run.id}</Button>
          <span className="figure">{lengthWithUnit(solution(run.id)?.length ?? 0)}</span>
        </div>
      ))}
      {channels.length > 0 && (
        <Row label="Density">
          <NumberField
            label="Density of the block"
            unit="kg/m³"
            plain
            value={density}
            placeholder="as its first channel"
            onChange={onDensity}
          />
        </Row>
      )}
      {fault !== null && <p className="text-danger mb-1">{fault}</p>}
      {from !== undefined && to !== undefined && stock !== undefined && (
        <fieldset>
          <legend className="visually-hidden">Put a channel between two openings</legend>
          <Row label="From" wide>
            <Choice
              label="Channel from"
              value={from.name}
              of={of(free)}
              onChange={(name) => choose({ ...chosen, from: name })}
            />
          </Row>
          <Row label="To" wide>
            <Choice
              label="Channel to"
              value={to.name}
              of={of(ends)}
              onChange={(name) => choose({ ...chosen, to: name })}
            />
          </Row>
          <Row label="As wide as" wide>
            <Choice
              label="Channel as wide as"
              value={stock.id}
              of={named(stocks)}
              onChange={(id) => choose({ ...chosen, stock: id })}
            />
          </Row>
          <Button
            title="The smoothest way between both that keeps its least radius and its wall"
            onClick={() => tell(add(from.name, to.name, stock.id))}
          >
            Put a channel between them
          </Button>
        </fieldset>
      )}
    </Section>
  );
}
