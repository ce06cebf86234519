import { useInfiniteQuery, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, files } from '../api/client';
import type { TrailEntry } from '../api/types';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { reasonOf } from './Gate';
import { PeopleFrame } from './PeopleFrame';

/** Every kind of what is told, in words. */
const KINDS: Record<TrailEntry['event'], string> = {
  edit: 'changes of jobs',
  issue: 'issues',
  remark: 'remarks',
  made: 'parts made',
  export: 'files taken away',
  job: 'jobs begun, deleted',
  people: 'people and links',
  'sign-in': 'signing in and out',
  account: 'second factors, tokens',
};
const WHAT: [string, string][] = [['', 'everything'], ...Object.entries(KINDS)];

/** Who did what, when, with what there was before and after. */
export function TrailPage() {
  const [what, setWhat] = useState('');
  const [person, setPerson] = useState('');
  const [from, setFrom] = useState('');
  const [to, setTo] = useState('');
  const people = useQuery({ queryKey: ['people'], queryFn: api.people });
  const query = { what, person, from, to };
  const trail = useInfiniteQuery({
    queryKey: ['trail', query],
    queryFn: ({ pageParam }) => api.trail({ ...query, before: pageParam }),
    initialPageParam: '',
    getNextPageParam: (page) => {
      const last = page.entries.at(-1);
      return last === undefined || page.entries.length < 100 ? undefined : String(last.id);
    },
    staleTime: 0,
  });
  const found = trail.data?.pages[0]?.found ?? 0;
  const entries = trail.data?.pages.flatMap((page) => page.entries) ?? [];
  return (
    <PeopleFrame title="What was done">
      <div className="trail-filter">
        <Choice label="What" value={what} of={WHAT} onChange={setWhat} />
        <Choice
          label="By whom"
          value={person}
          of={[
            ['', 'by everybody'],
            ...(people.data?.people ?? []).map((one): [string, string] => [String(one.id), one.name]),
          ]}
          onChange={setPerson}
        />
        <label>
          from{' '}
          <input
            type="date"
            className="form-control form-control-sm"
            value={from}
            onChange={(event) => setFrom(event.target.value)}
          />
        </label>
        <label>
          to{' '}
          <input
            type="date"
            className="form-control form-control-sm"
            value={to}
            onChange={(event) => setTo(event.target.value)}
          />
        </label>
        <span className="spacer" />
        <span className="quiet">{found} found</span>
        <Button href={files.trail(query)} download>
          Save as CSV
        </Button>
      </div>
      {trail.error !== null && <p className="text-danger">{reasonOf(trail.error)}</p>}
      {trail.isPending && <p className="quiet">Reading…</p>}
      {trail.isSuccess && entries.length === 0 && <p className="quiet">Nothing of that was done.</p>}
      <table className="table table-sm trail" aria-label="What was done">
        <tbody>
          {entries.map((entry) => (
            <tr key={entry.id}>
              <td className="mono">
                {new Date(entry.at).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' })}
              </td>
              <th scope="row">{entry.by}</th>
              <td>{entry.job}</td>
              <td>
                <details>
                  <summary>{entry.words}</summary>
                  <pre>{JSON.stringify(entry.details, null, 2)}</pre>
                </details>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {trail.hasNextPage && <Button onClick={() => void trail.fetchNextPage()}>Show what was before</Button>}
    </PeopleFrame>
  );
}
