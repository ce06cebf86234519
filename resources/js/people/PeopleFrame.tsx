import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { PersonMenu } from './PersonMenu';

/** A page about people, beside the jobs. */
export function PeopleFrame({ title, children }: { title: string; children: ReactNode }) {
  return (
    <main className="page jobs-page people-page">
      <header>
        <span className="wordmark">Bowline</span>
        <h1>{title}</h1>
        <span className="spacer" />
        <Link to="/jobs">Jobs</Link>
        <PersonMenu />
      </header>
      <div className="sheet">{children}</div>
    </main>
  );
}
