import { useQueryClient } from '@tanstack/react-query';
import { Dropdown } from 'react-bootstrap';
import { useNavigate } from 'react-router';
import { api } from '../api/client';
import { tell } from '../job/tell';
import { may, useMe } from '../job/useMe';

/** Who has signed in, with what is theirs. Nothing on one desk. */
export function PersonMenu() {
  const me = useMe();
  const client = useQueryClient();
  const navigate = useNavigate();
  if (!me.people) {
    return null;
  }
  if (me.person === null) {
    return (
      <button type="button" className="top-button" onClick={() => navigate('/sign-in')}>
        Sign in
      </button>
    );
  }
  const leave = async () => {
    await api.signOut();
    client.clear();
    navigate('/sign-in', { replace: true });
  };
  return (
    <Dropdown align="end" className="person-menu">
      <Dropdown.Toggle size="sm" variant="primary" title={`${me.person.name}, ${me.person.role} in ${me.team}`}>
        {me.person.name}
      </Dropdown.Toggle>
      <Dropdown.Menu>
        <Dropdown.Header>
          {me.person.role} in {me.team}
        </Dropdown.Header>
        <Dropdown.Item onClick={() => navigate('/account')}>Your account…</Dropdown.Item>
        <Dropdown.Item onClick={() => navigate('/people')}>People of the team…</Dropdown.Item>
        {may(me, 'lead') && <Dropdown.Item onClick={() => navigate('/trail')}>What was done…</Dropdown.Item>}
        <Dropdown.Divider />
        <Dropdown.Item onClick={() => tell(leave())}>Sign out</Dropdown.Item>
      </Dropdown.Menu>
    </Dropdown>
  );
}
