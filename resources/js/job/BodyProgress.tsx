import { useQueryClient } from '@tanstack/react-query';
import { api } from '../api/client';
import type { BodyWork } from '../api/types';
import { useJob } from './useJob';
import { WorkProgress } from './WorkProgress';

interface Props {
  work: BodyWork;

  /** What is going on, said while it is. */
  doing: string;
}

/** How far the work on a body has come, and a way to stop it. */
export function BodyProgress({ work, doing }: Props) {
  const { state } = useJob();
  const client = useQueryClient();
  const change = async (again: boolean) => {
    client.setQueryData(['body work', state.id, work.id], await api.changeBodyWork(state.id, work.id, again));
    await client.invalidateQueries({ queryKey: ['body work', state.id, work.id] });
  };
  return <WorkProgress work={work} doing={doing} change={change} />;
}
