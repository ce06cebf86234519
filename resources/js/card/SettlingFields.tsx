import { useQueryClient } from '@tanstack/react-query';
import { ProgressBar } from 'react-bootstrap';
import { api } from '../api/client';
import type { SolvedRun } from '../api/types';
import { tell } from '../job/tell';
import { useJob } from '../job/useJob';
import { useSettling } from '../job/useSettling';
import { Button } from '../ui/Button';

const SETTLES = {
  waiting: 'Waiting to settle…',
  settling: 'Settling…',
  stopped: 'Stopped before it lay still',
  failed: 'It has not settled',
  settled: '',
  again: 'Let it settle',
  shown: 'Until then it is shown as it would hang with nothing in its way.',
};

const WORKED_OUT = {
  waiting: 'Being worked out…',
  settling: 'Being worked out…',
  stopped: 'Stopped before it was worked out',
  failed: 'It could not be worked out',
  settled: '',
  again: 'Work it out',
  shown: '',
};

/** The progress of a run that settles or is being solved, and a way to stop it. */
export function SettlingFields({ solved }: { solved: SolvedRun }) {
  const { state } = useJob();
  const client = useQueryClient();
  const settling = useSettling(solved);
  if (settling === null) {
    return null;
  }
  const failed = settling.state === 'failed';
  const stopped = failed || settling.state === 'stopped';
  const words = solved.unsolved === true ? WORKED_OUT : SETTLES;
  const settle = (again: boolean) =>
    tell(
      api
        .settle(state.id, solved.id, again)
        .then(() => client.invalidateQueries({ queryKey: ['settling', state.id, solved.id] })),
    );
  return (
    <section className="finding warning mt-2" aria-label="Settling">
      <div className="d-flex align-items-center gap-2">
        <strong className="flex-grow-1" role="status">
          {words[settling.state]}
        </strong>
        <Button onClick={() => settle(stopped)}>{failed ? 'Try again' : stopped ? words.again : 'Stop'}</Button>
      </div>
      {!stopped && solved.settling === true && (
        <ProgressBar now={settling.part * 100} aria-label="How far it has settled" className="mt-1" />
      )}
      {settling.problem !== null && <p className="mb-0">{settling.problem}</p>}
      {words.shown !== '' && <p className="quiet mb-0">{words.shown}</p>}
    </section>
  );
}
