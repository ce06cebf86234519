import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Modal } from 'react-bootstrap';
import { useNavigate } from 'react-router';
import { api, files, Refused } from '../api/client';
import type { JobRevision, List, OpenPoint, PartOfRevision } from '../api/types';
import { type Side, useComparing } from '../job/comparing';
import { Mark } from '../job/Mark';
import { useWorkbench } from '../job/store';
import { tell } from '../job/tell';
import { useJob } from '../job/useJob';
import { may, useMe } from '../job/useMe';
import { usePerson } from '../job/usePerson';
import { useRevisions } from '../job/useRevisions';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { FileButton } from '../ui/FileButton';
import { Section } from '../ui/Section';

const WORDS = { issuing: 'being issued', issued: 'issued', superseded: 'superseded', failed: 'not issued' } as const;

/** The revisions of the job: issued, opened, compared, taken away. */
export function RevisionsDialog() {
  const { panel, open } = useWorkbench();
  return (
    <Modal
      show={panel === 'revisions'}
      onHide={() => open(null)}
      scrollable
      size="lg"
      aria-labelledby="revisions-title"
    >
      <Modal.Header closeButton>
        <Modal.Title id="revisions-title">Revisions</Modal.Title>
      </Modal.Header>
      <Modal.Body>
        <Revisions />
      </Modal.Body>
    </Modal>
  );
}

function Revisions() {
  const { state } = useJob();
  const { data, error } = useRevisions();
  if (error !== null) {
    return <p className="text-danger">{error.message}</p>;
  }
  if (data === undefined) {
    return <p className="quiet">Looking for revisions…</p>;
  }
  return (
    <>
      {state.frozen === null && <Working />}
      {state.frozen === null && <CompareWith />}
      <Section title="Issued">
        {data.revisions.length === 0 && (
          <p className="quiet mb-0">
            None yet. What is issued stays as it is: the job, its drawings and tables, under a name and a date.
          </p>
        )}
        {data.missing && (
          <p className="text-danger mb-1">
            <Mark status="violation" /> The newest revision is missing: somebody has taken it out of the database.
          </p>
        )}
        {data.revisions.map((one) => (
          <OneRevision
            key={one.number}
            revision={one}
            older={data.revisions.find(({ number }) => number < one.number)}
          />
        ))}
      </Section>
    </>
  );
}

/** The job as it is worked on: asked to be checked, or issued. */
function Working() {
  const { state } = useJob();
  const { data, refresh } = useRevisions();
  const { person, sign } = usePerson();
  const me = useMe(state.id);
  const [name, setName] = useState<string | null>(null);
  const [note, setNote] = useState('');
  const [open, setOpen] = useState<OpenPoint[] | null>(null);
  const [isAsking, setIsAsking] = useState(false);
  const [fault, setFault] = useState<string | null>(null);
  if (data === undefined) {
    return null;
  }
  const inCheck = data.state === 'in-check';
  const look = async () => {
    setIsAsking(true);
    try {
      setOpen((await api.openPoints(state.id)).open);
    } finally {
      setIsAsking(false);
    }
  };
  const issue = async () => {
    setFault(null);
    try {
      await api.issue(state.id, { name: name ?? data.next, by: person, note });
      setName(null);
      setNote('');
      setOpen(null);
      await refresh();
    } catch (error) {
      setFault(error instanceof Error ? error.message : String(error));
      if (error instanceof Refused && error.problem.open !== undefined) {
        setOpen(error.problem.open);
      }
    }
  };
  return (
    <Section title={inCheck ? 'In check' : 'In work'}>
      <p className="mb-2">
        {inCheck
          ? `Since ${when(data.checking?.at ?? '')}, asked by ${data.checking?.by}. Any edit takes it back into work.`
          : 'Ask for a check, or issue it as it is now.'}
      </p>
      <div className="issue-fields">
        {sign !== null && (
          <label>
            Your name
            <input
              className="form-control form-control-sm"
              value={person}
              onChange={(event) => sign(event.target.value)}
            />
          </label>
        )}
        <label>
          Name of the revision
          <input
            className="form-control form-control-sm"
            value={name ?? data.next}
            maxLength={40}
            onChange={(event) => setName(event.target.value)}
          />
        </label>
        <label className="wide">
          Note
          <input
            className="form-control form-control-sm"
            value={note}
            maxLength={2000}
            onChange={(event) => setNote(event.target.value)}
          />
        </label>
      </div>
      {fault !== null && (
        <p className="text-danger mb-1" role="alert">
          {fault}
        </p>
      )}
      {open !== null && <Open points={open} />}
      <div className="made-list">
        <Button
          look="primary"
          disabled={person.trim() === '' || !may(me, 'issue')}
          title={may(me, 'issue') ? undefined : 'A checker or an owner issues'}
          onClick={() => tell(issue())}
        >
          Issue revision {name ?? data.next}
        </Button>
        <Button disabled={isAsking} onClick={() => tell(look())}>
          {isAsking ? 'Looking…' : 'What is still open?'}
        </Button>
        <Button
          disabled={person.trim() === '' || !may(me, 'edit')}
          onClick={() => tell(api.askCheck(state.id, inCheck ? null : person).then(refresh))}
        >
          {inCheck ? 'Take it back into work' : 'Ask for a check'}
        </Button>
      </div>
      {person.trim() === '' && <p className="quiet mb-0">Type your name: it stands beside what you issue.</p>}
    </Section>
  );
}

/** What keeps the job from being issued. */
function Open({ points }: { points: readonly OpenPoint[] }) {
  const { pick, open } = useWorkbench();
  return points.length === 0 ? (
    <p className="mb-2">
      <Mark status="good" /> Nothing is open: it can be issued.
    </p>
  ) : (
    <ul className="open-points" aria-label="Still open">
      {points.map(({ list, id, words }) => (
        <li key={`${list} ${id} ${words}`}>
          <Mark status="violation" /> {words}{' '}
          {list !== null && id !== null && (
            <Button
              look="link"
              onClick={() => {
                pick(list as List, id);
                open(null);
              }}
            >
              Show it
            </Button>
          )}
        </li>
      ))}
    </ul>
  );
}

/** Compares the job with another one, or with a job file. */
function CompareWith() {
  const { state } = useJob();
  const navigate = useNavigate();
  const open = useWorkbench((store) => store.open);
  const { compare, compareFile } = useComparing();
  const [fault, setFault] = useState<string | null>(null);
  const { data } = useQuery({ queryKey: ['jobs'], queryFn: api.jobs });
  const others = (data ?? []).filter(({ id }) => id !== state.id);
  const look = () => {
    open(null);
    navigate(`/jobs/${state.id}/check`);
  };
  const take = async (file: File) => {
    try {
      compareFile(file.name, JSON.parse(await file.text()));
      look();
    } catch {
      setFault(`${file.name} is no job file.`);
    }
  };
  return (
    <Section title="Compare with">
      {fault !== null && (
        <p className="text-danger mb-1" role="alert">
          {fault}
        </p>
      )}
      <div className="made-list">
        {others.length > 0 && (
          <Choice
            label="Compare with another job"
            value=""
            of={[['', 'another job…'], ...others.map(({ id, name }): [string, string] => [String(id), name])]}
            onChange={(id) => {
              compare(`job:${Number(id)}`, 'working');
              look();
            }}
            narrow
          />
        )}
        <FileButton label="Job file to compare with" accept=".json" onFile={(file) => tell(take(file))}>
          A job file…
        </FileButton>
      </div>
    </Section>
  );
}

function OneRevision({ revision, older }: { revision: JobRevision; older: JobRevision | undefined }) {
  const { state } = useJob();
  const navigate = useNavigate();
  const open = useWorkbench((store) => store.open);
  const startComparing = useComparing((store) => store.compare);
  const [showsFiles, setShowsFiles] = useState(false);
  const compare = (before: Side, after: Side) => {
    startComparing(before, after);
    open(null);
    navigate(`/jobs/${state.id}/check`);
  };
  const { number } = revision;
  const isIssued = revision.state === 'issued' || revision.state === 'superseded';
  return (
    <section className="revision" aria-label={`Revision ${revision.name}`}>
      <div>
        <strong>Revision {revision.name}</strong>{' '}
        <span className={`revision-state ${revision.state}`}>{WORDS[revision.state]}</span>
      </div>
      <div className="quiet">
        {revision.issued_at === null ? 'asked for' : 'issued'} {when(revision.issued_at ?? revision.asked_at)} by{' '}
        {revision.by}
        {revision.note !== '' && `: ${revision.note}`}
      </div>
      {revision.state === 'issuing' && (
        <progress value={revision.part} max={1} aria-label={`Making the files of revision ${revision.name}`} />
      )}
      {revision.problem !== null && <p className="text-danger mb-1">{revision.problem}</p>}
      {!revision.intact && (
        <p className="text-danger mb-1">
          <Mark status="violation" /> It is not as it was issued: somebody has changed it in the database.
        </p>
      )}
      {isIssued && (
        <div className="made-list">
          <Button href={`/jobs/${revision.job}/lay`}>Open it</Button>
          {state.frozen === null && (
            <Button onClick={() => compare(`revision:${number}`, 'working')}>Compare with the job</Button>
          )}
          {older !== undefined && older.state !== 'failed' && (
            <Button onClick={() => compare(`revision:${older.number}`, `revision:${number}`)}>
              Compare with {older.name}
            </Button>
          )}
          <Button onClick={() => setShowsFiles(!showsFiles)}>{showsFiles ? 'Hide its files' : 'Its files'}</Button>
        </div>
      )}
      {showsFiles && <Files number={number} />}
    </section>
  );
}

function Files({ number }: { number: number }) {
  const { state } = useJob();
  const job = state.frozen?.job ?? state.id;
  const { data, error } = useQuery({
    queryKey: ['revision', job, number],
    queryFn: () => api.jobRevision(job, number),
    staleTime: Number.POSITIVE_INFINITY,
  });
  if (error !== null) {
    return <p className="text-danger">{error.message}</p>;
  }
  if (data === undefined) {
    return <p className="quiet">Looking for its files…</p>;
  }
  return (
    <>
      <Made job={job} number={number} parts={data.parts ?? []} />
      <ul className="revision-files">
        {(data.files ?? []).map(({ name }) => (
          <li key={name}>
            <a href={files.ofRevision(job, number, name)} download={name}>
              {name}
            </a>
          </li>
        ))}
      </ul>
    </>
  );
}

/** Which parts of a revision the shop has made. */
function Made({ job, number, parts }: { job: number; number: number; parts: readonly PartOfRevision[] }) {
  const { person } = usePerson();
  const me = useMe(job);
  const client = useQueryClient();
  const mark = async (part: string, made: boolean) => {
    const told = await api.markMade(job, number, { part, made, by: person });
    client.setQueryData<JobRevision>(['revision', job, number], (now) =>
      now === undefined ? now : { ...now, ...told },
    );
  };
  if (parts.length === 0) {
    return null;
  }
  return (
    <ul className="made-parts" aria-label="Parts that are made">
      {parts.map(({ part, made_by: by, made_at: at }) => (
        <li key={part}>
          <label>
            <input
              type="checkbox"
              checked={at !== null}
              disabled={!may(me, 'mark-made')}
              onChange={(event) => tell(mark(part, event.target.checked))}
            />{' '}
            {part}
          </label>
          {at !== null && (
            <span className="quiet">
              {' '}
              made {when(at)}
              {by !== null && by !== '' && ` by ${by}`}
            </span>
          )}
        </li>
      ))}
    </ul>
  );
}

const when = (time: string) => new Date(time).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' });
