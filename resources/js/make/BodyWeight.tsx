import { useState } from 'react';
import { api, type Worked } from '../api/client';
import type { JobFacts, Run } from '../api/types';
import { BodyProgress } from '../job/BodyProgress';
import { length, show } from '../job/format';
import { useJob } from '../job/useJob';
import { useWorked } from '../job/useWorked';
import { Choice } from '../ui/Choice';
import { Row } from '../ui/Section';
import { useShown } from '../view/shown';

/** What the body of a run, or of one of its spools, weighs and holds, with its flanges and plugs. */
export function BodyWeight({ run, spool }: { run: Run; spool: string | undefined }) {
  const { state } = useJob();
  const ask = async () => {
    const facts = await api.mass(state.id, run.id);
    return { answer: facts.spools.find(({ mark }) => mark === spool) ?? facts, work: null };
  };
  return <Weight of={spool ?? run.id} ask={ask} />;
}

/** What a body of several runs weighs and holds. */
export function JoinedWeight({ body }: { body: string }) {
  const { state } = useJob();
  return <Weight of={`body ${body}`} ask={() => api.joinedMass(state.id, body)} />;
}

const ALL = 'all';
const SHOWN = 'shown';

/** What the bodies of all runs, or of a choice of them, weigh and hold together; asked for, as it takes a while. */
export function JobWeight() {
  const { state, items } = useJob();
  const [chosen, setChosen] = useState<string | null>(null);
  const isShown = useShown();
  const sets = state.job.sets ?? [];
  const runs =
    chosen === null || chosen === ALL
      ? null
      : chosen === SHOWN
        ? items('runs').flatMap(({ id }) => (isShown('runs', id) ? [id] : []))
        : (sets.find(({ id }) => `set ${id}` === chosen)?.runs ?? []);
  return (
    <>
      <Row label="Weigh" wide>
        <Choice
          label="Runs to weigh"
          value={chosen ?? ''}
          of={[
            ['', 'choose which runs'],
            [ALL, 'all runs'],
            [SHOWN, 'those that are shown'],
            ...sets.map(({ id, name }): [string, string] => [`set ${id}`, `the set ${name ?? id}`]),
          ]}
          onChange={(value) => setChosen(value === '' ? null : value)}
        />
      </Row>
      {chosen !== null &&
        (runs !== null && runs.length === 0 ? (
          <p className="quiet">There is no run among them.</p>
        ) : (
          <Weight of={runs?.join('/') ?? null} ask={() => api.jobMass(state.id, runs)} />
        ))}
    </>
  );
}

function Weight({ of, ask }: { of: string | null; ask: () => Promise<Worked<JobFacts>> }) {
  const { state } = useJob();
  const { answer, work, error } = useWorked(['mass', state.id, of, state.revision], ask, { keep: true });
  if (error !== null) {
    return <p className="text-danger">{error.message}</p>;
  }
  if (work !== null) {
    return <BodyProgress work={work} doing="Weighing…" />;
  }
  if (answer === undefined) {
    return <p className="quiet">Weighing…</p>;
  }
  const { mass, volume, surface, contents, centre } = answer;
  return (
    <>
      <Row label="Mass">
        <span className="figure">{show(mass, 3)} kg</span>
      </Row>
      <Row label="Volume of material">
        <span className="figure">{show(volume / 1e3, 1)} cm³</span>
      </Row>
      <Row label="Surface, in and out">
        <span className="figure">{show(surface / 1e6, 4)} m²</span>
      </Row>
      <Row label="Contents">
        <span className="figure">{show(contents / 1e6, 3)} l</span>
      </Row>
      {centre !== null && (
        <Row label="Centre of gravity">
          <span className="figure">{centre.map((one) => length(one)).join(', ')}</span>
        </Row>
      )}
    </>
  );
}
