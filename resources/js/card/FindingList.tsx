import type { Cure, Edit, Finding, SolvedRun } from '../api/types';
import { partOf } from '../job/layout';
import { Mark } from '../job/Mark';
import { useWorkbench } from '../job/store';
import { tell } from '../job/tell';
import { useJob } from '../job/useJob';
import { Button } from '../ui/Button';

/** The findings of a run with their remedies. */
export function FindingList({ run }: { run: SolvedRun }) {
  return run.findings.map((finding) => (
    <FindingCard
      key={`${finding.rule} ${JSON.stringify(finding.subject)} ${finding.message}`}
      run={run}
      finding={finding}
    />
  ));
}

export function FindingCard({ run, finding, name }: { run: SolvedRun; finding: Finding; name?: string }) {
  const { edit } = useJob();
  const pick = useWorkbench((store) => store.pick);
  const cure = ({ list, item }: Cure) => tell(edit([{ list, id: item.id, item: item as unknown as Edit['item'] }]));
  const word = finding.severity === 'violation' ? 'Broken' : 'Warning';
  return (
    <section className={`finding ${finding.severity}`} aria-label={finding.title}>
      {name !== undefined && <div className="quiet">{name}</div>}
      <button
        type="button"
        className="title"
        title="Show where"
        onClick={() => pick('runs', run.id, partOf(run, finding))}
      >
        <Mark status={finding.severity} />
        <span>
          <span className="visually-hidden">{word}: </span>
          {finding.title}
        </span>
      </button>
      <div>{finding.message}</div>
      {finding.remedies.length > 0 && (
        <div className="remedies">
          {finding.remedies.map((remedy, index) => {
            const change = finding.cures[index];
            return (
              change !== undefined && (
                <Button key={remedy} look={index === 0 ? 'primary' : 'outline-primary'} onClick={() => cure(change)}>
                  {remedy}
                </Button>
              )
            );
          })}
        </div>
      )}
    </section>
  );
}
