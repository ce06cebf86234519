import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { api } from '../api/client';
import { PersonMenu } from '../people/PersonMenu';
import { Button } from '../ui/Button';
import { FileButton } from '../ui/FileButton';
import { FullState } from '../ui/FullState';
import { JobTile } from './JobTile';

interface Deleted {
  id: number;
  name: string;
}

/** All jobs, the one last opened first: create, open a file, copy, rename, delete and restore. */
export function JobsPage() {
  const jobs = useQuery({ queryKey: ['jobs'], queryFn: api.jobs, staleTime: 0 });
  const client = useQueryClient();
  const navigate = useNavigate();
  const arrived = (useLocation().state as { deleted?: Deleted } | null)?.deleted ?? null;
  const [deleted, setDeleted] = useState<Deleted | null>(arrived);
  const [wanted, setWanted] = useState('');
  const [refused, setRefused] = useState<string | null>(null);

  const act = (doing: Promise<unknown>) =>
    doing.then(
      () => {
        setRefused(null);
        void client.invalidateQueries({ queryKey: ['jobs'] });
      },
      (error: unknown) => setRefused(error instanceof Error ? error.message : 'This did not work.'),
    );
  const open = (opening: Promise<{ id: number }>, stage: string) =>
    void act(opening.then(({ id }) => navigate(`/jobs/${id}/${stage}`)));

  if (jobs.isPending) {
    return <FullState title="Opening…" />;
  }
  if (jobs.isError) {
    return (
      <FullState title="The jobs cannot be read" text={jobs.error.message}>
        <Button onClick={() => void jobs.refetch()}>Try again</Button>
      </FullState>
    );
  }
  const found = jobs.data.filter(({ name }) => name.toLowerCase().includes(wanted.trim().toLowerCase()));
  return (
    <main className="page jobs-page">
      <header>
        <span className="wordmark">Bowline</span>
        <h1>Jobs</h1>
        <input
          type="search"
          className="form-control form-control-sm"
          placeholder="Filter"
          aria-label="Filter the jobs"
          value={wanted}
          onChange={(event) => setWanted(event.target.value)}
        />
        <span className="spacer" />
        <FileButton
          label="Job file"
          accept=".json,.bowline,application/json"
          onFile={(file) => open(api.openFile(file), 'lay')}
        >
          Open a job file…
        </FileButton>
        <Button look="primary" onClick={() => open(api.newJob('New job'), 'place')}>
          New job
        </Button>
        <PersonMenu />
      </header>
      {refused !== null && (
        <p className="text-danger" role="alert">
          {refused}
        </p>
      )}
      {deleted !== null && (
        <p className="deleted" role="status">
          “{deleted.name}” is deleted.{' '}
          <Button
            onClick={() => {
              void act(api.restoreJob(deleted.id));
              setDeleted(null);
            }}
          >
            Have it back
          </Button>
        </p>
      )}
      {found.length === 0 && (
        <p className="nothing">
          {jobs.data.length === 0 ? 'No job yet. Begin a new one, or open a job file.' : 'No job of that name.'}
        </p>
      )}
      <ul>
        {found.map((job) => (
          <JobTile
            key={job.id}
            job={job}
            onCopy={() => void act(api.copyJob(job.id))}
            onRename={async (name) => {
              await api.edit(job.id, { edits: [], header: { name }, header_was: { name: job.name } });
              await client.invalidateQueries({ queryKey: ['jobs'] });
            }}
            onDelete={() => void act(api.deleteJob(job.id).then(() => setDeleted({ id: job.id, name: job.name })))}
          />
        ))}
      </ul>
    </main>
  );
}
