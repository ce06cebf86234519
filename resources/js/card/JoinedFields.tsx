import { useState } from 'react';
import { api } from '../api/client';
import type { BodyWall, JoinedBody, Run, WallFinding } from '../api/types';
import { BodyProgress } from '../job/BodyProgress';
import { lengthWithUnit } from '../job/format';
import { NameField } from '../job/NameField';
import { FieldHome, NumberField } from '../job/NumberField';
import { isRounded } from '../job/rounded';
import { tell } from '../job/tell';
import { freshId, useJob } from '../job/useJob';
import { useWorked } from '../job/useWorked';
import { useWallShown } from '../job/wallShown';
import { Button } from '../ui/Button';
import { Choice, named } from '../ui/Choice';
import { Row } from '../ui/Section';

/** The body of several runs that a run is part of, or a choice of a run to make one with. */
export function JoinedFields({ run }: { run: Run }) {
  const { state, item, items, edit } = useJob();
  const bodies = state.job.bodies ?? [];
  const body = bodies.find(({ runs }) => runs.includes(run.id));
  const free = items('runs').filter(({ id }) => id !== run.id && !(body?.runs ?? []).includes(id));
  const join = (other: string) => {
    const theirs = bodies.find(({ runs }) => runs.includes(other));
    const name = item('runs', other)?.name ?? other;
    const members = theirs?.runs ?? [other];
    const joined =
      body === undefined
        ? { ...(theirs ?? { id: freshId(bodies, name), name }), runs: [...members, run.id] }
        : { ...body, runs: [...body.runs, ...members] };
    const others = bodies.filter((one) => one !== body && one !== theirs);
    return edit([], { bodies: [...others, joined] }, `Make ${joined.name ?? joined.id} one body`);
  };
  return (
    <>
      {body !== undefined && <OneBody body={body} run={run} />}
      {free.length > 0 && (
        <Row label={body === undefined ? 'One body with' : 'And with'} wide>
          <Choice
            label="Run to make one body with"
            value=""
            of={[['', body === undefined ? 'none' : 'no other'], ...named(free)]}
            onChange={(other) => tell(join(other))}
          />
        </Row>
      )}
    </>
  );
}

/** What a body of several runs is told: name, rounding, order, wall; and what its wall comes to. */
function OneBody({ body, run }: { body: JoinedBody; run: Run }) {
  const { state, item, edit } = useJob();
  const bodies = state.job.bodies ?? [];
  const name = body.name ?? body.id;
  const fault = state.bodies.find(({ id }) => id === body.id)?.fault ?? null;
  const change = (changed: Partial<JoinedBody>) =>
    edit([], { bodies: bodies.map((one) => (one.id === body.id ? { ...one, ...changed } : one)) }, `Change ${name}`);
  const leave = () =>
    change({
      runs: body.runs.filter((id) => id !== run.id),
      rounds: body.rounds?.filter(({ between }) => !between.includes(run.id)),
    });
  const apart = () => edit([], { bodies: bodies.filter(({ id }) => id !== body.id) }, `Take ${name} apart`);
  return (
    <FieldHome value={`bodies/${body.id}`}>
      <Row label="One body" wide>
        <NameField label="Name of the body" name={name} onChange={(typed) => change({ name: typed })} />
      </Row>
      <p className="quiet mb-1">Of {body.runs.map((id) => item('runs', id)?.name ?? id).join(', ')}.</p>
      <Row label="Rounded where they meet, R">
        <NumberField
          label="Body: rounding"
          value={body.round}
          placeholder="sharp"
          onChange={(round) => change({ round })}
        />
      </Row>
      <Meetings body={body} change={change} />
      <Row label="Wall, everywhere">
        <NumberField
          label="Body: wall"
          value={body.wall}
          placeholder="as its runs"
          onChange={(wall) => change({ wall })}
        />
      </Row>
      {isRounded(body) && (
        <Row label="Order" wide>
          <Choice
            label="Body: order"
            value={body.order ?? 'round-first'}
            of={[
              ['round-first', 'rounded first: an even wall'],
              ['hollow-first', 'hollow first: bores meet sharp'],
            ]}
            onChange={(order) => tell(change({ order: order as JoinedBody['order'] }))}
          />
        </Row>
      )}
      <Row label="Too thin below">
        <NumberField
          label="Body: least wall"
          value={body.least_wall}
          placeholder="as its runs"
          onChange={(least_wall) => change({ least_wall })}
        />
      </Row>
      {fault === null ? <Walls body={body} /> : <p className="text-danger mb-1">{fault}</p>}
      {body.runs.length > 2 && <Button onClick={() => tell(leave())}>Leave this run out</Button>}
      <Button onClick={() => tell(apart())}>Take it apart</Button>
    </FieldHome>
  );
}

/** The radius of each place where two runs of a body meet, where there are several: its own, or that of all. */
function Meetings({ body, change }: { body: JoinedBody; change: (changed: Partial<JoinedBody>) => Promise<void> }) {
  const { state, item } = useJob();
  const meetings = state.bodies.find(({ id }) => id === body.id)?.meetings ?? [];
  if (meetings.length < 2) {
    return null;
  }
  const name = (id: string) => item('runs', id)?.name ?? id;
  return meetings.map(([one, other]) => {
    const isOf = ({ between }: { between: string[] }) => between.includes(one) && between.includes(other);
    const rounds = body.rounds ?? [];
    const told = (round: JoinedBody['round']): JoinedBody['rounds'] => [
      ...rounds.filter((of) => !isOf(of)),
      ...(round === undefined ? [] : [{ between: [one, other] satisfies [string, string], round }]),
    ];
    return (
      <Row key={`${one}/${other}`} label={`${name(one)} with ${name(other)}, R`}>
        <NumberField
          label={`Body: rounding of ${name(one)} with ${name(other)}`}
          value={rounds.find(isOf)?.round}
          placeholder="as all"
          onChange={(round) => change({ rounds: told(round) })}
        />
      </Row>
    );
  });
}

/** The least and the greatest wall of a body in both orders, asked for as it takes a few seconds. */
function Walls({ body }: { body: JoinedBody }) {
  const { state } = useJob();
  const [isAsked, setAsked] = useState(false);
  const {
    answer: walls,
    work,
    error,
  } = useWorked(['walls', state.id, body.id, state.revision], () => api.joinedWalls(state.id, body.id), {
    enabled: isAsked,
  });
  if (!isAsked) {
    return (
      <>
        <Button title="Measure the wall all over, in both orders" onClick={() => setAsked(true)}>
          Measure its wall
        </Button>
        <WallButton body={body.id} />
      </>
    );
  }
  if (error !== null) {
    return <p className="text-danger mb-1">{error.message}</p>;
  }
  if (work !== null) {
    return <BodyProgress work={work} doing="Measuring…" />;
  }
  if (walls === undefined) {
    return <p className="quiet mb-1">Measuring…</p>;
  }
  return (
    <div role="status" aria-label="Wall of the body">
      <Row label="Rounded first">
        <Wall of={walls['round-first']} />
      </Row>
      {isRounded(body) && (
        <Row label="Hollow first">
          <Wall of={walls['hollow-first']} />
        </Row>
      )}
      {(walls[body.order ?? 'round-first'].findings ?? []).map((finding) => (
        <p
          key={finding.rule}
          className={finding.rule === 'thin-wall' ? 'text-danger mb-1' : 'text-warning-emphasis mb-1'}
        >
          {wordsOf(finding)}
          {finding.rule === 'thick-spot' && body.order === 'hollow-first' && ' Rounded first the wall is even.'}
        </p>
      ))}
      <WallButton body={body.id} />
    </div>
  );
}

/** Shows the wall of a body by colour in the view. */
function WallButton({ body }: { body: string }) {
  const { body: shown, show } = useWallShown();
  return (
    <Button title="The wall at every place, by colour" onClick={() => show(shown === body ? null : body)}>
      {shown === body ? 'Show it plain' : 'Show the wall by colour'}
    </Button>
  );
}

function Wall({ of: { fault, least, most } }: { of: BodyWall }) {
  return least === undefined || most === undefined ? (
    <span className="text-danger">{fault}</span>
  ) : (
    <span className="figure" title={`Thickest at ${most.at.map((one) => lengthWithUnit(one)).join(', ')}`}>
      {lengthWithUnit(least.wall)} – {lengthWithUnit(most.wall)}
    </span>
  );
}

const wordsOf = ({ rule, wall, limit }: WallFinding) =>
  rule === 'thin-wall'
    ? `Thin wall: ${lengthWithUnit(wall)}; ${lengthWithUnit(limit)} is needed.`
    : `Thick spot: ${lengthWithUnit(wall)}; ${lengthWithUnit(limit)} is the most that is usual.`;
