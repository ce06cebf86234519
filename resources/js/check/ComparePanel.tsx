import { useEffect } from 'react';
import { files } from '../api/client';
import type { Edit, RunChange } from '../api/types';
import { useComparing, useComparison } from '../job/comparing';
import { lengthEven, showEven } from '../job/format';
import { useWorkbench } from '../job/store';
import { tell } from '../job/tell';
import { useJob } from '../job/useJob';
import { Button } from '../ui/Button';

const WORDS = { same: 'same', moved: 'moved only', changed: 'changed', new: 'new', gone: 'gone' } as const;
const WORK = {
  keep: 'keep, it is made as it was',
  bend: 'bend another from the same stock',
  make: 'make anew',
} as const;

/** What has changed between two states of the job, run by run, stepped through with its ghosts in the view. */
export function ComparePanel() {
  const { state } = useJob();
  const { sides, run: at, step, stop } = useComparing();
  const pick = useWorkbench((store) => store.pick);
  const { data, error } = useComparison();
  const differing = data?.runs.filter(({ change }) => change !== 'same') ?? [];
  const now = differing.findIndex(({ id }) => id === at);
  const go = (index: number) => {
    const next = differing[index];
    if (next !== undefined) {
      step(next.id);
      if (next.change !== 'gone') {
        pick('runs', next.id);
      }
    }
  };
  // Another job has other states to compare.
  useEffect(() => stop, [stop]);
  return (
    <>
      <h2>What has changed</h2>
      <p className="under">
        {data == null
          ? 'Comparing…'
          : `from ${data.before} to ${data.after}: ${
              differing.length === 0 ? 'nothing' : `${differing.length} of ${data.runs.length} runs`
            }`}
      </p>
      {error !== null && <p className="text-danger">{error.message}</p>}
      <div className="made-list">
        <Button disabled={now <= 0} onClick={() => go(now - 1)}>
          Previous
        </Button>
        <Button disabled={differing.length === 0 || now === differing.length - 1} onClick={() => go(now + 1)}>
          Next
        </Button>
        {sides !== null && sides.before !== 'file' && (
          <Button href={files.changeSheet(state.id, sides.before, sides.after)} download>
            Change sheet
          </Button>
        )}
        <Button onClick={stop}>Back to findings</Button>
      </div>
      {data?.runs.map((one) => (
        <RunRow
          key={one.id}
          run={one}
          isOpen={one.id === at}
          onOpen={() => go(differing.indexOf(one))}
          canTake={sides?.after === 'working' && state.frozen === null}
          from={data.before}
        />
      ))}
    </>
  );
}

interface RowProps {
  run: RunChange;
  isOpen: boolean;
  onOpen: () => void;
  /** Whether it can be put back as it was. */
  canTake: boolean;
  from: string;
}

function RunRow({ run, isOpen, onOpen, canTake, from }: RowProps) {
  const { edit } = useJob();
  const take = () => edit(run.take as unknown as Edit[], {}, `Take ${run.name} from ${from}`);
  return (
    <section className={`finding change-${run.change}`} aria-label={`${run.name}: ${WORDS[run.change]}`}>
      <button type="button" className="title" disabled={run.change === 'same'} aria-pressed={isOpen} onClick={onOpen}>
        <span>
          {run.name}: {WORDS[run.change]}
        </span>
      </button>
      {run.moved !== null && run.change !== 'same' && <div className="quiet">{lengthEven(run.moved)} off at most</div>}
      {isOpen && (
        <>
          <Pair label="Length" of={run.length} />
          <Pair label="Cut length" of={run.cut_length} />
          {run.bends.length > 0 && <Bends run={run} />}
          {run.spools.length > 0 && (
            <ul className="mb-1">
              {run.spools.map(({ mark, work }) => (
                <li key={mark}>
                  {mark}: {WORK[work]}
                </li>
              ))}
            </ul>
          )}
          {canTake && run.take.length > 0 && (
            <div className="remedies">
              <Button onClick={() => tell(take())}>Take it from {from}</Button>
            </div>
          )}
        </>
      )}
    </section>
  );
}

const shown = (length: number | null | undefined) => (length == null ? '–' : lengthEven(length));

function Pair({ label, of: [before, after] }: { label: string; of: readonly (number | null)[] }) {
  return (
    <div className="d-flex justify-content-between">
      <span>{label}</span>
      <span className="figure">{before === after ? shown(after) : `${shown(before)} → ${shown(after)}`}</span>
    </div>
  );
}

function Bends({ run }: { run: RunChange }) {
  return (
    <table className="table-plain">
      <thead>
        <tr>
          <th scope="col">Bend</th>
          <th scope="col">Straight</th>
          <th scope="col">Angle</th>
          <th scope="col">R</th>
        </tr>
      </thead>
      <tbody>
        {run.bends.map((bend) => (
          <tr key={`${bend.was} ${bend.bend}`}>
            <td>
              {bend.bend ?? bend.was}
              <div className="quiet">{bend.change === 'removed' ? 'taken out' : bend.change}</div>
            </td>
            <td>{both(bend.straight, shown)}</td>
            <td>{both(bend.angle, (angle) => (angle == null ? '–' : `${showEven(angle)}°`))}</td>
            <td>{both(bend.radius, shown)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** A figure as it was and as it is, once where it looks the same or one is missing. */
function both([before, after]: readonly (number | null)[], words: (figure: number | null | undefined) => string) {
  const [was, is] = [words(before), words(after)];
  return was === is || before === null ? is : after === null ? was : `${was} → ${is}`;
}
