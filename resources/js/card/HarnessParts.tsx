import { Plus, Trash2 } from 'lucide-react';
import type { Harness } from '../api/types';
import { Field } from '../job/Field';
import { NameField } from '../job/NameField';
import { NumberField } from '../job/NumberField';
import { tell } from '../job/tell';
import { useJob } from '../job/useJob';
import { Choice, named } from '../ui/Choice';
import { IconButton } from '../ui/IconButton';
import { Row, Section } from '../ui/Section';

type Cover = NonNullable<Harness['covers']>[number];

const KINDS = [
  ['sleeve', 'sleeve'],
  ['conduit', 'conduit'],
  ['tape', 'tape'],
] as const;

interface Props {
  harness: Harness;
  onChange: (changed: Partial<Harness>) => Promise<void>;
}

/** A name that none of some items has yet: K1, K2 … */
const fresh = (letter: string, items: readonly { id: string }[]) => {
  let number = items.length + 1;
  while (items.some(({ id }) => id === `${letter}${number}`)) {
    number++;
  }
  return `${letter}${number}`;
};

/** Returns names that are typed with commas between; undefined for none. */
function namesIn(typed: string): string[] | undefined {
  const names = typed
    .split(',')
    .map((name) => name.trim())
    .filter((name) => name !== '');
  return names.length === 0 ? undefined : names;
}

/** What goes round the wires of a harness and joins them: covers, cables, twisted pairs, splices. */
export function HarnessParts({ harness, onChange }: Props) {
  return (
    <>
      <Covers harness={harness} onChange={onChange} />
      <Cables harness={harness} onChange={onChange} />
      <Pairs harness={harness} onChange={onChange} />
      <Splices harness={harness} onChange={onChange} />
    </>
  );
}

function Covers({ harness, onChange }: Props) {
  const { item } = useJob();
  const covers = harness.covers ?? [];
  const trunks = harness.trunks.map((run): [string, string] => [run, item('runs', run)?.name ?? run]);
  const change = (index: number, changed: Partial<Cover>) =>
    onChange({ covers: covers.map((one, i) => (i === index ? { ...one, ...changed } : one)) });
  const add = () => onChange({ covers: [...covers, { run: harness.trunks[0] ?? '', kind: 'sleeve' }] });
  return (
    <Section
      title="Covers"
      tools={<IconButton icon={Plus} name="Add a cover" disabled={trunks.length === 0} onClick={() => tell(add())} />}
    >
      {covers.map((cover, index) => {
        const label = `Cover ${index + 1}`;
        return (
          // biome-ignore lint/suspicious/noArrayIndexKey: it is its number in the harness
          <div key={index} className="part-of-harness">
            <div className="d-flex gap-1">
              <Choice
                label={`${label}: kind`}
                value={cover.kind}
                of={KINDS}
                onChange={(kind) => tell(change(index, { kind: kind as Cover['kind'] }))}
              />
              <Choice
                label={`${label}: trunk`}
                value={cover.run}
                of={trunks}
                onChange={(run) => tell(change(index, { run }))}
              />
              <IconButton
                icon={Trash2}
                name={`Take off cover ${index + 1}`}
                onClick={() => tell(onChange({ covers: covers.filter((_, i) => i !== index) }))}
              />
            </div>
            <Row label="From">
              <NumberField
                label={`${label}: from`}
                value={cover.from ?? 0}
                onChange={(from) => change(index, { from })}
              />
            </Row>
            <Row label="To">
              <NumberField
                label={`${label}: to`}
                value={cover.to}
                placeholder="its end"
                onChange={(to) => change(index, { to })}
              />
            </Row>
            <Row label="Thickness">
              <NumberField
                label={`${label}: thickness`}
                value={cover.thickness ?? 0}
                onChange={(thickness) => change(index, { thickness })}
              />
            </Row>
            {cover.kind === 'tape' && (
              <Row label="Overlap">
                <NumberField
                  label={`${label}: overlap`}
                  unit="%"
                  plain
                  value={cover.overlap ?? 0}
                  onChange={(overlap) => change(index, { overlap })}
                />
              </Row>
            )}
            {cover.kind === 'conduit' && (
              <>
                <Row label="Bore">
                  <NumberField
                    label={`${label}: bore`}
                    value={cover.bore}
                    onChange={(bore) => change(index, { bore })}
                  />
                </Row>
                <Row label="Filled at most">
                  <NumberField
                    label={`${label}: filled at most`}
                    unit="%"
                    plain
                    value={cover.fill}
                    placeholder="any"
                    onChange={(fill) => change(index, { fill })}
                  />
                </Row>
              </>
            )}
          </div>
        );
      })}
      {covers.length === 0 && <p className="quiet mb-0">None.</p>}
    </Section>
  );
}

function Cables({ harness, onChange }: Props) {
  const { items } = useJob();
  const cables = harness.cables ?? [];
  const stocks = named(items('stock').filter(({ kind }) => kind === 'cable' || kind === 'wire'));
  const first = stocks[0]?.[0];
  const change = (id: string, changed: Partial<(typeof cables)[number]>) =>
    onChange({ cables: cables.map((one) => (one.id === id ? { ...one, ...changed } : one)) });
  return (
    <Section
      title="Cables"
      tools={
        <IconButton
          icon={Plus}
          name="Add a cable"
          disabled={first === undefined}
          onClick={() => tell(onChange({ cables: [...cables, { id: fresh('K', cables), stock: first ?? '' }] }))}
        />
      }
    >
      {cables.map((cable) => (
        <div key={cable.id} className="part-of-harness">
          <div className="d-flex gap-1 align-items-center">
            <span className="mono">{cable.id}</span>
            <Choice
              label={`${cable.id}: stock`}
              value={cable.stock}
              of={stocks}
              onChange={(stock) => tell(change(cable.id, { stock }))}
            />
            <IconButton
              icon={Trash2}
              name={`Take out ${cable.id}`}
              onClick={() =>
                tell(
                  onChange({
                    cables: cables.filter(({ id }) => id !== cable.id),
                    wires: harness.wires?.map((wire) =>
                      wire.cable === cable.id ? { ...wire, cable: undefined, core: undefined } : wire,
                    ),
                  }),
                )
              }
            />
          </div>
          <Row label="Cores">
            <Field
              kind="text"
              label={`${cable.id}: cores`}
              placeholder="red, black, …"
              text={(cable.cores ?? []).join(', ')}
              onEnter={(typed) => change(cable.id, { cores: namesIn(typed) })}
            />
          </Row>
          <Row label="Shield on">
            <Field
              kind="text"
              label={`${cable.id}: shield on`}
              placeholder="panel.X1.PE"
              text={(cable.shield ?? []).join(', ')}
              onEnter={(typed) => change(cable.id, { shield: namesIn(typed) })}
            />
          </Row>
        </div>
      ))}
      {cables.length === 0 && <p className="quiet mb-0">None: each wire lies by itself.</p>}
    </Section>
  );
}

function Pairs({ harness, onChange }: Props) {
  const { state } = useJob();
  const pairs = harness.pairs ?? [];
  return (
    <Section
      title="Twisted together"
      tools={
        <IconButton
          icon={Plus}
          name="Add a twisted pair"
          onClick={() => tell(onChange({ pairs: [...pairs, { id: fresh('T', pairs), lay: state.defaults.wire_lay }] }))}
        />
      }
    >
      {pairs.map((pair) => (
        <div key={pair.id} className="d-flex gap-1 align-items-center">
          <Row label={`${pair.id}, a turn in`}>
            <NumberField
              label={`${pair.id}: length of a turn`}
              value={pair.lay}
              onChange={(lay) => onChange({ pairs: pairs.map((one) => (one.id === pair.id ? { ...one, lay } : one)) })}
            />
          </Row>
          <IconButton
            icon={Trash2}
            name={`Take out ${pair.id}`}
            onClick={() =>
              tell(
                onChange({
                  pairs: pairs.filter(({ id }) => id !== pair.id),
                  wires: harness.wires?.map((wire) => (wire.pair === pair.id ? { ...wire, pair: undefined } : wire)),
                }),
              )
            }
          />
        </div>
      ))}
      {pairs.length === 0 && <p className="quiet mb-0">None.</p>}
    </Section>
  );
}

function Splices({ harness, onChange }: Props) {
  const { item } = useJob();
  const splices = harness.splices ?? [];
  const trunks = harness.trunks.map((run): [string, string] => [run, item('runs', run)?.name ?? run]);
  const change = (id: string, changed: Partial<(typeof splices)[number]>) =>
    onChange({ splices: splices.map((one) => (one.id === id ? { ...one, ...changed } : one)) });
  return (
    <Section
      title="Splices"
      tools={
        <IconButton
          icon={Plus}
          name="Add a splice"
          disabled={trunks.length === 0}
          onClick={() =>
            tell(
              onChange({
                splices: [...splices, { id: fresh('S', splices), on: { run: harness.trunks[0] ?? '', length: 0 } }],
              }),
            )
          }
        />
      }
    >
      {splices.map((splice) => (
        <div key={splice.id} className="part-of-harness">
          <div className="d-flex gap-1">
            <NameField
              label={`${splice.id}: name`}
              name={splice.name ?? splice.id}
              onChange={(name) => change(splice.id, { name })}
            />
            <IconButton
              icon={Trash2}
              name={`Take out ${splice.id}`}
              onClick={() => tell(onChange({ splices: splices.filter(({ id }) => id !== splice.id) }))}
            />
          </div>
          <Row label="On">
            <Choice
              label={`${splice.id}: trunk`}
              value={splice.on.run}
              of={trunks}
              onChange={(run) => tell(change(splice.id, { on: { ...splice.on, run } }))}
            />
          </Row>
          <Row label="At">
            <NumberField
              label={`${splice.id}: at`}
              value={splice.on.length}
              onChange={(length) => change(splice.id, { on: { ...splice.on, length } })}
            />
          </Row>
        </div>
      ))}
      {splices.length === 0 && <p className="quiet mb-0">None.</p>}
    </Section>
  );
}
