import { useQuery, useQueryClient } from '@tanstack/react-query';
import { type FormEvent, useEffect, useState } from 'react';
import { useLocation, useNavigate, useParams, useSearchParams } from 'react-router';
import { api } from '../api/client';
import { Button } from '../ui/Button';
import { FullState } from '../ui/FullState';
import { Gate, GateField, reasonOf } from './Gate';

const HINT = 'Twelve characters or more; a few words are easy to keep in mind.';

/** Accepting an invitation: a password is chosen, and it is signed in. */
export function InvitationPage() {
  const { user } = useParams();
  const { search } = useLocation();
  const client = useQueryClient();
  const navigate = useNavigate();
  const { data, error } = useQuery({
    queryKey: ['invitation', user, search],
    queryFn: () => api.invitation(user ?? '', search),
    retry: false,
  });
  if (error !== null) {
    return <FullState title="This invitation does not hold" text={reasonOf(error)} />;
  }
  if (data === undefined) {
    return <FullState title="Looking at the invitation…" />;
  }
  return (
    <Choose
      title={`Welcome, ${data.name}`}
      text={`You will sign in as ${data.email}.`}
      onChoose={async (password) => {
        await api.acceptInvitation(user ?? '', search, password);
        client.clear();
        navigate('/', { replace: true });
      }}
    />
  );
}

/** A new password, by the link that was sent. */
export function NewPasswordPage() {
  const [query] = useSearchParams();
  const navigate = useNavigate();
  const email = query.get('email') ?? '';
  return (
    <Choose
      title="A new password"
      text={`For ${email}. All other sessions end.`}
      onChoose={async (password) => {
        await api.newPassword({ email, token: query.get('token') ?? '', password });
        navigate('/sign-in', { replace: true });
      }}
    />
  );
}

/** A job that is shared by a link: opened in this browser, and shown. */
export function SharedPage() {
  const { link } = useParams();
  const client = useQueryClient();
  const navigate = useNavigate();
  const [fault, setFault] = useState<string | null>(null);
  useEffect(() => {
    let isThere = true;
    api.openShared(link ?? '').then(
      ({ job }) => {
        if (isThere) {
          client.clear();
          navigate(`/jobs/${job}/lay`, { replace: true });
        }
      },
      () => isThere && setFault('Whoever sent it may have ended it.'),
    );
    return () => {
      isThere = false;
    };
  }, [link, client, navigate]);
  return fault === null ? (
    <FullState title="Opening the job…" />
  ) : (
    <FullState title="This link does not hold" text={fault} />
  );
}

interface Props {
  title: string;
  text: string;
  onChoose: (password: string) => Promise<void>;
}

function Choose({ title, text, onChoose }: Props) {
  const [password, setPassword] = useState('');
  const [again, setAgain] = useState('');
  const [fault, setFault] = useState<string | null>(null);
  const choose = async (event: FormEvent) => {
    event.preventDefault();
    setFault(null);
    if (password !== again) {
      setFault('The two are not the same.');
      return;
    }
    try {
      await onChoose(password);
    } catch (error) {
      setFault(reasonOf(error));
    }
  };
  return (
    <Gate title={title} onSubmit={choose} fault={fault}>
      <p className="quiet mb-0">{text}</p>
      <GateField label="Password" type="password" value={password} onChange={setPassword} autoComplete="new-password" />
      <p className="quiet mb-0">{HINT}</p>
      <GateField label="Once more" type="password" value={again} onChange={setAgain} autoComplete="new-password" />
      <Button look="primary" type="submit">
        Go on
      </Button>
    </Gate>
  );
}
