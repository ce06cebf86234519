import { type KeyboardEvent, useMemo, useState } from 'react';
import { Form, Modal } from 'react-bootstrap';
import { useNavigate } from 'react-router';
import { show } from '../job/format';
import { partOf } from '../job/layout';
import { statusWord } from '../job/Mark';
import { type Stage, useWorkbench } from '../job/store';
import { useJob } from '../job/useJob';
import { useActions } from './useActions';

interface Found {
  key: string;
  kind: string;
  name: string;
  aside: string;
  take: () => void;
}

const MOST = 40;

/** The code on a bend sheet, as a scanner types it, with the id of the run. */
const SCANNED = /^BOWLINE \/ (\S+) \/ /;

/** The search: finds any run, fitting, stock, finding, value or action by a few letters. */
export function Find({ stage }: { stage: Stage }) {
  const { panel, open } = useWorkbench();
  return (
    <Modal show={panel === 'find'} onHide={() => open(null)} aria-label="Find anything" dialogClassName="find-dialog">
      <Finder stage={stage} />
    </Modal>
  );
}

function Finder({ stage }: { stage: Stage }) {
  const [typed, setTyped] = useState('');
  const [at, setAt] = useState(0);
  const all = useAll(stage);
  const open = useWorkbench((store) => store.open);
  const words = typed.trim().toLowerCase().split(/\s+/);
  const scanned = SCANNED.exec(typed.trim())?.[1];
  const found = all
    .filter(({ key, kind, name, aside }) =>
      scanned === undefined
        ? words.every((word) => `${kind} ${name} ${aside}`.toLowerCase().includes(word))
        : key === `runs/${scanned}`,
    )
    .slice(0, MOST);
  const chosen = Math.min(at, Math.max(0, found.length - 1));

  const take = (one: Found | undefined) => {
    if (one !== undefined) {
      open(null);
      one.take();
    }
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
      event.preventDefault();
      setAt((chosen + (event.key === 'ArrowDown' ? 1 : found.length - 1)) % Math.max(1, found.length));
    } else if (event.key === 'Enter') {
      event.preventDefault();
      take(found[chosen]);
    }
  };

  return (
    <div className="find">
      <Form.Control
        autoFocus
        role="combobox"
        aria-expanded="true"
        aria-controls="found"
        aria-activedescendant={found[chosen] === undefined ? undefined : `found-${chosen}`}
        aria-label="Find anything"
        placeholder="A run, a fitting, a stock, a finding, a value, or what to do"
        value={typed}
        onChange={(event) => {
          setTyped(event.target.value);
          setAt(0);
        }}
        onKeyDown={onKeyDown}
      />
      {found.length === 0 && <p className="nothing">Nothing of that name.</p>}
      <div id="found" role="listbox" aria-label="Found" tabIndex={-1}>
        {found.map((one, index) => (
          <div
            key={one.key}
            id={`found-${index}`}
            role="option"
            tabIndex={-1}
            aria-selected={index === chosen}
            ref={index === chosen ? (element) => element?.scrollIntoView({ block: 'nearest' }) : undefined}
            onClick={() => take(one)}
            onKeyDown={() => undefined}
          >
            <span className="kind">{one.kind}</span>
            <span className="name">{one.name}</span>
            <span className="mono">{one.aside}</span>
          </div>
        ))}
      </div>
    </div>
  );
}

function useAll(stage: Stage): Found[] {
  const { state, items, item } = useJob();
  const actions = useActions();
  const navigate = useNavigate();
  const pick = useWorkbench((store) => store.pick);
  return useMemo(() => {
    const goTo = (to: Stage) => navigate(`/jobs/${state.id}/${to}`);
    const listed = (['runs', 'fittings', 'stock', 'clamps', 'surroundings'] as const).flatMap((list) =>
      items(list).map((one): Found => {
        const kind = {
          runs: 'run',
          fittings: 'fitting',
          stock: 'stock',
          clamps: 'clamp',
          surroundings: 'surroundings',
        };
        return {
          key: `${list}/${one.id}`,
          kind: kind[list],
          name: one.name ?? one.id,
          aside: list === 'runs' ? statusWord(state.solutions.find(({ id }) => id === one.id)) : '',
          take: () => {
            pick(list, one.id);
            if (stage === 'check' || (stage === 'make' && list !== 'runs')) {
              goTo(list === 'runs' ? 'lay' : 'place');
            }
          },
        };
      }),
    );
    const findings = state.solutions.flatMap((run) =>
      run.findings.map((finding, index) => ({
        key: `finding ${run.id} ${index}`,
        kind: 'finding',
        name: finding.title,
        aside: item('runs', run.id)?.name ?? run.id,
        take: () => {
          pick('runs', run.id, partOf(run, finding));
          goTo('check');
        },
      })),
    );
    const values = Object.entries(state.values).map(([name, value]) => ({
      key: `value ${name}`,
      kind: 'value',
      name,
      aside: show(value, 3),
      take: () => useWorkbench.getState().open('values'),
    }));
    const deeds = actions
      .filter((action) => action.isOpen ?? true)
      .map((action) => ({
        key: `do ${action.name}`,
        kind: 'do',
        name: action.name,
        aside: action.key ?? '',
        take: action.run,
      }));
    return [...listed, ...findings, ...values, ...deeds];
  }, [state, items, item, actions, navigate, pick, stage]);
}
