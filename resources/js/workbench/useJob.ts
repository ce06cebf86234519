import { type UseQueryResult, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { createContext, useCallback, useContext, useMemo } from 'react';
import { api } from '../api/client';
import type { Edit, Header, Job, JobState, Laying, List, SolvedRun } from '../api/types';
import { useWorkbench } from './store';

export type ItemOf<L extends List> = NonNullable<Job[L]>[number];

const key = (id: number) => ['job', id] as const;

export function useJobQuery(id: number): UseQueryResult<JobState> {
  return useQuery({ queryKey: key(id), queryFn: () => api.job(id) });
}

export interface JobAccess {
  state: JobState;
  saving: boolean;
  item: <L extends List>(list: L, id: string) => ItemOf<L> | undefined;
  items: <L extends List>(list: L) => readonly ItemOf<L>[];
  /** The solution of a run, as dragged just now or as kept. */
  solution: (run: string) => SolvedRun | undefined;
  /** Keeps an item as it shall stand in the job file; rejects with what the server refused. */
  put: <L extends List>(list: L, item: ItemOf<L>) => Promise<void>;
  edit: (edits: Edit[], header?: Header) => Promise<void>;
  lay: (run: string, laying: Laying) => Promise<void>;
}

export const JobContext = createContext<JobAccess | null>(null);

export function useJob(): JobAccess {
  const access = useContext(JobContext);
  if (access === null) {
    throw new Error('useJob needs a job around it');
  }
  return access;
}

/** Edits go one after another, so that answers come in the order of what was done. */
export function useJobAccess(state: JobState): JobAccess {
  const client = useQueryClient();
  const dragged = useWorkbench((store) => store.dragged);
  const { mutateAsync, isPending } = useMutation({
    mutationFn: (change: () => Promise<JobState>) => change(),
    scope: { id: `job-${state.id}` },
    onSuccess: (kept) => {
      client.setQueryData(key(state.id), kept);
      void client.invalidateQueries({ queryKey: ['jobs'] });
    },
  });
  const jobId = state.id;
  const edit = useCallback(
    async (edits: Edit[], header?: Header) => {
      await mutateAsync(() => api.edit(jobId, header === undefined ? { edits } : { edits, header }));
    },
    [mutateAsync, jobId],
  );
  const lay = useCallback(
    async (run: string, laying: Laying) => {
      await mutateAsync(() => api.lay(jobId, run, laying));
    },
    [mutateAsync, jobId],
  );
  return useMemo(() => {
    const items = <L extends List>(list: L) => (state.job[list] ?? []) as readonly ItemOf<L>[];
    return {
      state,
      saving: isPending,
      items,
      item: (list, id) => items(list).find((item) => item.id === id),
      solution: (run) =>
        dragged?.run === run ? dragged.solution : state.solutions.find((solution) => solution.id === run),
      put: (list, item) => edit([{ list, id: item.id, item: item as unknown as Edit['item'] }]),
      edit,
      lay,
    };
  }, [state, isPending, dragged, edit, lay]);
}

/** A fresh id in a list, made from a name. */
export function freshId(taken: readonly { id: string }[], name: string): string {
  const slug =
    name
      .toLowerCase()
      .normalize('NFKD')
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .slice(0, 40) || 'item';
  const used = new Set(taken.map((item) => item.id));
  let id = slug;
  for (let n = 2; used.has(id); n++) {
    id = `${slug}-${n}`;
  }
  return id;
}
