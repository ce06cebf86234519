import { useQuery, useQueryClient } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { Link } from 'react-router';
import { api } from '../api/client';
import type { Person } from '../api/types';
import { may, useMe } from '../job/useMe';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { reasonOf } from './Gate';
import { PeopleFrame } from './PeopleFrame';
import { ROLES, type Role } from './roles';

/** The people of the team: who is in it, as what, and who is invited. */
export function PeoplePage() {
  const me = useMe();
  const client = useQueryClient();
  const [fault, setFault] = useState<string | null>(null);
  const { data, error } = useQuery({ queryKey: ['people'], queryFn: api.people, staleTime: 0 });
  /** Returns whether it was done. */
  const act = async (doing: Promise<unknown>): Promise<boolean> => {
    setFault(null);
    const reason = await doing.then(() => null, reasonOf);
    setFault(reason);
    await client.invalidateQueries({ queryKey: ['people'] });
    return reason === null;
  };
  const isLed = may(me, 'lead');
  return (
    <PeopleFrame title={data === undefined ? 'People' : `People of ${data.team}`}>
      {error !== null && <p className="text-danger">{reasonOf(error)}</p>}
      {fault !== null && (
        <p className="text-danger" role="alert">
          {fault}
        </p>
      )}
      {data === undefined && error === null && <p className="quiet">Reading…</p>}
      {me.person?.role === 'owner' && !isLed && (
        <p>
          To invite people, change roles and read what was done, put on a second factor under{' '}
          <Link to="/account">your account</Link>.
        </p>
      )}
      {data !== undefined && (
        <table className="table table-sm" aria-label="People of the team">
          <thead>
            <tr>
              <th scope="col">Name</th>
              <th scope="col">E-mail address</th>
              <th scope="col">Role in the team</th>
              <th scope="col">Second factor</th>
              <th scope="col">
                <span className="visually-hidden">What can be done</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {data.people.map((person) => (
              <PersonRow
                key={person.id}
                person={person}
                isLed={isLed}
                onChange={(change) => void act(api.changePerson(person.id, change))}
              />
            ))}
          </tbody>
        </table>
      )}
      {isLed && <Invite onInvite={(body) => act(api.invite(body))} />}
    </PeopleFrame>
  );
}

interface RowProps {
  person: Person;
  isLed: boolean;
  onChange: (change: { role?: Role; disabled?: boolean; again?: boolean }) => void;
}

function PersonRow({ person, isLed, onChange }: RowProps) {
  return (
    <tr className={person.disabled ? 'quiet' : undefined}>
      <th scope="row">{person.name}</th>
      <td>{person.email}</td>
      <td>
        {isLed ? (
          <Choice
            label={`Role of ${person.name}`}
            value={person.role}
            of={ROLES}
            onChange={(role) => onChange({ role: role as Role })}
          />
        ) : (
          person.role
        )}
      </td>
      <td>{person.second_factor ? 'on' : 'off'}</td>
      <td className="text-end">
        {person.invited && <span className="quiet">invited </span>}
        {person.disabled && <span className="quiet">locked out </span>}
        {isLed && person.invited && <Button onClick={() => onChange({ again: true })}>Send it again</Button>}{' '}
        {isLed && (
          <Button onClick={() => onChange({ disabled: !person.disabled })}>
            {person.disabled ? 'Let in again' : 'Lock out'}
          </Button>
        )}
      </td>
    </tr>
  );
}

function Invite({ onInvite }: { onInvite: (body: { name: string; email: string; role: Role }) => Promise<boolean> }) {
  const [name, setName] = useState('');
  const [email, setEmail] = useState('');
  const [role, setRole] = useState<Role>('designer');
  const invite = async (event: FormEvent) => {
    event.preventDefault();
    if (await onInvite({ name, email, role })) {
      setName('');
      setEmail('');
    }
  };
  return (
    <form className="invite" onSubmit={(event) => void invite(event)} aria-label="Invite somebody">
      <h2>Invite somebody</h2>
      <label>
        Name
        <input
          className="form-control form-control-sm"
          required
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
      </label>
      <label>
        E-mail address
        <input
          className="form-control form-control-sm"
          type="email"
          required
          value={email}
          onChange={(event) => setEmail(event.target.value)}
        />
      </label>
      <Choice label="Role of whom you invite" value={role} of={ROLES} onChange={(one) => setRole(one as Role)} />
      <Button look="primary" type="submit">
        Send the invitation
      </Button>
    </form>
  );
}
