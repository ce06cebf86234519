import { Check, EyeOff, TriangleAlert, X } from 'lucide-react';
import type { SolvedRun } from '../api/types';

/** The state of a run as a shape, so that it does not depend on colour; a word stands beside it. */
export function Mark({ status }: { status: SolvedRun['status'] | 'hidden' }) {
  const Icon = { good: Check, warning: TriangleAlert, violation: X, hidden: EyeOff }[status];
  return (
    <span className={`state-mark ${status}`}>
      <Icon size={14} strokeWidth={2.6} aria-hidden />
    </span>
  );
}

export function statusWord(run: SolvedRun | undefined): string {
  if (run?.settling === true) {
    return 'settling';
  }
  if (run?.unsolved === true) {
    return 'not worked out';
  }
  if (run === undefined || run.status === 'good') {
    return 'good';
  }
  const open = run.findings.filter(({ waived }) => waived === null);
  const broken = open.filter((finding) => finding.severity === 'violation').length;
  const warnings = open.length - broken;
  if (open.length === 0) {
    return 'good, with what is waived';
  }
  return broken > 0 ? `${broken} broken` : `${warnings} warning${warnings === 1 ? '' : 's'}`;
}
