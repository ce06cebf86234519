import { Trash2 } from 'lucide-react';
import type { Harness } from '../api/types';
import { Field } from '../job/Field';
import { lengthWithUnit, longLength } from '../job/format';
import { NumberField } from '../job/NumberField';
import { useWorkbench } from '../job/store';
import { tell } from '../job/tell';
import { useJob } from '../job/useJob';
import { Button } from '../ui/Button';
import { IconButton } from '../ui/IconButton';
import { Row, Section } from '../ui/Section';
import { CardHead } from './CardHead';
import { HarnessFindings } from './HarnessFindings';
import { HarnessParts } from './HarnessParts';

/** Returns what changes of a harness when a trunk is taken out: also what is told of it on the board. */
const withoutTrunk = ({ trunks, board }: Harness, trunk: string): Partial<Harness> => ({
  trunks: trunks.filter((one) => one !== trunk),
  ...(board?.angles === undefined
    ? {}
    : { board: { ...board, angles: board.angles.filter(({ run }) => run !== trunk) } }),
});

/** The card of a harness: its trunks, what its wires need at their ends, and what is found. */
export function HarnessCard({ id }: { id: string }) {
  const { state, harnesses, item, items, put } = useJob();
  const pick = useWorkbench((store) => store.pick);
  const harness = item('harnesses', id);
  if (harness === undefined) {
    return null;
  }
  const solved = harnesses.find((one) => one.id === id);
  const change = (changed: Partial<Harness>) => put('harnesses', { ...harness, ...changed });
  const bundles = new Set(items('stock').flatMap((stock) => (stock.kind === 'bundle' ? [stock.id] : [])));
  const taken = new Set(items('harnesses').flatMap((one) => one.trunks));
  const free = items('runs').filter((run) => bundles.has(run.stock) && !taken.has(run.id));
  const { allowance = {} } = harness;
  const wires = harness.wires?.length ?? 0;
  const apart = (harness.apart ?? []).map(([one, other]) => `${one} off ${other}`).join(', ');
  const enterApart = async (typed: string) => {
    const pairs = typed
      .split(',')
      .map((pair) => pair.trim())
      .filter((pair) => pair !== '')
      .map((pair): [string, string] => {
        const [one, other] = pair.split(/\s+off\s+/);
        if (one === undefined || other === undefined) {
          throw new Error('Write it as “data off power”, with commas between several.');
        }
        return [one, other];
      });
    await change({ apart: pairs.length === 0 ? undefined : pairs });
  };

  return (
    <>
      <CardHead
        list="harnesses"
        item={harness}
        under={`harness, ${wires} wire${wires === 1 ? '' : 's'}, ${longLength(solved?.total ?? 0)} in all`}
      />
      {solved !== undefined && <HarnessFindings harness={solved} />}
      {solved?.packed === false && (
        <p className="quiet px-3 pt-2 mb-0" role="status">
          Thick bundles are still being packed; their diameters are estimates until then.
        </p>
      )}
      <Section title="Trunks">
        {harness.trunks.length === 0 && free.length === 0 && (
          <p className="quiet mb-1">
            Add a bundle to the stock and lay runs of it: they are the trunks that wires go along.
          </p>
        )}
        {harness.trunks.map((trunk) => {
          const thickest = Math.max(
            0,
            ...(solved?.trunks.find((one) => one.run === trunk)?.spans.map((span) => span.diameter) ?? []),
          );
          const name = item('runs', trunk)?.name ?? trunk;
          return (
            <div key={trunk} className="d-flex align-items-center gap-1">
              <Button look="link" onClick={() => pick('runs', trunk)}>
                {name}
              </Button>
              <span className="figure ms-auto">{thickest === 0 ? 'empty' : `ø ${lengthWithUnit(thickest)}`}</span>
              <IconButton
                icon={Trash2}
                name={`Take ${name} out of the harness`}
                onClick={() => tell(change(withoutTrunk(harness, trunk)))}
              />
            </div>
          );
        })}
        {free.length > 0 && (
          <select
            className="form-select form-select-sm mt-1"
            aria-label="Add a trunk"
            value=""
            onChange={(event) => tell(change({ trunks: [...harness.trunks, event.target.value] }))}
          >
            <option value="">Add a trunk…</option>
            {free.map((run) => (
              <option key={run.id} value={run.id}>
                {run.name ?? run.id}
              </option>
            ))}
          </select>
        )}
      </Section>
      <Section title="Lengths">
        <Row label="Stripped">
          <NumberField
            label="Stripped at an end"
            value={allowance.strip ?? 0}
            onChange={(strip) => change({ allowance: { ...allowance, strip } })}
          />
        </Row>
        <Row label="In its crimp">
          <NumberField
            label="In its crimp"
            value={allowance.crimp ?? 0}
            onChange={(crimp) => change({ allowance: { ...allowance, crimp } })}
          />
        </Row>
        <Row label="Service loop">
          <NumberField
            label="Service loop"
            value={allowance.loop ?? 0}
            onChange={(loop) => change({ allowance: { ...allowance, loop } })}
          />
        </Row>
        <Row label="Rounded up to">
          <NumberField
            label="Rounded up to"
            value={harness.step ?? state.defaults.wire_step}
            onChange={(step) => change({ step })}
          />
        </Row>
        <Row label="Led from a trunk">
          <NumberField
            label="Led from a trunk for at most"
            value={harness.reach ?? state.defaults.wire_reach}
            onChange={(reach) => change({ reach })}
          />
        </Row>
        <Row label="Kept apart" wide>
          <Field
            label="Classes kept apart"
            kind="text"
            placeholder="data off power"
            text={apart}
            onEnter={enterApart}
          />
        </Row>
      </Section>
      <HarnessParts harness={harness} onChange={change} />
    </>
  );
}
