import { useState } from 'react';
import { Field } from '../job/Field';
import { tell } from '../job/tell';
import { Button } from '../ui/Button';

interface Props {
  /** The reason for which it is accepted; null where it is not. */
  waived: string | null;
  onWaive: (reason: string) => Promise<unknown>;
  onTakeBack: () => Promise<unknown>;
}

/** Accepts something that breaks a rule, for a reason, or takes that back. */
export function Waive({ waived, onWaive, onTakeBack }: Props) {
  const [isWaiving, setIsWaiving] = useState(false);
  const waive = async (typed: string) => {
    const reason = typed.trim();
    if (reason === '') {
      throw new Error('Say why it may be so.');
    }
    await onWaive(reason);
    setIsWaiving(false);
  };
  if (isWaiving) {
    return (
      <div className="d-grid gap-1 mt-1 w-100">
        <span className="quiet">Why it may be so</span>
        <Field label="Why it may be so" text="" onEnter={waive} kind="text" />
        <Button onClick={() => setIsWaiving(false)}>Leave it</Button>
      </div>
    );
  }
  return waived === null ? (
    <Button onClick={() => setIsWaiving(true)}>Waive…</Button>
  ) : (
    <Button onClick={() => tell(onTakeBack())}>Take it back</Button>
  );
}
