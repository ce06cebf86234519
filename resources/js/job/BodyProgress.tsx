import { useQueryClient } from '@tanstack/react-query';
import { ProgressBar } from 'react-bootstrap';
import { api } from '../api/client';
import type { BodyWork } from '../api/types';
import { Button } from '../ui/Button';
import { tell } from './tell';
import { useJob } from './useJob';

interface Props {
  work: BodyWork;

  /** What is going on, said while it is. */
  doing: string;
}

/** How far the work on a body has come, and a way to stop it. */
export function BodyProgress({ work, doing }: Props) {
  const { state } = useJob();
  const client = useQueryClient();
  const failed = work.state === 'failed';
  const stopped = failed || work.state === 'stopped';
  const change = async () => {
    client.setQueryData(['body work', state.id, work.id], await api.changeBodyWork(state.id, work.id, stopped));
    await client.invalidateQueries({ queryKey: ['body work', state.id, work.id] });
  };
  return (
    <div className="body-progress" role="status">
      <div className="d-flex align-items-center gap-2">
        <span className="flex-grow-1">
          {failed ? 'It took too long or was broken off' : stopped ? 'Stopped' : doing}
        </span>
        <Button onClick={() => tell(change())}>{failed ? 'Try again' : stopped ? 'Go on' : 'Stop'}</Button>
      </div>
      {!stopped && <ProgressBar now={work.part * 100} aria-label="How far it has come" />}
    </div>
  );
}
