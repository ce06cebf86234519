import type { ReactNode } from 'react';

/** A section of a card with a heading. */
export function Section({ title, tools, children }: { title: string; tools?: ReactNode; children: ReactNode }) {
  return (
    <section className="card-section" aria-label={title}>
      <div className="caption">
        <span>{title}</span>
        {tools}
      </div>
      {children}
    </section>
  );
}

/** A label and its field or value in one line. */
export function Row({ label, wide, children }: { label: string; wide?: boolean; children: ReactNode }) {
  return (
    <div className={`row-field${wide ? ' wide' : ''}`}>
      <span>{label}</span>
      {children}
    </div>
  );
}
