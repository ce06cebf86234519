import { ProgressBar } from 'react-bootstrap';
import { Button } from '../ui/Button';
import { tell } from './tell';

interface Props {
  work: { state: 'waiting' | 'working' | 'stopped' | 'failed' | 'done'; part: number; problem: string | null };

  /** What is going on, said while it is. */
  doing: string;

  /** Takes it up again, or stops it. */
  change: (again: boolean) => Promise<unknown>;
}

/** How far work on the queue has come, and a way to stop it. */
export function WorkProgress({ work, doing, change }: Props) {
  const failed = work.state === 'failed';
  const stopped = failed || work.state === 'stopped';
  return (
    <div className="body-progress" role="status">
      <div className="d-flex align-items-center gap-2">
        <span className="flex-grow-1">{failed ? work.problem : stopped ? 'Stopped' : doing}</span>
        <Button onClick={() => tell(change(stopped))}>{failed ? 'Try again' : stopped ? 'Go on' : 'Stop'}</Button>
      </div>
      {!stopped && <ProgressBar now={work.part * 100} aria-label="How far it has come" />}
    </div>
  );
}
