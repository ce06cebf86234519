import { type UseQueryResult, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { createContext, useCallback, useContext, useEffect, useMemo, useState } from 'react';
import { create } from 'zustand';
import { api, Refused, Unreachable } from '../api/client';
import type {
  Edit,
  Finding,
  Header,
  Job,
  JobChange,
  JobState,
  Laying,
  List,
  Place,
  SolvedHarness,
  SolvedRun,
} from '../api/types';
import { JobWatch } from './JobWatch';
import { WINDOW } from './presence';
import { useWorkbench } from './store';
import { showIn, unitsOf } from './units';
import { may, useMe } from './useMe';
import { areBehind, useTriedHarnesses } from './useTried';

export type ItemOf<L extends List> = NonNullable<Job[L]>[number];

const key = (id: number) => ['job', id] as const;

/** Interval of polling for changes of other windows and for the server's return, ms. */
const LOOK = 2000;

/** The same where people work together, ms. */
const TOGETHER = 1000;

/** Longest interval of polling for runs that are not solved yet, ms. */
const LONGEST = 30_000;

/** Distributes over the kinds of edits, so that each keeps its own type. */
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
  /** Returns the solution of a run: of the preview, or as stored. */
  solution: (run: string) => SolvedRun | undefined;
  /** The harnesses: with what is dragged, or as stored. */
  harnesses: readonly SolvedHarness[];
  /** Places of all items: of the preview, or as stored. */
  places: readonly Place[];
  /** Stores an item in the shape of the job file; rejects with the refusal of the server. */
  put: <L extends List>(list: L, item: ItemOf<L>, name?: string) => Promise<void>;
  /** A header that is a function is worked out from the job as it is when its turn comes. */
  edit: (edits: BareEdit[], header?: Header | ((job: Job) => Header), name?: string) => Promise<void>;
  lay: (run: string, laying: LayingEdit) => Promise<void>;
  /** Renames a value wherever it is used. */
  renameValue: (from: string, to: string) => Promise<void>;
  /** Undoes or redoes until the step with that number is the last one done. */
  goTo: (step: number) => Promise<void>;
  /** Undoes or redoes a number of steps: −1 undoes the last one. */
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

/** Repeats a request until there is an answer: edits made while the server is away are sent later. */
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

/** Resolves when an answer has been rendered, so that a result is seen neither before it nor after. */
const shown = () => new Promise((resolve) => setTimeout(resolve));

/** Revisions made by this window, as "job revision": an edit made before them does not clash with them. */
const useOwn = create<{ revisions: ReadonlySet<string> }>()(() => ({ revisions: new Set() }));

/** Remembers a revision as this window's when its last step is the one it has just made. */
function remember(kept: JobState, token: string): void {
  if (kept.steps.find(({ number }) => number === kept.step)?.token === token) {
    useOwn.setState(({ revisions }) => ({ revisions: new Set([...revisions, `${kept.id} ${kept.revision}`]) }));
  }
}

/** Returns the present values of the keys that a header changes. */
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

/** Returns the state of a job with a change applied. */
function changed(state: JobState, { items, places, solutions, new_steps, ...head }: JobChange): JobState {
  const job = { ...state.job };
  for (const { list, item } of items) {
    const one = item as unknown as ItemOf<typeof list>;
    job[list] = (state.job[list] ?? []).map((other) => (other.id === one.id ? one : other)) as never;
  }
  const { change: _, ...known } = head;
  const first = new_steps[0]?.number ?? Number.POSITIVE_INFINITY;
  return {
    ...state,
    ...known,
    job,
    steps: [...state.steps.filter(({ number }) => number < first), ...new_steps],
    places: state.places.map(
      (place) => places.find((other) => other.list === place.list && other.id === place.id) ?? place,
    ),
    solutions: state.solutions.map((run) => solutions.find((other) => other.id === run.id) ?? run),
  };
}

/** Takes an answer as the state of the job unless a newer one has arrived. */
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

/** Polls while runs are not solved yet, at growing intervals without progress, as solving may have failed. */
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

/**
 * Asks for the harnesses after a change, which does not tell them so that what was moved is there at once; and again
 * while large bundles are estimated, which are packed by each request for a few seconds.
 */
function useHarnesses(state: JobState, busy: boolean) {
  const client = useQueryClient();
  const { id, revision, harnesses } = state;
  const isPacking = harnesses.some(({ packed }) => !packed);
  const { data } = useQuery({
    queryKey: ['harnesses', id, revision],
    queryFn: () => api.harnesses(id),
    enabled: !busy && (isPacking || areBehind(state)),
    refetchInterval: isPacking ? LOOK : false,
  });
  useEffect(() => {
    if (data !== undefined) {
      client.setQueryData<JobState>(key(id), (now) =>
        now === undefined || now.revision !== data.revision
          ? now
          : { ...now, harnesses: data.harnesses, harnesses_at: data.revision },
      );
    }
  }, [data, client, id]);
}

/** Polls for changes of other windows, and for the server. */
function useWatching(state: JobState, busy: boolean) {
  const client = useQueryClient();
  const setAway = useWorkbench((store) => store.setAway);
  const me = useMe(state.id);
  const { people } = me;
  const isNamed = me.person !== null;
  // Whoever edits is told which of their own steps they can undo, which no file says.
  const fromFile = !people || !may(me, 'change');
  const [watch] = useState(() => new JobWatch(state.id));
  const look = useQuery({
    queryKey: ['revision', state.id, isNamed],
    queryFn: async () => {
      const { picked } = useWorkbench.getState();
      return watch.ask(picked === null ? null : { list: picked.list, id: picked.id }, isNamed);
    },
    // Edits of others arrive within two seconds.
    refetchInterval: people ? TOGETHER : LOOK,
    retry: false,
    networkMode: 'always',
  });
  useEffect(() => {
    setAway(look.error instanceof Unreachable);
  }, [look.error, setAway]);
  useEffect(() => {
    if (!isNamed) {
      return;
    }
    const leave = () => api.leave(state.id, WINDOW);
    window.addEventListener('pagehide', leave);
    return () => {
      window.removeEventListener('pagehide', leave);
      leave();
    };
  }, [isNamed, state.id]);
  // Only what is new is asked for, where that can be told.
  const { id, revision: seen } = state;
  const { data: news } = useQuery({
    queryKey: ['news', id, seen],
    queryFn: () => watch.news(seen, fromFile),
    enabled: !busy && look.data !== undefined && look.data.revision > seen,
    gcTime: 0,
  });
  useEffect(() => {
    if (news !== undefined) {
      client.setQueryData<JobState>(key(id), (now) => {
        // An edit of this window may have been answered meanwhile.
        if (now === undefined || now.revision >= news.revision || ('change' in news && now.revision !== seen)) {
          return now;
        }
        return 'change' in news ? changed(now, news) : news;
      });
    }
  }, [news, client, id, seen]);
}

/** Provides the edits of a job. They are sent one after another, so that answers arrive in order. */
export function useJobAccess(state: JobState): JobAccess {
  showIn(unitsOf(state.job));
  const client = useQueryClient();
  const { people } = useMe();
  const taking = useTaking();
  const trying = useWorkbench((store) => store.trying);
  const jobId = state.id;
  const tried = useTriedHarnesses(state);
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
  useHarnesses(state, isPending);

  const edit = useCallback(
    async (edits: BareEdit[], header?: Header | ((job: Job) => Header), name?: string) => {
      const based = edits.map((one): Edit => {
        // The item from which the change was made is that which this window showed at the time.
        const was = state.job[one.list]?.find((item) => item.id === one.id);
        return was === undefined ? one : { ...one, was: was as unknown as Edit['was'] };
      });
      const token = crypto.randomUUID();
      const kept = await mutateAsync(() => {
        const { job, revision } = now();
        const from = typeof header === 'function' ? job : state.job;
        const next = typeof header === 'function' ? header(job) : header;
        const header_was = next === undefined ? undefined : headerOf(from, next);
        const after = isOwn(jobId, state.revision, revision) ? revision : undefined;
        return api.edit(jobId, { edits: based, header: next, header_was, name, token, after, since: revision });
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
        // Applied to the run as it is when its turn comes, after the edits before it.
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
      // Counted from the step that is last when its turn comes: edits before it are steps, too.
      await mutateAsync(() =>
        steps === -1 && people ? api.undo(jobId) : api.goTo(jobId, Math.max(0, now().step + steps)),
      );
    },
    [mutateAsync, jobId, now, people],
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
      harnesses: tried ?? state.harnesses,
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
  }, [state, isPending, trying, tried, edit, lay, renameValue, goTo, goBy]);
}

/** Previews have no remedies; those of the stored findings are kept, so that nothing jumps during a drag. */
function withRemedies(tried: SolvedRun, kept: SolvedRun): SolvedRun {
  const findings = tried.findings.map((finding) => {
    const same = kept.findings.filter((one) => isSameSubject(one, finding));
    const before = same.find(({ title }) => title === finding.title) ?? same[0];
    return before === undefined ? finding : { ...finding, remedies: before.remedies, cures: before.cures };
  });
  return { ...tried, findings };
}

/** Whether two findings have the same rule and subject, whatever their numbers. */
const isSameSubject = (one: Finding, other: Finding) =>
  one.rule === other.rule && JSON.stringify(one.subject) === JSON.stringify(other.subject);

/** Returns an unused id, made from a name. */
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
