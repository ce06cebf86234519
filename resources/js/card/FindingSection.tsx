import type { ReactNode } from 'react';
import type { Cure, Edit } from '../api/types';
import { Mark } from '../job/Mark';
import { tell } from '../job/tell';
import { useJob } from '../job/useJob';
import { Button } from '../ui/Button';

interface Found {
  severity: 'violation' | 'warning';
  title: string;
  message: string;
  remedies: readonly string[];
  cures: readonly Cure[];
  waived?: string | null;
}

/** One finding in words, with a button for each of its cures, and what else is offered for it. */
export function FindingSection({
  finding,
  name,
  onShow,
  children,
}: {
  finding: Found;
  name?: string;
  onShow: () => void;
  children?: ReactNode;
}) {
  const { edit } = useJob();
  const isWaived = (finding.waived ?? null) !== null;
  const cure = ({ list, item }: Cure) => tell(edit([{ list, id: item.id, item: item as unknown as Edit['item'] }]));
  return (
    <section className={`finding ${isWaived ? 'waived' : finding.severity}`} aria-label={finding.title}>
      {name !== undefined && <div className="quiet">{name}</div>}
      <button type="button" className="title" title="Show where" onClick={onShow}>
        {!isWaived && <Mark status={finding.severity} />}
        <span>
          <span className="visually-hidden">
            {isWaived ? 'Waived' : finding.severity === 'violation' ? 'Broken' : 'Warning'}:{' '}
          </span>
          {finding.title}
        </span>
      </button>
      <div>{finding.message}</div>
      {isWaived && <div className="quiet">Waived: {finding.waived}</div>}
      {finding.remedies.length > 0 && !isWaived && (
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
      {children}
    </section>
  );
}
