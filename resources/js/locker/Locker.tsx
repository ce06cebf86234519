import { useState } from 'react';
import { Form } from 'react-bootstrap';
import type { HarnessFinding, List } from '../api/types';
import { fieldText, length } from '../job/format';
import { Mark, statusWord } from '../job/Mark';
import { type Stage, useWorkbench } from '../job/store';
import { useJob } from '../job/useJob';
import { AddMenu } from './AddMenu';
import { LockerRow } from './LockerRow';

const TITLES: Record<List, string> = {
  runs: 'Runs',
  harnesses: 'Harnesses',
  fittings: 'Fittings',
  clamps: 'Clamps',
  surroundings: 'Surroundings',
  stock: 'Stock',
};

const ORDER: Record<Stage, readonly List[]> = {
  place: ['fittings', 'surroundings', 'clamps', 'stock', 'runs', 'harnesses'],
  lay: ['runs', 'harnesses', 'fittings', 'clamps', 'surroundings', 'stock'],
  check: ['runs', 'harnesses', 'fittings', 'clamps', 'surroundings', 'stock'],
  make: ['runs', 'harnesses', 'stock'],
};

const boreWords = (bore: number | string | undefined) => (typeof bore === 'number' ? length(bore) : fieldText(bore));

/** The worst of what is found of a harness. */
const worstOf = (findings: readonly HarnessFinding[]) =>
  findings.some((one) => one.severity === 'violation' && one.waived === null)
    ? 'violation'
    : findings.some((one) => one.waived === null)
      ? 'warning'
      : 'good';

/** The items of a job: those that need work in this stage first. */
export function Locker({ stage }: { stage: Stage }) {
  const [filter, setFilter] = useState('');
  const { items, harnesses, state } = useJob();
  const hidden = useWorkbench((store) => store.hidden);
  const wanted = filter.trim().toLowerCase();

  const aside = (list: List, id: string): string => {
    if (list === 'runs') {
      return hidden.has(`runs/${id}`) ? 'hidden' : statusWord(state.solutions.find((run) => run.id === id));
    }
    if (list === 'fittings') {
      const ports = state.places.find((place) => place.list === 'fittings' && place.id === id)?.ports.length ?? 0;
      return `${ports} port${ports === 1 ? '' : 's'}`;
    }
    if (list === 'clamps') {
      return `ø ${boreWords(state.job.clamps?.find((clamp) => clamp.id === id)?.bore)}`;
    }
    if (list === 'harnesses') {
      const wires = state.job.harnesses?.find((harness) => harness.id === id)?.wires?.length ?? 0;
      return `${wires} wire${wires === 1 ? '' : 's'}`;
    }
    const stock = state.job.stock?.find((item) => item.id === id);
    if (list === 'stock' && stock !== undefined) {
      const { radius, min_radius: least } = stock.bend;
      return typeof radius === 'number' && typeof least === 'number' ? `R ${length(radius)} ≥ ${length(least)}` : '';
    }
    return '';
  };

  return (
    <nav className="locker" aria-label="Locker">
      <Form.Control
        className="filter"
        size="sm"
        type="search"
        placeholder="Filter"
        aria-label="Filter the locker"
        value={filter}
        onChange={(event) => setFilter(event.target.value)}
      />
      {ORDER[stage].map((list) => {
        const all = items(list);
        const shown = all.filter((item) => (item.name ?? item.id).toLowerCase().includes(wanted));
        return (
          <section key={list} aria-label={TITLES[list]}>
            <header>
              <h2 className="caption m-0">
                {TITLES[list]} <span className="mono fw-normal">{all.length}</span>
              </h2>
              <AddMenu list={list} />
            </header>
            <ul>
              {shown.map((item) => (
                <LockerRow
                  key={item.id}
                  list={list}
                  id={item.id}
                  name={item.name ?? item.id}
                  aside={aside(list, item.id)}
                  mark={
                    list === 'harnesses' ? (
                      <Mark status={worstOf(harnesses.find((one) => one.id === item.id)?.findings ?? [])} />
                    ) : list === 'runs' ? (
                      <Mark
                        status={
                          hidden.has(`runs/${item.id}`)
                            ? 'hidden'
                            : (state.solutions.find((run) => run.id === item.id)?.status ?? 'good')
                        }
                      />
                    ) : null
                  }
                />
              ))}
            </ul>
            {shown.length === 0 && <p className="nothing">{all.length === 0 ? 'None yet.' : 'None of that name.'}</p>}
          </section>
        );
      })}
    </nav>
  );
}
