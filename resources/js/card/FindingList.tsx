import type { Finding, SolvedRun } from '../api/types';
import { partOf } from '../job/layout';
import { useWorkbench } from '../job/store';
import { useJob } from '../job/useJob';
import { FindingSection } from './FindingSection';
import { SupportClamps } from './SupportClamps';
import { Waive } from './Waive';

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

/** One of them, with the name of the run where those of several are listed. */
export function FindingCard({ run, finding, name }: { run: SolvedRun; finding: Finding; name?: string }) {
  const { item, put } = useJob();
  const pick = useWorkbench((store) => store.pick);
  const told = item('runs', run.id);
  const others = (told?.waived ?? []).filter(
    ({ rule, of }) => rule !== finding.waiver.rule || of !== finding.waiver.of,
  );
  return (
    <FindingSection finding={finding} name={name} onShow={() => pick('runs', run.id, partOf(run, finding))}>
      {finding.rule === 'support-spacing' && finding.waived === null && <SupportClamps run={run} finding={finding} />}
      {told !== undefined && finding.severity === 'violation' && (
        <div className="remedies">
          <Waive
            waived={finding.waived}
            onWaive={(reason) =>
              put('runs', { ...told, waived: [...others, { ...finding.waiver, reason }] }, `Waive “${finding.title}”`)
            }
            onTakeBack={() => put('runs', { ...told, waived: others }, 'Take back a waiver')}
          />
        </div>
      )}
    </FindingSection>
  );
}
