import type { Finding, SolvedRun } from '../api/types';
import { partOf } from '../job/layout';
import { useWorkbench } from '../job/store';
import { FindingSection } from './FindingSection';
import { SupportClamps } from './SupportClamps';

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
  const pick = useWorkbench((store) => store.pick);
  return (
    <FindingSection finding={finding} name={name} onShow={() => pick('runs', run.id, partOf(run, finding))}>
      {finding.rule === 'support-spacing' && <SupportClamps run={run} finding={finding} />}
    </FindingSection>
  );
}
