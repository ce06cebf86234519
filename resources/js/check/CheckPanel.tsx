import { FindingCard } from '../card/FindingList';
import { useJob } from '../job/useJob';

/** All findings of the job, the worst first. */
export function CheckPanel() {
  const { state, item } = useJob();
  const findings = state.solutions
    .flatMap((run) => run.findings.map((finding) => ({ run, finding })))
    .sort((a, b) => Number(b.finding.severity === 'violation') - Number(a.finding.severity === 'violation'));
  const broken = findings.filter(({ finding }) => finding.severity === 'violation').length;
  return (
    <>
      <h2>Findings</h2>
      <p className="under">
        {findings.length === 0
          ? `All ${state.solutions.length} runs can be bent and built.`
          : `${broken} broken, ${findings.length - broken} to look at`}
      </p>
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
