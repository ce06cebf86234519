import { useQuery } from '@tanstack/react-query';
import { api } from '../api/client';
import type { SolvedHarness } from '../api/types';
import { useWorkbench } from '../job/store';
import { useJob } from '../job/useJob';
import { useWires } from '../job/wires';
import { FindingSection } from './FindingSection';
import { Waive } from './Waive';

/** What is found of a harness; its cures, which are tried by the server one by one, come after it. */
export function HarnessFindings({ harness, name }: { harness: SolvedHarness; name?: string }) {
  const { state, harnesses, item, put } = useJob();
  const isTried = harnesses !== state.harnesses;
  const pick = useWorkbench((store) => store.pick);
  const follow = useWires((store) => store.follow);
  const { data } = useQuery({
    queryKey: ['cured', state.id, harness.id, state.revision],
    queryFn: () => api.curedHarness(state.id, harness.id),
    enabled: harness.findings.length > 0 && !isTried,
    retry: false,
  });
  const told = item('harnesses', harness.id);
  return ((isTried ? undefined : data) ?? harness).findings.map((finding, number) => {
    const others = (told?.waived ?? []).filter(
      ({ rule, of }) => rule !== finding.waiver.rule || of !== finding.waiver.of,
    );
    return (
      <FindingSection
        // biome-ignore lint/suspicious/noArrayIndexKey: several of one rule may say the same
        key={`${finding.rule} ${finding.wire} ${finding.run} ${number}`}
        finding={finding}
        name={name}
        onShow={() =>
          finding.wire !== null ? follow(finding.wire) : finding.run !== null && pick('runs', finding.run)
        }
      >
        {told !== undefined && finding.severity === 'violation' && (
          <div className="remedies">
            <Waive
              waived={finding.waived}
              onWaive={(reason) =>
                put(
                  'harnesses',
                  { ...told, waived: [...others, { ...finding.waiver, reason }] },
                  `Waive “${finding.title}”`,
                )
              }
              onTakeBack={() => put('harnesses', { ...told, waived: others }, 'Take back a waiver')}
            />
          </div>
        )}
      </FindingSection>
    );
  });
}
