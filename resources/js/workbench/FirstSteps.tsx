import { useNavigate } from 'react-router';
import { useLaying } from '../job/laying';
import { useJob } from '../job/useJob';
import { useAdding } from '../locker/useAdding';
import { Button } from '../ui/Button';

/** Shown on an empty job: the first three steps, each with a button that does it. */
export function FirstSteps() {
  const { state, items } = useJob();
  const navigate = useNavigate();
  const add = useAdding();
  const { choose, choosing, start } = useLaying();
  const adding = (name: string) => add.find((one) => one.name === name)?.run;
  if (items('runs').length > 0 || choosing || start !== null) {
    return null;
  }
  const placed = state.places.filter(({ list, ports }) => list === 'fittings' && ports.length > 0).length;
  const nextPart = placed === 0 ? 'Add a pump' : 'Add a filter';
  const steps = [
    {
      done: items('stock').length > 0,
      what: 'Pick what it is made of',
      how: 'A stock has its section and the radius it can be bent to.',
      button: 'Choose from the catalogue',
      run: adding('Add stock from the catalogue'),
    },
    {
      done: placed >= 2,
      what: 'Place two fittings',
      how: `A run goes from port to port${placed === 1 ? '; one more is needed' : ''}.`,
      button: nextPart,
      run: adding(nextPart),
    },
    {
      done: false,
      what: 'Lay the first run',
      how: 'Click a port, follow the axes, type lengths, end at the other port.',
      button: 'Lay a run',
      run: () => {
        navigate(`/jobs/${state.id}/lay`);
        choose();
      },
    },
  ];
  const next = steps.findIndex((step) => !step.done);
  return (
    <section className="first-steps" aria-label="First steps">
      <h2>An empty job. First:</h2>
      <ol>
        {steps.map((step, index) => (
          <li key={step.what} className={step.done ? 'done' : index === next ? 'next' : undefined}>
            <strong>{step.what}</strong>
            <span>{step.done ? 'done' : step.how}</span>
            {!step.done && (
              <Button
                look={index === next ? 'primary' : 'outline-primary'}
                disabled={index > next}
                onClick={() => step.run?.()}
              >
                {step.button}
              </Button>
            )}
          </li>
        ))}
      </ol>
    </section>
  );
}
