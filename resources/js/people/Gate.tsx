import { type FormEvent, type ReactNode, useId } from 'react';

interface Props {
  title: string;
  fault?: string | null;
  onSubmit?: (event: FormEvent) => void;
  children: ReactNode;
}

/** A page in front of Bowline: signing in, an invitation, a new password. */
export function Gate({ title, fault = null, onSubmit, children }: Props) {
  return (
    <main className="gate">
      <form onSubmit={onSubmit}>
        <span className="wordmark">Bowline</span>
        <h1>{title}</h1>
        {children}
        {fault !== null && (
          <p className="text-danger mb-0" role="alert">
            {fault}
          </p>
        )}
      </form>
    </main>
  );
}

interface FieldProps {
  label: string;
  value: string;
  onChange: (value: string) => void;
  type?: 'text' | 'email' | 'password';
  autoComplete: string;
}

export function GateField({ label, value, onChange, type = 'text', autoComplete }: FieldProps) {
  const id = useId();
  return (
    <div>
      <label htmlFor={id}>{label}</label>
      <input
        id={id}
        className="form-control"
        type={type}
        value={value}
        autoComplete={autoComplete}
        required
        onChange={(event) => onChange(event.target.value)}
      />
    </div>
  );
}

/** Returns why something was refused, as a sentence. */
export function reasonOf(error: unknown): string {
  const reason = error instanceof Error ? error.message : 'This did not work.';
  return reason.charAt(0).toUpperCase() + reason.slice(1);
}
