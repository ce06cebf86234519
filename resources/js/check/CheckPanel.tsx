import { FindingCard } from '../card/FindingList';
import { useWorkbench } from '../job/store';
import { useJob } from '../job/useJob';
import { Button } from '../ui/Button';

/** All findings of the job, the worst first. */
export function CheckPanel() {
  const { state, item } = useJob();
  const pick = useWorkbench((store) => store.pick);
  const findings = state.solutions
    .flatMap((run) => run.findings.map((finding) => ({ run, finding })))
    .sort((a, b) => Number(b.finding.severity === 'violation') - Number(a.finding.severity === 'violation'));
  const bodies = (state.job.bodies ?? []).flatMap((body) => {
    const fault = state.bodies.find(({ id }) => id === body.id)?.fault ?? null;
    return fault === null ? [] : [{ body, fault }];
  });
  const broken = findings.filter(({ finding }) => finding.severity === 'violation').length;
  return (
    <>
      <h2>Findings</h2>
      <p className="under">
        {findings.length + bodies.length === 0
          ? `All ${state.solutions.length} runs can be bent and built.`
          : `${broken + bodies.length} broken, ${findings.length - broken} to look at`}
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
      {findings.map(({ run, finding }) => (
        <FindingCard
          key={`${run.id} ${finding.rule} ${JSON.stringify(finding.subject)} ${finding.message}`}
          run={run}
          finding={finding}
          name={item('runs', run.id)?.name ?? run.id}
        />
      ))}
    </>
  );
}
