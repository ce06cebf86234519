import { Redo2, Undo2 } from 'lucide-react';
import { Dropdown } from 'react-bootstrap';
import type { JobState } from '../api/types';
import { time } from '../job/format';
import { useWorkbench } from '../job/store';
import { tell } from '../job/tell';
import { useJob } from '../job/useJob';
import { useMe } from '../job/useMe';

/** Undo, redo, and the list of steps. */
export function StepsMenu() {
  const { state, goTo, goBy } = useJob();
  const me = useMe();
  const { panel, open } = useWorkbench();
  const { steps, step } = state;
  const last = steps.find(({ number }) => number === step);
  const next = steps.find(({ number }) => number === step + 1);
  const first = (steps[0]?.number ?? 1) - 1;
  // Where several people work on a job, each undoes their own.
  const undoes = ({ name, by }: JobState['steps'][number]) =>
    by === null || by === me.person?.name ? `Undo: ${name}` : `Undo your own last step (the last is ${by}’s: ${name})`;
  return (
    <div className="steps">
      <button
        type="button"
        aria-label={last === undefined ? 'Undo' : undoes(last)}
        title={last === undefined ? 'Nothing to undo' : `${undoes(last)} (Ctrl+Z)`}
        disabled={last === undefined}
        onClick={() => tell(goBy(-1))}
      >
        <Undo2 size={16} aria-hidden />
      </button>
      <button
        type="button"
        aria-label={next === undefined ? 'Redo' : `Redo: ${next.name}`}
        title={next === undefined ? 'Nothing to redo' : `Redo: ${next.name} (Ctrl+Shift+Z)`}
        disabled={next === undefined}
        onClick={() => tell(goBy(1))}
      >
        <Redo2 size={16} aria-hidden />
      </button>
      <Dropdown align="end" show={panel === 'steps'} onToggle={(shown) => open(shown ? 'steps' : null)}>
        <Dropdown.Toggle variant="primary" size="sm" aria-label="Steps so far" title="Steps so far (Ctrl+Alt+Z)" />
        <Dropdown.Menu className="steps-list">
          {steps.length === 0 && <Dropdown.Header>No step yet.</Dropdown.Header>}
          {steps.toReversed().map(({ number, name, made_at, by }) => (
            <Dropdown.Item
              key={number}
              active={number === step}
              className={number > step ? 'undone' : undefined}
              onClick={() => tell(goTo(number))}
            >
              <span>
                {name}
                {by !== null && <span className="opacity-75"> · {by}</span>}
              </span>
              <span className="mono">{time(made_at)}</span>
            </Dropdown.Item>
          ))}
          {steps.length > 0 && (
            <Dropdown.Item active={step === first} onClick={() => tell(goTo(first))}>
              <span>{first === 0 ? 'As it was opened' : 'Before that'}</span>
            </Dropdown.Item>
          )}
        </Dropdown.Menu>
      </Dropdown>
    </div>
  );
}
