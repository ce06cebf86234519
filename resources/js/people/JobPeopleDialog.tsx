import { useQuery, useQueryClient } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { Modal } from 'react-bootstrap';
import { api } from '../api/client';
import type { JobPeople } from '../api/types';
import { useWorkbench } from '../job/store';
import { useJob } from '../job/useJob';
import { may, useMe } from '../job/useMe';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { reasonOf } from './Gate';
import { ROLES, type Role } from './roles';

/** Who has to do with the job, as what; and its link for those who only read. */
export function JobPeopleDialog() {
  const { panel, open } = useWorkbench();
  return (
    <Modal show={panel === 'people'} onHide={() => open(null)} scrollable aria-labelledby="job-people-title">
      <Modal.Header closeButton>
        <Modal.Title id="job-people-title">People of this job</Modal.Title>
      </Modal.Header>
      <Modal.Body>
        <List />
      </Modal.Body>
    </Modal>
  );
}

function List() {
  const { state } = useJob();
  const me = useMe(state.id);
  const client = useQueryClient();
  const key = ['job-people', state.id];
  const { data, error } = useQuery({ queryKey: key, queryFn: () => api.jobPeople(state.id), staleTime: 0 });
  const [email, setEmail] = useState('');
  const [role, setRole] = useState<Role>('viewer');
  const [link, setLink] = useState<string | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  /** Returns whether it was done. */
  const attempt = async (doing: () => Promise<void>): Promise<boolean> => {
    const reason = await doing().then(() => null, reasonOf);
    setFault(reason);
    return reason === null;
  };
  const give = (to: string, one: Role | undefined) =>
    attempt(async () => {
      client.setQueryData<JobPeople>(key, await api.changeJobPerson(state.id, { email: to, role: one }));
    });
  const share = (on: boolean) =>
    attempt(async () => {
      setLink((await api.shareJob(state.id, on)).link);
      await client.invalidateQueries({ queryKey: key });
    });
  if (error !== null) {
    return <p className="text-danger">{reasonOf(error)}</p>;
  }
  if (data === undefined) {
    return <p className="quiet">Looking…</p>;
  }
  const isOwned = may(me, 'own');
  const add = (event: FormEvent) => {
    event.preventDefault();
    void give(email, role).then((isDone) => isDone && setEmail(''));
  };
  return (
    <>
      <ul className="job-people" aria-label="People of this job">
        {data.people.map((person) => (
          <li key={person.email}>
            <span>
              {person.name} <span className="quiet">{person.guest ? 'guest' : person.own ? '' : 'by the team'}</span>
            </span>
            {isOwned ? (
              <Choice
                label={`Role of ${person.name} in this job`}
                value={person.own ? person.role : ''}
                of={[['', person.guest ? 'none: take the job back' : `as in the team: ${person.role}`], ...ROLES]}
                onChange={(one) => void give(person.email, one === '' ? undefined : (one as Role))}
              />
            ) : (
              person.role
            )}
          </li>
        ))}
      </ul>
      {isOwned && (
        <form className="invite" onSubmit={add} aria-label="Give somebody a role">
          <label>
            E-mail address of somebody else
            <input
              className="form-control form-control-sm"
              type="email"
              required
              value={email}
              onChange={(event) => setEmail(event.target.value)}
            />
          </label>
          <Choice label="Role in this job" value={role} of={ROLES} onChange={(one) => setRole(one as Role)} />
          <Button type="submit">Give the role</Button>
        </form>
      )}
      {isOwned && (
        <div className="share-link">
          <strong>Link to read it</strong>
          <p className="quiet mb-1">
            {data.shared ? 'Whoever has the link reads this job without signing in.' : 'There is none.'}
          </p>
          {link !== null && (
            <input className="form-control form-control-sm mb-1" readOnly value={link} aria-label="Link" />
          )}
          <Button onClick={() => void share(true)}>{data.shared ? 'Make another link' : 'Make a link'}</Button>{' '}
          {data.shared && <Button onClick={() => void share(false)}>End it</Button>}
        </div>
      )}
      {fault !== null && (
        <p className="text-danger mb-0" role="alert">
          {fault}
        </p>
      )}
    </>
  );
}
