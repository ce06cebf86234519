import type { ReactNode } from 'react';

/** A page that has nothing else to show: loading, empty, or in trouble. */
export function FullState({ title, text, children }: { title: string; text?: string; children?: ReactNode }) {
  return (
    <main className="full-state" role="status">
      <h1 className="h3">{title}</h1>
      {text !== undefined && <p className="quiet">{text}</p>}
      {children}
    </main>
  );
}
