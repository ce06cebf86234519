import type { Cure, Edit, HarnessFinding } from '../api/types';
import { Mark } from '../job/Mark';
import { useWorkbench } from '../job/store';
import { tell } from '../job/tell';
import { useJob } from '../job/useJob';
import { useWires } from '../job/wires';
import { Button } from '../ui/Button';

/** What is found of a harness, with its cures. */
export function HarnessFindings({ findings, name }: { findings: readonly HarnessFinding[]; name?: string }) {
  const { edit } = useJob();
  const pick = useWorkbench((store) => store.pick);
  const follow = useWires((store) => store.follow);
  const cure = ({ list, item }: Cure) => tell(edit([{ list, id: item.id, item: item as unknown as Edit['item'] }]));
  return findings.map((finding, number) => (
    <section
      // biome-ignore lint/suspicious/noArrayIndexKey: several of one rule may say the same
      key={`${finding.rule} ${finding.wire} ${finding.run} ${number}`}
      className={`finding ${finding.severity}`}
      aria-label={finding.title}
    >
      {name !== undefined && <div className="quiet">{name}</div>}
      <button
        type="button"
        className="title"
        title="Show where"
        onClick={() =>
          finding.wire !== null ? follow(finding.wire) : finding.run !== null && pick('runs', finding.run)
        }
      >
        <Mark status={finding.severity} />
        <span>
          <span className="visually-hidden">{finding.severity === 'violation' ? 'Broken' : 'Warning'}: </span>
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
  ));
}
