import { useQuery, useQueryClient } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { useNavigate } from 'react-router';
import { api } from '../api/client';
import type { NewToken } from '../api/types';
import { useMe } from '../job/useMe';
import { Button } from '../ui/Button';
import { FullState } from '../ui/FullState';
import { GateField, reasonOf } from './Gate';
import { PeopleFrame } from './PeopleFrame';
import { QrPicture } from './QrPicture';

/** What is one's own: password, second factor, tokens of scripts, sessions. */
export function AccountPage() {
  const me = useMe();
  if (me.person === null) {
    return <FullState title={me.people ? 'Looking…' : 'Nobody signs in here'} />;
  }
  return (
    <PeopleFrame title={me.person.name}>
      <Password />
      <SecondFactor isOn={me.person.second_factor} />
      <Tokens />
      <Everywhere />
    </PeopleFrame>
  );
}

/** A part of the page that can be refused. */
function useAttempt() {
  const [fault, setFault] = useState<string | null>(null);
  const attempt = async (doing: () => Promise<void>) => {
    setFault(null);
    try {
      await doing();
    } catch (error) {
      setFault(reasonOf(error));
    }
  };
  const shown = fault !== null && (
    <p className="text-danger mb-0" role="alert">
      {fault}
    </p>
  );
  return { attempt, shown };
}

function Password() {
  const { attempt, shown } = useAttempt();
  const [now, setNow] = useState('');
  const [password, setPassword] = useState('');
  const [isDone, setIsDone] = useState(false);
  const change = (event: FormEvent) => {
    event.preventDefault();
    void attempt(async () => {
      await api.changePassword({ now, password });
      setNow('');
      setPassword('');
      setIsDone(true);
    });
  };
  return (
    <form className="account-part" onSubmit={change}>
      <h2>Password</h2>
      <GateField
        label="The one you have"
        type="password"
        value={now}
        onChange={setNow}
        autoComplete="current-password"
      />
      <GateField
        label="The new one"
        type="password"
        value={password}
        onChange={setPassword}
        autoComplete="new-password"
      />
      <Button type="submit">Change it</Button>
      {isDone && <p className="mb-0">It is changed; other sessions and all tokens have ended.</p>}
      {shown}
    </form>
  );
}

function SecondFactor({ isOn }: { isOn: boolean }) {
  const client = useQueryClient();
  const { attempt, shown } = useAttempt();
  const [password, setPassword] = useState('');
  const [code, setCode] = useState('');
  const [begun, setBegun] = useState<{ secret: string; modules: number[][] } | null>(null);
  const [codes, setCodes] = useState<string[] | null>(null);
  const again = () => client.invalidateQueries({ queryKey: ['me'] });
  const go = (event: FormEvent) => {
    event.preventDefault();
    void attempt(async () => {
      if (begun !== null) {
        setCodes((await api.confirmSecondFactor(code)).recovery_codes);
        setBegun(null);
        await again();
      } else if (isOn) {
        await api.removeSecondFactor(password);
        setCodes(null);
        await again();
      } else {
        setBegun(await api.beginSecondFactor(password));
      }
      setPassword('');
    });
  };
  return (
    <form className="account-part" onSubmit={go}>
      <h2>Second factor: {isOn ? 'on' : 'off'}</h2>
      {codes !== null && (
        <>
          <p className="mb-0">
            Put these away: each is good once, where your authenticator is lost. They are not shown again.
          </p>
          <ul className="recovery-codes mono" aria-label="Recovery codes">
            {codes.map((one) => (
              <li key={one}>{one}</li>
            ))}
          </ul>
        </>
      )}
      {begun === null ? (
        <>
          <GateField
            label="Your password"
            type="password"
            value={password}
            onChange={setPassword}
            autoComplete="current-password"
          />
          <Button type="submit">{isOn ? 'Take it off' : 'Put one on'}</Button>
        </>
      ) : (
        <>
          <p className="mb-0">Scan this with an authenticator, or type the secret, then give the code that it shows.</p>
          <QrPicture modules={begun.modules} label="Secret of the second factor" />
          <input className="form-control form-control-sm mono" readOnly value={begun.secret} aria-label="Secret" />
          <GateField label="Code" value={code} onChange={setCode} autoComplete="one-time-code" />
          <Button look="primary" type="submit">
            Turn it on
          </Button>
        </>
      )}
      {shown}
    </form>
  );
}

const SCOPES: readonly (readonly [NewToken['scopes'][number], string])[] = [
  ['read', 'read'],
  ['edit', 'change jobs'],
  ['issue', 'waive and issue'],
];

function Tokens() {
  const client = useQueryClient();
  const { attempt, shown } = useAttempt();
  const { data } = useQuery({ queryKey: ['tokens'], queryFn: api.tokens });
  const [name, setName] = useState('');
  const [days, setDays] = useState('90');
  const [scopes, setScopes] = useState<readonly NewToken['scopes'][number][]>(['read']);
  const [text, setText] = useState<string | null>(null);
  const again = () => client.invalidateQueries({ queryKey: ['tokens'] });
  const make = (event: FormEvent) => {
    event.preventDefault();
    void attempt(async () => {
      const made = await api.makeToken({ name, days: Number(days), scopes: [...scopes] as NewToken['scopes'] });
      setText(made.text ?? null);
      setName('');
      await again();
    });
  };
  return (
    <form className="account-part" onSubmit={make}>
      <h2>Tokens of scripts</h2>
      {(data?.tokens ?? []).map((token) => (
        <div key={token.id} className="d-flex gap-2 align-items-center">
          <span className="flex-grow-1">
            {token.name}: {token.scopes.join(', ')}
            {token.expires_at !== null && `, until ${new Date(token.expires_at).toLocaleDateString('en-GB')}`}
          </span>
          <Button
            onClick={() =>
              void attempt(async () => {
                await api.dropToken(token.id);
                await again();
              })
            }
          >
            Take back
          </Button>
        </div>
      ))}
      {text !== null && (
        <p className="mb-0 w-100">
          Copy it now, it is not shown again:
          <input className="form-control form-control-sm mono" readOnly value={text} aria-label="Token" />
        </p>
      )}
      <GateField label="What it is for" value={name} onChange={setName} autoComplete="off" />
      <GateField label="Days for which it is good" value={days} onChange={setDays} autoComplete="off" />
      <div className="d-flex gap-3">
        {SCOPES.map(([scope, words]) => (
          <label key={scope} className="d-flex gap-1">
            <input
              type="checkbox"
              checked={scopes.includes(scope)}
              onChange={(event) =>
                setScopes(event.target.checked ? [...scopes, scope] : scopes.filter((one) => one !== scope))
              }
            />
            {words}
          </label>
        ))}
      </div>
      <Button type="submit">Make a token</Button>
      {shown}
    </form>
  );
}

function Everywhere() {
  const client = useQueryClient();
  const navigate = useNavigate();
  const { attempt, shown } = useAttempt();
  const leave = () =>
    void attempt(async () => {
      await api.signOutEverywhere();
      client.clear();
      navigate('/sign-in', { replace: true });
    });
  return (
    <section className="account-part">
      <h2>Sessions</h2>
      <Button onClick={leave}>Sign out everywhere</Button>
      <p className="quiet mb-0">In this and every other browser; tokens end, too.</p>
      {shown}
    </section>
  );
}
