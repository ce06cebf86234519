import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { ProgressBar } from 'react-bootstrap';
import { api } from '../../api/client';
import type { Bench, BentPart, KnownSpringback, Run } from '../../api/types';
import { length } from '../../job/format';
import { Mark } from '../../job/Mark';
import { tell } from '../../job/tell';
import { useJob } from '../../job/useJob';
import { Button } from '../../ui/Button';
import { Choice, named } from '../../ui/Choice';
import { Row, Section } from '../../ui/Section';
import { BendFilm } from './BendFilm';
import { Deviations, Verdict } from './Deviations';

/** How often it is asked how far a part is, ms. */
const LOOK = 400;

const UNDER_WAY: readonly BentPart['state'][] = ['waiting', 'bending', 'measuring'];

interface Props {
  run: Run;
  /** Mark of the spool; undefined for a run of one piece. */
  spool: string | undefined;
}

/** A run on the bench: looked at on its way through the bender, bent, measured, bent again with what was learned. */
export function BenchSection({ run, spool }: Props) {
  const { state, item } = useJob();
  const [bender, setBender] = useState<string>();
  const [from, setFrom] = useState<'start' | 'end'>('start');
  const key = ['bench', state.id, run.id, state.revision, spool, bender, from];
  const { data, error } = useQuery({
    queryKey: key,
    queryFn: () => api.bench(state.id, run.id, { spool, bender, from }),
    retry: false,
    placeholderData: (before) => before,
    refetchInterval: ({ state: { data: last } }) =>
      last?.parts.some((part) => UNDER_WAY.includes(part.state)) === true ? LOOK : false,
  });
  const section = item('stock', run.stock)?.section;
  const od = section !== undefined && 'od' in section && typeof section.od === 'number' ? section.od : 10;
  return (
    <Section title="On the bench">
      {error !== null ? (
        <p className="quiet">{error.message}</p>
      ) : data === undefined ? (
        <p className="quiet">Working out how it is bent…</p>
      ) : data.steps.length === 0 ? (
        <p className="quiet">Nothing to bend.</p>
      ) : (
        <>
          <Row label="Bender" wide>
            <Choice label="Bender" value={data.bender ?? ''} of={named(data.benders)} onChange={setBender} />
          </Row>
          <Row label="Begin at" wide>
            <Choice
              label="End that goes first"
              value={from}
              of={[
                ['start', 'its start'],
                ['end', 'its end'],
              ]}
              onChange={(end) => setFrom(end === 'end' ? 'end' : 'start')}
            />
          </Row>
          <SwingVerdict bench={data} />
          <BendFilm key={`${from} ${data.film.length}`} bench={data} od={od} />
          <Known known={data.known} />
          <Bend key={data.bender} bench={data} run={run} spool={spool} from={from} />
          <Parts parts={data.parts} />
        </>
      )}
    </Section>
  );
}

/** Whether the tube is gripped and swings free while it is bent. */
function SwingVerdict({ bench: { hits, other_end_free: otherEnd } }: { bench: Bench }) {
  return hits.length === 0 ? (
    <p className="mb-2">
      <Mark status="good" /> It is gripped, and swings free of bed, floor and itself.
    </p>
  ) : (
    <p className="mb-2">
      <Mark status="violation" /> {hits[0]?.words}{' '}
      {otherEnd ? 'From its other end it goes.' : 'From its other end it does not go either: bend it in two pieces.'}
    </p>
  );
}

/** What is known of how the stock springs back on the bender. */
function Known({ known }: { known: readonly KnownSpringback[] }) {
  return known.length === 0 ? (
    <p className="quiet mb-2">Nothing is known yet of how it springs back here: it is set as the stock says.</p>
  ) : (
    <ul className="known-springback" aria-label="What is known of its springback">
      {known.map((one) => (
        <li key={one.radius}>
          R {length(one.radius)}, from {one.bends} {one.bends === 1 ? 'bend' : 'bends'}: springs back{' '}
          {one.springback.toFixed(1)} % and {one.opening.toFixed(2)}°; for 90° set {one.set_for_90.toFixed(2)}° ±{' '}
          {one.uncertainty.toFixed(2)}°
        </li>
      ))}
    </ul>
  );
}

function Bend({
  bench,
  run,
  spool,
  from,
}: {
  bench: Bench;
  run: Run;
  spool: string | undefined;
  from: 'start' | 'end';
}) {
  const { state } = useJob();
  const client = useQueryClient();
  const [benderAt, setBenderAt] = useState(bench.bender_at ?? '127.0.0.1:');
  const [armAt, setArmAt] = useState(bench.arm_at ?? '127.0.0.1:');
  const [fault, setFault] = useState<string | null>(null);
  const part = bench.parts.find((one) => UNDER_WAY.includes(one.state));
  const again = () => client.invalidateQueries({ queryKey: ['bench', state.id, run.id] });
  const bend = async () => {
    setFault(null);
    try {
      await api.bendPart(state.id, run.id, {
        ...(spool === undefined ? {} : { spool }),
        bender: bench.bender ?? '',
        from,
        bender_at: benderAt,
        arm_at: armAt,
      });
    } catch (reason) {
      setFault(reason instanceof Error ? reason.message : String(reason));
    }
    await again();
  };
  return (
    <>
      <div className="issue-fields">
        <label>
          Bender at
          <input
            className="form-control form-control-sm figure"
            value={benderAt}
            onChange={(event) => setBenderAt(event.target.value)}
          />
        </label>
        <label>
          Measuring arm at
          <input
            className="form-control form-control-sm figure"
            value={armAt}
            onChange={(event) => setArmAt(event.target.value)}
          />
        </label>
      </div>
      <p className="quiet mb-2">Judged by: {bench.tolerances}. Change them under “Title block”.</p>
      {fault !== null && (
        <p className="text-danger mb-1" role="alert">
          {fault}
        </p>
      )}
      {part === undefined ? (
        <Button look="primary" disabled={bench.bender === null || bench.hits.length > 0} onClick={() => tell(bend())}>
          Bend a part and measure it
        </Button>
      ) : (
        <div role="status" className="d-flex gap-2 align-items-center">
          <span className="flex-grow-1">
            {part.state === 'measuring' ? 'Measuring it…' : `At bend ${part.step + 1} of ${bench.steps.length}…`}
            <ProgressBar now={(100 * part.step) / bench.steps.length} aria-label="How far the part is" />
          </span>
          {part.state !== 'measuring' && (
            <Button onClick={() => tell(api.stopPart(state.id, part.id).then(again))}>Stop</Button>
          )}
        </div>
      )}
    </>
  );
}

/** The parts that were bent, the newest opened. */
function Parts({ parts }: { parts: readonly BentPart[] }) {
  const [opened, setOpened] = useState<number | null>(null);
  const over = parts.filter((part) => !UNDER_WAY.includes(part.state));
  const shown = opened ?? over[0]?.id;
  return (
    <>
      {over.map((part) => (
        <section key={part.id} className="bent-part" aria-label={`Part ${part.number ?? 'that was not finished'}`}>
          <button type="button" aria-expanded={part.id === shown} onClick={() => setOpened(part.id)}>
            {part.number === null ? 'Not finished' : `Part ${part.number}`}
            {', '}
            {new Date(part.asked_at).toLocaleTimeString('en-GB', { timeStyle: 'short' })}
            {part.reversed && ', from its end'}
            {part.report !== null && (part.report.good ? ': good' : ': out')}
            {part.state === 'stopped' && ': stopped'}
            {part.state === 'failed' && ': broken off'}
          </button>
          {part.id === shown && (
            <>
              {part.problem !== null && (
                <p className="text-danger mb-1">
                  <Mark status="violation" /> {part.problem}
                </p>
              )}
              {part.report !== null && (
                <>
                  <Verdict report={part.report} />
                  <Deviations report={part.report} />
                </>
              )}
            </>
          )}
        </section>
      ))}
    </>
  );
}
