import { Plus, Trash2, X } from 'lucide-react';
import { type ClipboardEvent, type KeyboardEvent, useState } from 'react';
import { ProgressBar } from 'react-bootstrap';
import { api } from '../../api/client';
import type { Errand, PastedPairs } from '../../api/types';
import { FieldHome } from '../../job/NumberField';
import { freePorts, placesToLay } from '../../job/newItems';
import { tell } from '../../job/tell';
import { useJob } from '../../job/useJob';
import { usePreferredStock } from '../../job/usePreferredStock';
import { areChoices, useWays } from '../../job/ways';
import { Button } from '../../ui/Button';
import { Choice, named } from '../../ui/Choice';
import { IconButton } from '../../ui/IconButton';
import { RowsReport } from '../../ui/RowsReport';
import { KeepOutList } from './KeepOuts';
import { useWaysActs } from './useWaysActs';
import { WayFields } from './WayFields';
import { useWayWords } from './wayWords';

/** Asks between which ports runs are to be laid, and shows over the view what was found. */
export function WaysPanel() {
  const errands = useWays((store) => store.errands);
  return errands === null ? null : (
    <FieldHome value="ways">
      <Panel errands={errands} />
    </FieldHome>
  );
}

function Panel({ errands }: { errands: readonly Errand[] }) {
  const { state } = useJob();
  const acts = useWaysActs();
  const { ask, work, shown, show, refused } = useWays();
  const [pasted, setPasted] = useState<PastedPairs | null>(null);
  const [stock] = usePreferredStock();
  const isOne = areChoices(errands);
  const isAgain = errands.every(({ again }) => again !== undefined);

  const onPaste = async (event: ClipboardEvent) => {
    const text = event.clipboardData.getData('text');
    if (/[\t\n,;]/.test(text.trim())) {
      event.preventDefault();
      setPasted(await api.pairs(state.id, text, stock));
    }
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key === 'Escape') {
      acts.stop();
    } else if (acts.choices.length > 0 && !(event.target instanceof HTMLInputElement)) {
      const digit = Number(event.key);
      if (digit >= 1 && digit <= acts.choices.length) {
        show(digit - 1);
      }
    }
  };
  return (
    <section
      className="ways-panel"
      aria-label="Lay it for me"
      onKeyDown={onKeyDown}
      onPaste={(event) => tell(onPaste(event))}
    >
      <header>
        <h2>{isAgain ? 'Lay it again' : 'Lay it for me'}</h2>
        <IconButton icon={X} name="Close" onClick={acts.stop} />
      </header>
      {isAgain ? <Again errands={errands} /> : <Pairs errands={errands} />}
      {isOne && !isAgain && errands[0] !== undefined && (
        <WayFields errand={errands[0]} onChange={(errand) => ask([errand])} />
      )}
      <KeepOutList />
      {refused !== null && (
        <p className="text-danger mb-0" role="alert">
          {refused}
        </p>
      )}
      {!acts.isGoing && (
        <Button look={work === null ? 'primary' : undefined} onClick={() => tell(acts.look())}>
          {isOne ? (work === null ? 'Look for ways' : 'Look again') : `Lay all ${errands.length}`}
        </Button>
      )}
      {work !== null && acts.isGoing && (
        <div className="ways-going" role="status">
          <div className="d-flex align-items-center gap-2">
            <span className="flex-grow-1">
              {work.of === 1 ? 'Looking for ways…' : `${work.laid} of ${work.of} laid`}
            </span>
            <Button onClick={() => tell(acts.halt())}>Stop</Button>
          </div>
          <ProgressBar now={work.laid} max={work.of} aria-label="Runs laid so far" />
        </div>
      )}
      {work?.state === 'failed' && (
        <p className="text-danger mb-0" role="alert">
          {work.problem} Look again.
        </p>
      )}
      {work?.state === 'done' && <NotLaid />}
      {isOne && acts.choices.length > 0 && !acts.isGoing && (
        <Choices shown={shown} onShow={show} onTake={() => tell(acts.take())} />
      )}
      {!isOne && work !== null && work.ways.length > 0 && !acts.isGoing && (
        <Button look="primary" onClick={() => tell(acts.keep(work.ways))}>
          Keep {work.ways.length === 1 ? 'the one that is laid' : `the ${work.ways.length} that are laid`}
        </Button>
      )}
      {pasted !== null && (
        <RowsReport
          count={`${pasted.errands.length} pair${pasted.errands.length === 1 ? '' : 's'}`}
          refused={pasted.refused}
          onClose={() => setPasted(null)}
        >
          <Button
            look="primary"
            disabled={pasted.errands.length === 0}
            onClick={() => {
              ask(pasted.errands);
              setPasted(null);
            }}
          >
            Take them
          </Button>
        </RowsReport>
      )}
    </section>
  );
}

/** The runs that are to be laid again. */
function Again({ errands }: { errands: readonly Errand[] }) {
  const { item } = useJob();
  return (
    <ul className="mb-0">
      {errands.map(({ again = '' }) => (
        <li key={again}>{item('runs', again)?.name ?? again}</li>
      ))}
    </ul>
  );
}

/** Ports and stock of what is to be laid, one row each. */
function Pairs({ errands }: { errands: readonly Errand[] }) {
  const { state, items } = useJob();
  const { ask, work } = useWays();
  const ports = placesToLay(state.places, items('fittings'), items('runs')).map(({ name, label }): [string, string] => [
    name,
    label,
  ]);
  const taken = new Set(errands.flatMap(({ from, to }) => [from, to]));
  const left = freePorts(state.places, items('fittings'), items('runs')).filter(({ name }) => !taken.has(name));
  const change = (at: number, changed: Partial<Errand>) =>
    ask(errands.map((one, number) => (number === at ? { ...one, ...changed } : one)));
  const add = () => {
    const fitting = (name: string | undefined) => name?.split('.')[0];
    const other = left.find(({ name }) => fitting(name) !== fitting(left[0]?.name));
    if (left[0] !== undefined && other !== undefined) {
      ask([...errands, { from: left[0].name, to: other.name, stock: errands.at(-1)?.stock }]);
    }
  };
  return (
    <>
      {errands.map(({ from = '', to = '', stock: own = '' }, number) => (
        <div className="ways-pair" key={`${from} ${to}`}>
          <Choice
            label={`Run ${number + 1}: from`}
            value={from}
            of={ports}
            onChange={(port) => change(number, { from: port })}
          />
          <Choice
            label={`Run ${number + 1}: to`}
            value={to}
            of={ports}
            onChange={(port) => change(number, { to: port })}
          />
          <div className="d-flex gap-1">
            <Choice
              label={`Run ${number + 1}: stock`}
              value={own}
              of={[['', 'tube that fits both ports'], ...named(items('stock'))]}
              onChange={(one) => change(number, { stock: one === '' ? undefined : one })}
            />
            {errands.length > 1 && (
              <IconButton
                icon={Trash2}
                name={`Take run ${number + 1} out`}
                onClick={() => ask(errands.filter((_, at) => at !== number))}
              />
            )}
          </div>
        </div>
      ))}
      {work === null && (
        <>
          <Button onClick={add} disabled={left.length < 2}>
            <Plus size={14} aria-hidden /> Another run
          </Button>
          <p className="quiet mb-0">Pairs of ports can be pasted from a spreadsheet: from, to, stock, service.</p>
        </>
      )}
    </>
  );
}

/** What could not be laid, and why. */
function NotLaid() {
  const work = useWays((store) => store.work);
  const { state, items } = useJob();
  const ports = placesToLay(state.places, items('fittings'), items('runs'));
  const label = (name: string) => ports.find((port) => port.name === name)?.label ?? name;
  if (work === null || (work.not_laid.length === 0 && work.of === 1)) {
    return null;
  }
  return (
    <div role="status">
      {work.of > 1 && (
        <div>
          {work.laid} of {work.of} laid{work.whole ? '' : '; it was stopped'}.
        </div>
      )}
      {work.not_laid.map(({ from, to, why }) => (
        <div className="finding violation" key={`${from} ${to}`}>
          <div>
            No way from {label(from)} to {label(to)}.
          </div>
          <div>{why}</div>
        </div>
      ))}
    </div>
  );
}

/** What is told of a way, as in a list. */
const told = ([name, value]: [string, string]): string =>
  name === 'bends' ? `${value} bends` : name === 'beside other runs' ? `${value} ${name}` : value;

/** The ways of one run, told apart; keys choose and take one. */
function Choices({ shown, onShow, onTake }: { shown: number; onShow: (at: number) => void; onTake: () => void }) {
  const ways = useWays((store) => store.work?.ways ?? []);
  const words = useWayWords();
  return (
    <>
      <div
        className="ways-found"
        role="radiogroup"
        aria-label="Ways"
        onKeyDown={(event) => {
          const step = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
          if (step !== 0) {
            event.preventDefault();
            onShow((shown + step + ways.length) % ways.length);
          } else if (event.key === 'Enter') {
            event.preventDefault();
            onTake();
          }
        }}
      >
        {ways.map((way, number) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a way is told by its number
          <label className={number === shown ? 'chosen' : undefined} key={number}>
            <input type="radio" name="way" checked={number === shown} onChange={() => onShow(number)} />
            <span className="number">{number + 1}</span>
            <span>{words(way).map(told).join(' · ')}</span>
          </label>
        ))}
      </div>
      <div className="quiet">
        <kbd>1</kbd>–<kbd>{ways.length}</kbd> choose · <kbd>Enter</kbd> take · <kbd>Esc</kbd> leave
      </div>
      <Button look="primary" onClick={onTake}>
        Take way {shown + 1}
      </Button>
    </>
  );
}
