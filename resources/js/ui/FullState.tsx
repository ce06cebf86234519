import type { ReactNode } from 'react';

/** A page without content: loading, empty, or an error. */
export function FullState({ title, text, children }: { title: string; text?: string; children?: ReactNode }) {
  return (
    <main className="full-state" role="status">
      <h1 className="h3">{title}</h1>
      {text !== undefined && <p className="quiet">{text}</p>}
      {children}
    </main>
  );
}
