import type { Finding } from '../api/types';
import { FindingCard } from '../card/FindingList';
import { HarnessFindings } from '../card/HarnessFindings';
import { blocksOf } from '../job/blocks';
import { useWorkbench } from '../job/store';
import { useJob } from '../job/useJob';
import { Button } from '../ui/Button';
import { Remarks } from './Remarks';
import { TooNear } from './TooNear';

const isBroken = ({ severity, waived }: Pick<Finding, 'severity' | 'waived'>) =>
  severity === 'violation' && waived === null;

/** What is broken first, what is waived last. */
const rank = (finding: Finding) => (finding.waived !== null ? 2 : isBroken(finding) ? 0 : 1);

/** All findings of the job, the worst first. */
export function CheckPanel() {
  const { state, harnesses, item, items } = useJob();
  const pick = useWorkbench((store) => store.pick);
  const findings = state.solutions
    .flatMap((run) => run.findings.map((finding) => ({ run, finding })))
    .sort((a, b) => rank(a.finding) - rank(b.finding));
  const bodies = (state.job.bodies ?? []).flatMap((body) => {
    const fault = state.bodies.find(({ id }) => id === body.id)?.fault ?? null;
    return fault === null ? [] : [{ body, fault }];
  });
  const blocks = blocksOf(items('fittings'), items('surroundings')).flatMap((block) => {
    const fault = state.bodies.find(({ id }) => id === block.id)?.fault ?? null;
    return fault === null ? [] : [{ block, fault }];
  });
  const ofWires = harnesses.flatMap((harness) => harness.findings);
  const brokenWires = ofWires.filter(isBroken).length;
  const waived = [...findings.map(({ finding }) => finding), ...ofWires].filter((one) => one.waived !== null).length;
  const broken = findings.filter(({ finding }) => isBroken(finding)).length;
  return (
    <>
      <h2>Findings</h2>
      <p className="under">
        {findings.length + bodies.length + blocks.length + ofWires.length === 0
          ? `All ${state.solutions.length} runs can be bent and built.`
          : `${broken + bodies.length + blocks.length + brokenWires} broken, ${
              findings.length - broken - waived + ofWires.length - brokenWires
            } to look at${waived === 0 ? '' : `, ${waived} waived`}`}
      </p>
      {bodies.map(({ body, fault }) => (
        <section key={body.id} className="finding violation" aria-label={`${body.name ?? body.id} cannot be one body`}>
          <div className="quiet">{body.name ?? body.id}</div>
          <strong>Cannot be one body</strong>
          <p className="mb-1">{fault}</p>
          {body.runs.map((run) => (
            <Button key={run} onClick={() => pick('runs', run)}>
              Show {item('runs', run)?.name ?? run}
            </Button>
          ))}
        </section>
      ))}
      {blocks.map(({ block, fault }) => (
        <section key={block.id} className="finding violation" aria-label={`${block.name} cannot be made`}>
          <div className="quiet">{block.name}</div>
          <strong>Cannot be made with its channels</strong>
          <p className="mb-1">{fault}</p>
          <Button onClick={() => pick(block.list, block.id)}>Show {block.name}</Button>
        </section>
      ))}
      {harnesses.map((harness) => (
        <HarnessFindings key={harness.id} harness={harness} name={item('harnesses', harness.id)?.name ?? harness.id} />
      ))}
      {findings.map(({ run, finding }) => (
        <FindingCard
          key={`${run.id} ${finding.rule} ${JSON.stringify(finding.subject)} ${finding.message}`}
          run={run}
          finding={finding}
          name={item('runs', run.id)?.name ?? run.id}
        />
      ))}
      <TooNear />
      <Remarks />
    </>
  );
}
