import { useQueryClient } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { api } from '../api/client';
import { Button } from '../ui/Button';
import { Gate, GateField, reasonOf } from './Gate';

/** Signing in: the password, then the code of a second factor where there is one; or a link to a new password. */
export function SignInPage() {
  const [step, setStep] = useState<'password' | 'code' | 'forgotten' | 'sent'>('password');
  const [email, setEmail] = useState('');
  const [password, setPassword] = useState('');
  const [code, setCode] = useState('');
  const [fault, setFault] = useState<string | null>(null);
  const client = useQueryClient();
  const navigate = useNavigate();
  const back = (useLocation().state as { back?: string } | null)?.back ?? '/';
  const attempt = async (event: FormEvent) => {
    event.preventDefault();
    setFault(null);
    try {
      if (step === 'forgotten') {
        await api.forgotPassword(email);
        setStep('sent');
        return;
      }
      const { code_needed: isCodeNeeded } =
        step === 'password' ? await api.signIn({ email, password }) : await api.giveCode(code);
      setPassword('');
      if (isCodeNeeded) {
        setStep('code');
        return;
      }
      client.clear();
      navigate(back, { replace: true });
    } catch (error) {
      setFault(reasonOf(error));
    }
  };
  if (step === 'sent') {
    return (
      <Gate title="Look into your mail">
        <p>If somebody here has the address {email}, a link to a new password is on its way. It is good for an hour.</p>
        <Button look="link" onClick={() => setStep('password')}>
          Back to signing in
        </Button>
      </Gate>
    );
  }
  return (
    <Gate title={step === 'forgotten' ? 'A new password' : 'Sign in'} onSubmit={attempt} fault={fault}>
      {step === 'code' ? (
        <GateField
          label="Code of your authenticator, or a recovery code"
          value={code}
          onChange={setCode}
          autoComplete="one-time-code"
        />
      ) : (
        <GateField label="E-mail address" type="email" value={email} onChange={setEmail} autoComplete="username" />
      )}
      {step === 'password' && (
        <GateField
          label="Password"
          type="password"
          value={password}
          onChange={setPassword}
          autoComplete="current-password"
        />
      )}
      <Button look="primary" type="submit">
        {step === 'forgotten' ? 'Send me a link' : 'Sign in'}
      </Button>
      {step === 'password' ? (
        <Button look="link" onClick={() => setStep('forgotten')}>
          I have forgotten it
        </Button>
      ) : (
        <Button look="link" onClick={() => setStep('password')}>
          Back
        </Button>
      )}
    </Gate>
  );
}
