import type { Run, SolvedRun } from '../api/types';
import { lengthWithUnit } from '../job/format';
import { useWorkbench } from '../job/store';
import { useJob } from '../job/useJob';
import { Button } from '../ui/Button';
import { Row, Section } from '../ui/Section';

/** How a trunk is made: with the harness that it is part of, of the wires in it. */
export function TrunkMake({ run, solved }: { run: Run; solved: SolvedRun }) {
  const { items, harnesses } = useJob();
  const pick = useWorkbench((store) => store.pick);
  const harness = items('harnesses').find(({ trunks }) => trunks.includes(run.id));
  const spans = harnesses.find(({ id }) => id === harness?.id)?.trunks.find((trunk) => trunk.run === run.id)?.spans;
  return (
    <Section title="Trunk">
      <Row label="Length along the centre line">
        <span className="figure">{lengthWithUnit(solved.length)}</span>
      </Row>
      {spans !== undefined && spans.length > 0 && (
        <>
          <Row label="Most wires at one place">
            <span className="figure">{Math.max(...spans.map(({ wires }) => wires.length))}</span>
          </Row>
          <Row label="Thickest">
            <span className="figure">ø {lengthWithUnit(Math.max(...spans.map(({ diameter }) => diameter)))}</span>
          </Row>
        </>
      )}
      {harness === undefined ? (
        <p className="quiet">It is part of no harness yet; its wires will be cut and listed with that.</p>
      ) : (
        <>
          <p className="quiet">It is the wires in it, which are cut, labelled and laid on the board of its harness.</p>
          <div className="made-list">
            <Button onClick={() => pick('harnesses', harness.id)}>Lists of {harness.name ?? harness.id}</Button>
          </div>
        </>
      )}
    </Section>
  );
}
