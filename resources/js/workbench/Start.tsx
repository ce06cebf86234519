import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Navigate, useNavigate } from 'react-router';
import { api } from '../api/client';
import { Button } from '../ui/Button';
import { FullState } from '../ui/FullState';

/** The first page: redirects to the job last opened, or offers to create one. */
export function Start() {
  const jobs = useQuery({ queryKey: ['jobs'], queryFn: api.jobs });
  const navigate = useNavigate();
  const [refused, setRefused] = useState<string | null>(null);
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
  const last = jobs.data[0];
  if (last !== undefined) {
    return <Navigate to={`/jobs/${last.id}/lay`} replace />;
  }
  const begin = async () => {
    try {
      navigate(`/jobs/${(await api.newJob('New job')).id}/place`);
    } catch (error) {
      setRefused(error instanceof Error ? error.message : 'This did not work.');
    }
  };
  return (
    <FullState
      title="No job yet"
      text={refused ?? 'Place what stands around, lay runs between ports, take the bend table away.'}
    >
      <Button look="primary" onClick={() => void begin()}>
        Begin a job
      </Button>
    </FullState>
  );
}
