import type { Layer, Stock } from '../api/types';
import { length, show } from '../job/format';
import { NumberField } from '../job/NumberField';
import { useJob } from '../job/useJob';
import { Rings } from '../ui/Rings';
import { Row, Section } from '../ui/Section';

interface Props {
  stock: Stock;
  onChange: (changed: Partial<Stock>) => Promise<void>;
}

/** Properties of hoses and cables: radius in motion, mass, stiffness, change under pressure, layers. */
export function FlexibleStock({ stock, onChange }: Props) {
  const { bend, pressure, lengths = [], layers = [] } = stock;
  const facts = useJob().state.stocks[stock.id];
  return (
    <>
      <Section title="Moving and hanging">
        <Row label="Least radius, moving">
          <NumberField
            label="Least radius, moving"
            value={bend.moving_radius}
            placeholder={facts === undefined ? '' : length(facts.moving_radius)}
            onChange={(moving_radius) => onChange({ bend: { ...bend, moving_radius } })}
          />
        </Row>
        <Row label="Mass">
          <NumberField
            label="Mass of a metre"
            unit="kg/m"
            plain
            value={stock.mass}
            placeholder={facts === undefined ? 'by density' : show(facts.mass, 3)}
            onChange={(mass) => onChange({ mass })}
          />
        </Row>
        <Row label="Stiffness">
          <NumberField
            label="Stiffness"
            unit="N·m²"
            plain
            value={stock.stiffness}
            placeholder="by radius"
            onChange={(stiffness) => onChange({ stiffness })}
          />
        </Row>
      </Section>
      {stock.kind === 'hose' && (
        <Section title="Under pressure">
          {(
            [
              ['Shortest', 'shortest'],
              ['Longest', 'longest'],
            ] as const
          ).map(([label, key]) => (
            <Row key={key} label={label}>
              <NumberField
                label={`${label} under pressure`}
                unit="%"
                plain
                value={pressure?.[key] ?? 0}
                onChange={(value) => onChange({ pressure: { shortest: 0, longest: 0, ...pressure, [key]: value } })}
              />
            </Row>
          ))}
        </Section>
      )}
      <Section title="Sold in lengths of">
        {[...lengths, undefined].map((one, index) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a length is its place in the list
          <Row key={index} label={one === undefined ? 'One more' : ''}>
            <NumberField
              label={one === undefined ? 'One more length it is sold in' : `Length ${index + 1} it is sold in`}
              value={one}
              placeholder={lengths.length === 0 ? 'any' : ''}
              onChange={(value) =>
                onChange({
                  lengths: [...lengths.slice(0, index), ...(value === 0 ? [] : [value]), ...lengths.slice(index + 1)],
                })
              }
            />
          </Row>
        ))}
        {lengths.length > 0 && <p className="quiet mb-0">0 takes a length out of the list.</p>}
      </Section>
      {layers.length > 0 && (
        <Section title="Section, from the bore outwards">
          <Layers stock={stock} layers={layers} />
        </Section>
      )}
    </>
  );
}

const FILLS = ['#5d6b70', '#a8741a', '#8d979a', '#c29a55', '#2f3c42'];

const fillOf = (index: number) => FILLS[index % FILLS.length] ?? '#5d6b70';

/** A section through the layers, to scale. */
function Layers({ stock, layers }: { stock: Stock; layers: readonly Layer[] }) {
  const bore = useJob().state.stocks[stock.id]?.bore ?? null;
  const rings = layers.map(({ name, od }, index) => ({ key: `${name} ${od}`, size: Number(od), fill: fillOf(index) }));
  return (
    <div className="d-flex gap-2 align-items-center">
      <Rings
        label="Section through its layers"
        rings={bore === null ? rings : [...rings, { key: 'bore', size: bore, fill: '#fffdf7' }]}
      />
      <ol className="layers list-unstyled mb-0">
        {bore !== null && <li>bore ø {length(bore)}</li>}
        {layers.map((layer, index) => (
          <li key={`${layer.name} ${layer.od}`}>
            <i style={{ background: fillOf(index) }} /> {layer.name} ø {length(Number(layer.od))}
          </li>
        ))}
      </ol>
    </div>
  );
}
