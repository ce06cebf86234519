import { Redo2, Undo2 } from 'lucide-react';
import { Dropdown } from 'react-bootstrap';
import { time } from '../job/format';
import { useWorkbench } from '../job/store';
import { tell } from '../job/tell';
import { useJob } from '../job/useJob';

/** Undo, redo, and the list of steps. */
export function StepsMenu() {
  const { state, goTo, goBy } = useJob();
  const { panel, open } = useWorkbench();
  const { steps, step } = state;
  const last = steps.find(({ number }) => number === step);
  const next = steps.find(({ number }) => number === step + 1);
  const first = (steps[0]?.number ?? 1) - 1;
  // Where several people work on a job, each undoes their own.
  const own = steps.find(({ number }) => number === state.undo);
  const undoes = own === undefined ? 'Undo' : own.number === step ? `Undo: ${own.name}` : `Undo your own: ${own.name}`;
  const whyNot = last === undefined || last.by === null ? 'Nothing to undo' : 'No step of yours can be undone';
  return (
    <div className="steps">
      <button
        type="button"
        aria-label={undoes}
        title={own === undefined ? whyNot : `${undoes} (Ctrl+Z)`}
        disabled={own === undefined}
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
