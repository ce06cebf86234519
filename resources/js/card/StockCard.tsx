import type { Stock } from '../api/types';
import { length } from '../job/format';
import { NumberField } from '../job/NumberField';
import { useWorkbench } from '../job/store';
import { tell } from '../job/tell';
import { useJob } from '../job/useJob';
import { Button } from '../ui/Button';
import { Row, Section } from '../ui/Section';
import { CardHead } from './CardHead';
import { FlexibleStock } from './FlexibleStock';
import { SectionFields } from './SectionFields';

const KINDS: readonly Stock['kind'][] = ['tube', 'pipe', 'hose', 'cable', 'wire', 'rod', 'bundle'];

const FLEXIBLE: readonly Stock['kind'][] = ['hose', 'cable', 'wire'];

/** The card of a stock: its section, its bending, and the runs made of it. */
export function StockCard({ id }: { id: string }) {
  const { item, items, put, state } = useJob();
  const pick = useWorkbench((store) => store.pick);
  const stock = item('stock', id);
  if (stock === undefined) {
    return null;
  }
  const { bend } = stock;
  const facts = state.stocks[id];
  const change = (changed: Partial<Stock>) => put('stock', { ...stock, ...changed });
  const changeBend = (changed: Partial<Stock['bend']>) => change({ bend: { ...bend, ...changed } });
  const flexible = FLEXIBLE.includes(stock.kind);
  const users = items('runs').filter((run) => run.stock === id);
  const isBundle = stock.kind === 'bundle';

  return (
    <>
      <CardHead
        list="stock"
        item={stock}
        under={`stock, used by ${users.length} run${users.length === 1 ? '' : 's'}`}
      />
      <Section title="Section">
        <Row label="Kind">
          <select
            className="form-select form-select-sm"
            aria-label="Kind"
            value={stock.kind}
            onChange={(event) => tell(change({ kind: event.target.value as Stock['kind'] }))}
          >
            {KINDS.map((kind) => (
              <option key={kind}>{kind}</option>
            ))}
          </select>
        </Row>
        {isBundle ? (
          <p className="quiet mb-0">A bundle is as thick as the wires in it; trunks of harnesses are laid of it.</p>
        ) : (
          <>
            <SectionFields stock={stock} onChange={(section) => change({ section })} />
            <Row label="Density">
              <NumberField
                label="Density"
                unit="kg/m³"
                plain
                value={stock.density}
                onChange={(density) => change({ density })}
              />
            </Row>
          </>
        )}
      </Section>
      <Section title="Bending">
        <Row label="Bend radius">
          <NumberField label="Bend radius" value={bend.radius} onChange={(radius) => changeBend({ radius })} />
        </Row>
        {!isBundle && (
          <Row label="Least radius">
            <NumberField label="Least radius" value={bend.min_radius} onChange={(r) => changeBend({ min_radius: r })} />
          </Row>
        )}
        {!flexible && !isBundle && (
          <>
            <Row label="Straight between bends">
              <NumberField
                label="Straight between bends"
                value={bend.min_straight}
                onChange={(s) => changeBend({ min_straight: s })}
              />
            </Row>
            <Row label="Stretch per degree">
              <NumberField
                label="Stretch per degree"
                value={bend.stretch_per_degree ?? 0}
                onChange={(s) => changeBend({ stretch_per_degree: s })}
              />
            </Row>
            <Row label="Springback, share">
              <NumberField
                label="Springback, share of the angle"
                unit=""
                plain
                value={bend.springback?.ratio ?? 0}
                onChange={(ratio) => changeBend({ springback: { ...bend.springback, ratio } })}
              />
            </Row>
            <Row label="Springback, fixed">
              <NumberField
                label="Springback, fixed"
                unit="°"
                plain
                value={bend.springback?.offset ?? 0}
                onChange={(offset) => changeBend({ springback: { ...bend.springback, offset } })}
              />
            </Row>
          </>
        )}
      </Section>
      {!isBundle && (
        <Section title="Supports">
          <Row label="At most apart">
            <NumberField
              label="Supports at most apart"
              value={stock.support_spacing}
              placeholder={facts?.support_spacing == null ? 'as far as you like' : length(facts.support_spacing)}
              onChange={(support_spacing) => change({ support_spacing })}
            />
          </Row>
          {facts?.support_source != null && (
            <p className="quiet mb-0">By {facts.support_source}, level and full of water.</p>
          )}
        </Section>
      )}
      {flexible && <FlexibleStock stock={stock} onChange={change} />}
      <Section title="Used by">
        {users.map((run) => (
          <div key={run.id}>
            <Button look="link" onClick={() => pick('runs', run.id)}>
              {run.name ?? run.id}
            </Button>
          </div>
        ))}
        {users.length === 0 && <p className="quiet mb-0">No run yet.</p>}
      </Section>
    </>
  );
}
