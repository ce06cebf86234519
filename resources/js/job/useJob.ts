import { type UseQueryResult, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { createContext, useCallback, useContext, useEffect, useMemo } from 'react';
import { create } from 'zustand';
import { api, Refused, Unreachable } from '../api/client';
import type { Edit, Finding, Header, Job, JobChange, JobState, Laying, List, Place, SolvedRun } from '../api/types';
import { useWorkbench } from './store';
import { showIn, unitsOf } from './units';

export type ItemOf<L extends List> = NonNullable<Job[L]>[number];

const key = (id: number) => ['job', id] as const;

/** How often to look whether another window has changed the job, and whether an absent server is back, ms. */
const LOOK = 2000;

/** How often to look at least for runs that are not worked out yet, ms. */
const LONGEST = 30_000;

/** Distributes over the kinds of laying, so that each keeps its own shape. */
type Bare<L> = L extends unknown ? Omit<L, 'was' | 'token' | 'since'> : never;
export type LayingEdit = Bare<Laying>;
export type BareEdit = Pick<Edit, 'list' | 'id' | 'item'>;

export function useJobQuery(id: number): UseQueryResult<JobState> {
  return useQuery({ queryKey: key(id), queryFn: () => api.job(id) });
}

export interface JobAccess {
  state: JobState;
  saving: boolean;
  item: <L extends List>(list: L, id: string) => ItemOf<L> | undefined;
  items: <L extends List>(list: L) => readonly ItemOf<L>[];
  /** The solution of a run, as tried just now or as kept. */
  solution: (run: string) => SolvedRun | undefined;
  /** Where things stand, as tried just now or as kept. */
  places: readonly Place[];
  /** Keeps an item as it shall stand in the job file; rejects with what the server refused. */
  put: <L extends List>(list: L, item: ItemOf<L>, name?: string) => Promise<void>;
  edit: (edits: BareEdit[], header?: Header, name?: string) => Promise<void>;
  lay: (run: string, laying: LayingEdit) => Promise<void>;
  /** Another name for a value, wherever it is used. */
  renameValue: (from: string, to: string) => Promise<void>;
  /** Undoes or redoes until the step of that number is the last in force. */
  goTo: (step: number) => Promise<void>;
  /** The same by so many steps: −1 undoes the last one. */
  goBy: (steps: number) => Promise<void>;
}

export const JobContext = createContext<JobAccess | null>(null);

export function useJob(): JobAccess {
  const access = useContext(JobContext);
  if (access === null) {
    throw new Error('useJob needs a job around it');
  }
  return access;
}

/** Asks until there is an answer: what was typed while the server is away is kept and goes on afterwards. */
async function untilAnswered<Answer>(asking: () => Promise<Answer>): Promise<Answer> {
  const { setAway } = useWorkbench.getState();
  for (;;) {
    try {
      const answer = await asking();
      setAway(false);
      return answer;
    } catch (error) {
      if (!(error instanceof Unreachable)) {
        setAway(false);
        throw error;
      }
      setAway(true);
      await new Promise((resolve) => setTimeout(resolve, LOOK / 2));
    }
  }
}

/** Until what was answered is on the screen: what an edit came to must not be seen before it, nor after. */
const shown = () => new Promise((resolve) => setTimeout(resolve));

/** Revisions that this window has made itself, as "job revision": an edit made before them does not clash with them. */
const useOwn = create<{ revisions: ReadonlySet<string> }>()(() => ({ revisions: new Set() }));

/** A revision is this window's when the step in force is the one it has just made. */
function remember(kept: JobState, token: string): void {
  if (kept.steps.find(({ number }) => number === kept.step)?.token === token) {
    useOwn.setState(({ revisions }) => ({ revisions: new Set([...revisions, `${kept.id} ${kept.revision}`]) }));
  }
}

/** What stood in a job where a header says something new. */
const headerOf = (job: Job, header: Header): Header =>
  Object.fromEntries(Object.keys(header).map((name) => [name, job[name as keyof Header]]));

function isOwn(job: number, from: number, to: number): boolean {
  for (let revision = from + 1; revision <= to; revision++) {
    if (!useOwn.getState().revisions.has(`${job} ${revision}`)) {
      return false;
    }
  }
  return true;
}

/** The state of a job with what has changed in it since. */
function changed(state: JobState, { items, places, solutions, new_step, ...head }: JobChange): JobState {
  const job = { ...state.job };
  for (const { list, item } of items) {
    const one = item as unknown as ItemOf<typeof list>;
    job[list] = (state.job[list] ?? []).map((other) => (other.id === one.id ? one : other)) as never;
  }
  const { change: _, ...known } = head;
  return {
    ...state,
    ...known,
    job,
    steps: [...state.steps.filter(({ number }) => number < new_step.number), new_step],
    places: state.places.map(
      (place) => places.find((other) => other.list === place.list && other.id === place.id) ?? place,
    ),
    solutions: state.solutions.map((run) => solutions.find((other) => other.id === run.id) ?? run),
  };
}

/** Takes an answer as the state of the job unless a newer one has come meanwhile. */
function useTaking() {
  const client = useQueryClient();
  return useCallback(
    (kept: JobState) => {
      client.setQueryData<JobState>(key(kept.id), (now) =>
        now !== undefined && now.revision > kept.revision ? now : kept,
      );
      void client.invalidateQueries({ queryKey: ['jobs'] });
    },
    [client],
  );
}

/** Looks again while runs are not worked out yet: less and less often when none has been, as it may have failed. */
function useWorkedOut(state: JobState, busy: boolean) {
  const client = useQueryClient();
  const left = state.solutions.filter((solved) => solved.unsolved === true).length;
  useEffect(() => {
    if (left === 0 || busy) {
      return;
    }
    let wait = LOOK;
    let timer = setTimeout(look, wait);
    function look() {
      void client.invalidateQueries({ queryKey: key(state.id) });
      wait = Math.min(2 * wait, LONGEST);
      timer = setTimeout(look, wait);
    }
    return () => clearTimeout(timer);
  }, [left, busy, client, state.id]);
}

/** Sees what other windows do to the job, and whether the server is there. */
function useWatching(state: JobState, busy: boolean) {
  const client = useQueryClient();
  const setAway = useWorkbench((store) => store.setAway);
  const look = useQuery({
    queryKey: ['revision', state.id],
    queryFn: () => api.revision(state.id),
    refetchInterval: LOOK,
    retry: false,
    networkMode: 'always',
  });
  useEffect(() => {
    setAway(look.error instanceof Unreachable);
  }, [look.error, setAway]);
  useEffect(() => {
    if (!busy && look.data !== undefined && look.data.revision > state.revision) {
      void client.invalidateQueries({ queryKey: key(state.id) });
    }
  }, [busy, look.data, state, client]);
}

/** Edits go one after another, so that answers come in the order of what was done. */
export function useJobAccess(state: JobState): JobAccess {
  showIn(unitsOf(state.job));
  const client = useQueryClient();
  const taking = useTaking();
  const trying = useWorkbench((store) => store.trying);
  const jobId = state.id;
  const now = useCallback(() => client.getQueryData<JobState>(key(jobId)) ?? state, [client, jobId, state]);
  const { mutateAsync, isPending } = useMutation({
    mutationFn: async (change: () => Promise<JobState | JobChange>) => {
      const answer = await untilAnswered(change);
      return 'change' in answer ? changed(now(), answer) : answer;
    },
    scope: { id: `job-${state.id}` },
    networkMode: 'always',
    onSuccess: taking,
    onError: (error) => {
      if (error instanceof Refused && error.problem.clash !== undefined) {
        const { list, id, clash } = error.problem;
        useWorkbench.getState().setClash({ list: list as List, id: id ?? '', clash });
      }
    },
  });
  useWatching(state, isPending);
  useWorkedOut(state, isPending);

  const edit = useCallback(
    async (edits: BareEdit[], header?: Header, name?: string) => {
      const based = edits.map((one): Edit => {
        // What the change was made from is what this window showed when it was made, not what has come since.
        const was = state.job[one.list]?.find((item) => item.id === one.id);
        return was === undefined ? one : { ...one, was: was as unknown as Edit['was'] };
      });
      const token = crypto.randomUUID();
      const header_was = header === undefined ? undefined : headerOf(state.job, header);
      const kept = await mutateAsync(() => {
        const { revision } = now();
        const after = isOwn(jobId, state.revision, revision) ? revision : undefined;
        return api.edit(jobId, { edits: based, header, header_was, name, token, after, since: revision });
      });
      remember(kept, token);
      await shown();
    },
    [mutateAsync, jobId, state, now],
  );
  const lay = useCallback(
    async (run: string, laying: LayingEdit) => {
      const token = crypto.randomUUID();
      let was: unknown;
      const kept = await mutateAsync(() => {
        // Made from the run as it is when its turn comes, not as it was before the edits still ahead of it.
        const { job, revision } = now();
        was ??= job.runs?.find((item) => item.id === run);
        return api.lay(jobId, run, { ...laying, was, token, since: revision } as Laying);
      });
      remember(kept, token);
      await shown();
    },
    [mutateAsync, jobId, now],
  );
  const renameValue = useCallback(
    async (from: string, to: string) => {
      const token = crypto.randomUUID();
      remember(await mutateAsync(() => api.rename(jobId, { from, to, token })), token);
      await shown();
    },
    [mutateAsync, jobId],
  );
  const goTo = useCallback(
    async (step: number) => {
      await mutateAsync(() => api.goTo(jobId, step));
    },
    [mutateAsync, jobId],
  );
  const goBy = useCallback(
    async (steps: number) => {
      // Counted from where the job stands when its turn comes: edits ahead of it are steps, too.
      await mutateAsync(() => api.goTo(jobId, Math.max(0, now().step + steps)));
    },
    [mutateAsync, jobId, now],
  );

  return useMemo(() => {
    const items = <L extends List>(list: L) => (state.job[list] ?? []) as readonly ItemOf<L>[];
    return {
      state,
      saving: isPending,
      items,
      item: (list, id) => items(list).find((item) => item.id === id),
      solution: (run) => {
        const kept = state.solutions.find((solution) => solution.id === run);
        const tried = trying?.solutions.find((solution) => solution.id === run);
        return tried === undefined || kept === undefined ? (tried ?? kept) : withRemedies(tried, kept);
      },
      places:
        trying === null || trying.places.length === 0
          ? state.places
          : state.places.map(
              (place) => trying.places.find((other) => other.list === place.list && other.id === place.id) ?? place,
            ),
      put: (list, item, name) => edit([{ list, id: item.id, item: item as unknown as Edit['item'] }], undefined, name),
      edit,
      lay,
      renameValue,
      goTo,
      goBy,
    };
  }, [state, isPending, trying, edit, lay, renameValue, goTo, goBy]);
}

/** A preview has no remedies; those of what was broken before stay, so that nothing jumps while the hand drags. */
function withRemedies(tried: SolvedRun, kept: SolvedRun): SolvedRun {
  const findings = tried.findings.map((finding) => {
    const same = kept.findings.filter((one) => isSameSubject(one, finding));
    const before = same.find(({ title }) => title === finding.title) ?? same[0];
    return before === undefined ? finding : { ...finding, remedies: before.remedies, cures: before.cures };
  });
  return { ...tried, findings };
}

/** Whether two findings are of the same rule and about the same thing, whatever their figures are. */
const isSameSubject = (one: Finding, other: Finding) =>
  one.rule === other.rule && JSON.stringify(one.subject) === JSON.stringify(other.subject);

/** A fresh id in a list, made from a name. */
export function freshId(taken: readonly { id: string }[], name: string): string {
  const slug =
    name
      .toLowerCase()
      .normalize('NFKD')
      .replace(/\p{M}/gu, '')
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
