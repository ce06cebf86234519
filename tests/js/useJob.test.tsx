// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, renderHook, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import type { JobChange, JobState } from '../../resources/js/api/types';
import { useWorkbench } from '../../resources/js/job/store';
import { freshId, useJobAccess, useJobQuery } from '../../resources/js/job/useJob';

/* What a window sends for its edits, and what it makes of the answers. */

const fitting = (x: number) => ({ id: 'pump', name: 'Pump', pose: { at: [x, 0, 0] } });
const finding = (message: string, more = {}) => ({
  rule: 'leg-room',
  subject: { leg: 1 },
  title: 'No room',
  message,
  remedies: [],
  ...more,
});

/** A job with a pump at x, at a revision that is its last step. */
const state = (revision: number, x: number): JobState =>
  ({
    id: 7,
    revision,
    step: revision,
    undo: revision,
    steps: [],
    entries: {},
    values: {},
    job: { name: 'Test', show_units: 'mm', fittings: [fitting(x)], runs: [{ id: 'r', name: 'Run' }], sets: [] },
    places: [{ list: 'fittings', id: 'pump', pose: { at: [x, 0, 0] } }],
    solutions: [{ id: 'r', findings: [] }],
    harnesses: [],
    harnesses_at: revision,
  }) as unknown as JobState;

/** What only moves the pump, as an answer to a window that has seen what was before. */
const moved = (revision: number, x: number, token: string): JobChange =>
  ({
    change: true,
    id: 7,
    revision,
    step: revision,
    undo: revision,
    items: [{ list: 'fittings', item: fitting(x) }],
    places: [{ list: 'fittings', id: 'pump', pose: { at: [x, 0, 0] } }],
    solutions: [{ id: 'r', findings: [finding(`pump at ${x}`)] }],
    new_steps: [{ number: revision, name: 'Move', token }],
  }) as unknown as JobChange;

type Sent = { path: string; body: Record<string, unknown> };
let sent: Sent[];
/** The newest revision, what is new in it, and the questions about that. */
let newest: number;
let news: JobState | JobChange;
let read: string[];
let answer: (asked: Sent) => Response | Promise<Response>;
const json = (value: unknown, status = 200) => new Response(JSON.stringify(value), { status });

beforeEach(() => {
  sent = [];
  newest = 1;
  read = [];
  vi.stubGlobal('fetch', async (address: string, { method, body }: { method: string; body?: string }) => {
    const path = address.replace('/api/jobs/7', '');
    if (address.startsWith('/api/me')) {
      return json({ people: false, person: null, team: null, may: [] });
    }
    if (path === '/revision') {
      return json({ revision: newest });
    }
    if (path === '/harnesses') {
      return json({ revision: 2, harnesses: [{ id: 'h', packed: true, wires: [{ id: 'W1', length: 1080 }] }] });
    }
    if (path.startsWith('?since=')) {
      read.push(path);
      return json(news);
    }
    if (method === 'GET') {
      return json(state(1, 0));
    }
    const asked = { path, body: JSON.parse(body ?? '{}') };
    sent.push(asked);
    return answer(asked);
  });
  useWorkbench.setState({ trying: null, clash: null, away: false });
});
afterEach(() => {
  cleanup();
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

/** A window at revision 1, the pump at 0. */
async function open(more: object = {}) {
  const client = new QueryClient({
    defaultOptions: { queries: { retry: false, staleTime: Number.POSITIVE_INFINITY } },
  });
  client.setQueryData(['job', 7], { ...state(1, 0), ...more });
  const around = ({ children }: { children: ReactNode }) => (
    <QueryClientProvider client={client}>{children}</QueryClientProvider>
  );
  const hook = renderHook(() => useJobAccess(useJobQuery(7).data ?? state(1, 0)), { wrapper: around });
  return { client, job: () => hook.result.current };
}

const tokenOf = ({ body }: Sent) => String(body.token);
const pumpAt = (of: { state: JobState }) => of.state.job.fittings?.[0]?.pose?.at?.[0];

describe('harnesses', () => {
  test('are asked for again while thick bundles are estimated', async () => {
    const { job } = await open({
      revision: 2,
      harnesses: [{ id: 'h', packed: false, wires: [{ id: 'W1', length: 1080 }] }],
      harnesses_at: 2,
    });
    await waitFor(() => expect(job().harnesses[0]?.packed).toBe(true));
  });
});

describe('what others have done', () => {
  test.each([
    ['only what is new', () => moved(2, 5, 'theirs'), 'Test'],
    ['the whole job', () => ({ ...state(2, 5), job: { ...state(2, 5).job, name: 'Other' } }) as JobState, 'Other'],
  ])('comes as %s', async (_, told, name) => {
    newest = 2;
    news = told();
    const { job } = await open();
    await waitFor(() => expect(pumpAt(job())).toBe(5));
    expect(read).toEqual(['?since=1']);
    expect(job().state.revision).toBe(2);
    expect(job().state.job.name).toBe(name);
    expect(job().solution('r')?.findings).toHaveLength(name === 'Test' ? 1 : 0);
  });

  test('has steps that went and came', async () => {
    const step = (number: number, name: string) => ({ number, name, token: name });
    newest = 2;
    news = { ...moved(2, 5, 'theirs'), new_steps: [step(2, 'Turn'), step(3, 'Move')] } as unknown as JobChange;
    const { job } = await open({ steps: [step(1, 'Lay'), step(2, 'Name'), step(3, 'Cut'), step(4, 'Weld')] });
    await waitFor(() => expect(job().state.revision).toBe(2));
    expect(job().state.steps.map(({ name }) => name)).toEqual(['Lay', 'Turn', 'Move']);
  });

  test('is left where an edit of this window was answered meanwhile', async () => {
    newest = 2;
    let tell: (told: Response) => void = () => undefined;
    const late = new Promise<Response>((resolve) => {
      tell = resolve;
    });
    const usual = fetch;
    vi.stubGlobal('fetch', (address: string, options: { method: string }) =>
      address.endsWith('?since=1') ? late : usual(address, options as RequestInit),
    );
    const { job, client } = await open();
    await waitFor(() => expect(client.isFetching({ queryKey: ['news', 7, 1] })).toBe(1));
    act(() => void client.setQueryData(['job', 7], state(3, 9)));
    tell(json(moved(2, 5, 'theirs')));
    await waitFor(() => expect(client.isFetching()).toBe(0));
    expect(pumpAt(job())).toBe(9);
    expect(job().state.revision).toBe(3);
  });
});

describe('an edit', () => {
  test('is answered without the harnesses, which are asked for after it', async () => {
    answer = (asked) => json(moved(2, 5, tokenOf(asked)));
    const { job } = await open({
      harnesses: [{ id: 'h', packed: true, wires: [{ id: 'W1', length: 1000 }] }],
      harnesses_at: 1,
    });
    await act(() => job().put('fittings', fitting(5) as never));
    await waitFor(() => expect(job().state.harnesses_at).toBe(2));
    expect(job().harnesses[0]?.wires[0]?.length).toBe(1080);
    expect(pumpAt(job())).toBe(5);
  });
  test('says what it was made from, and puts what has changed into the state', async () => {
    answer = (asked) => json(moved(2, 5, tokenOf(asked)));
    const { job } = await open();
    await act(() => job().put('fittings', fitting(5) as never, 'Move the pump'));
    expect(sent).toHaveLength(1);
    expect(sent[0]?.path).toBe('/edits');
    expect(sent[0]?.body).toMatchObject({
      edits: [{ list: 'fittings', id: 'pump', item: fitting(5), was: fitting(0) }],
      name: 'Move the pump',
      since: 1,
    });
    expect(job().state.revision).toBe(2);
    expect(pumpAt(job())).toBe(5);
    expect(job().places[0]?.pose).toEqual({ at: [5, 0, 0] });
    expect(job().solution('r')?.findings[0]?.message).toBe('pump at 5');
    expect(job().state.steps.map(({ number }) => number)).toEqual([2]);
    expect(job().items('runs')).toEqual([{ id: 'r', name: 'Run' }]);
  });

  test('one after another as they were made, though the first is slow; each with a token of its own', async () => {
    let open_first: (response: Response) => void = () => undefined;
    answer = (asked) =>
      sent.length === 1
        ? new Promise<Response>((resolve) => {
            open_first = () => resolve(json(moved(2, 5, tokenOf(asked))));
          })
        : json(moved(3, 9, tokenOf(asked)));
    const { job } = await open();
    let both: Promise<unknown> = Promise.resolve();
    act(() => {
      both = Promise.all([job().put('fittings', fitting(5) as never), job().put('fittings', fitting(9) as never)]);
    });
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(job().saving).toBe(true);
    await act(async () => {
      open_first(json(null));
      await both;
    });
    expect(sent.map(({ body }) => body.since)).toEqual([1, 2]);
    expect(new Set(sent.map(tokenOf)).size).toBe(2);
    // Made from what was shown when it was made; the window's own edit between does not clash with it.
    expect(sent[1]?.body).toMatchObject({ after: 2, edits: [{ was: fitting(0) }] });
    expect(pumpAt(job())).toBe(9);
    expect(job().saving).toBe(false);
  });

  test('an answer that is older than what is shown is not taken', async () => {
    answer = () => json(state(2, 5));
    const { client, job } = await open();
    act(() => {
      client.setQueryData(['job', 7], state(4, 20));
    });
    await act(() => job().put('fittings', fitting(5) as never));
    expect(job().state.revision).toBe(4);
    expect(pumpAt(job())).toBe(20);
  });

  test('rejects with the words of the server, and changes nothing', async () => {
    answer = () => json({ message: 'Its bore is wider than the tube.', pointer: '/fittings/0/bore' }, 422);
    const { job } = await open();
    await expect(act(() => job().put('fittings', fitting(5) as never))).rejects.toThrow(
      'Its bore is wider than the tube.',
    );
    expect(pumpAt(job())).toBe(0);
    expect(useWorkbench.getState().clash).toBeNull();
  });

  test('a clash is put before whoever made it', async () => {
    const clash = [{ pointer: '/pose/at/0', yours: 5, theirs: 8 }];
    answer = () => json({ message: 'Changed meanwhile.', list: 'fittings', id: 'pump', clash }, 409);
    const { job } = await open();
    await expect(act(() => job().put('fittings', fitting(5) as never))).rejects.toThrow('Changed meanwhile.');
    expect(useWorkbench.getState().clash).toEqual({ list: 'fittings', id: 'pump', clash });
  });

  test('is sent again with the same token until the server is back', async () => {
    answer = (asked) => {
      if (sent.length < 3) {
        throw new TypeError('Failed to fetch');
      }
      return json(moved(2, 5, tokenOf(asked)));
    };
    const { job } = await open();
    vi.useFakeTimers({ shouldAdvanceTime: true, advanceTimeDelta: 200 });
    let kept: Promise<void> = Promise.resolve();
    act(() => {
      kept = job().put('fittings', fitting(5) as never);
    });
    await vi.waitFor(() => expect(useWorkbench.getState().away).toBe(true));
    await act(async () => {
      await vi.advanceTimersByTimeAsync(3000);
      await kept;
    });
    expect(sent).toHaveLength(3);
    expect(new Set(sent.map(tokenOf)).size).toBe(1);
    expect(useWorkbench.getState().away).toBe(false);
    expect(pumpAt(job())).toBe(5);
  });
});

describe('a run that is laid', () => {
  test('is made from the run as it stands when its turn comes', async () => {
    answer = (asked) => json(moved(2, 5, tokenOf(asked)));
    const { job } = await open();
    await act(() => job().lay('r', { do: 'remove-corner', vertex: 1 } as never));
    expect(sent[0]?.path).toBe('/runs/r/laying');
    expect(sent[0]?.body).toMatchObject({ do: 'remove-corner', vertex: 1, was: { id: 'r', name: 'Run' }, since: 1 });
  });
});

describe('steps', () => {
  test.each([
    [-1, 0],
    [-5, 0],
    [2, 3],
  ])('%i from the first is step %i: never before the beginning', async (by, step) => {
    answer = () => json(state(2, 5));
    const { job } = await open();
    await act(() => job().goBy(by));
    expect(sent).toEqual([{ path: '/step', body: { step } }]);
  });
});

describe('what is tried', () => {
  test('stands in place of what is kept, and keeps the remedies of what was broken before', async () => {
    const { client, job } = await open();
    const remedies = [{ label: 'Move corner 2' }];
    const kept = state(2, 0);
    act(() => {
      client.setQueryData(['job', 7], {
        ...kept,
        solutions: [{ id: 'r', findings: [finding('10 mm short', { remedies, cures: [1] })] }],
      });
    });
    act(() =>
      useWorkbench.setState({
        trying: {
          solutions: [
            { id: 'r', findings: [finding('12 mm short'), finding('new', { subject: { leg: 2 } })] },
          ] as never,
          places: [{ list: 'fittings', id: 'pump', pose: { at: [3, 0, 0] } }] as never,
        },
      }),
    );
    expect(job().solution('r')?.findings).toEqual([
      finding('12 mm short', { remedies, cures: [1] }),
      finding('new', { subject: { leg: 2 } }),
    ]);
    expect(job().places[0]?.pose).toEqual({ at: [3, 0, 0] });
    act(() => useWorkbench.setState({ trying: null }));
    expect(job().solution('r')?.findings[0]?.message).toBe('10 mm short');
    expect(job().places[0]?.pose).toEqual({ at: [0, 0, 0] });
  });
});

test.each([
  ['Feed line', [], 'feed-line'],
  ['Feed line', ['feed-line'], 'feed-line-2'],
  ['Feed line', ['feed-line', 'feed-line-2'], 'feed-line-3'],
  ['Rücklauf Öl', [], 'rucklauf-ol'],
  ['— —', [], 'item'],
  ['x'.repeat(60), [], 'x'.repeat(40)],
])('an id made of “%s” beside %j is %s', (name, taken, id) => {
  expect(
    freshId(
      taken.map((one) => ({ id: one })),
      name,
    ),
  ).toBe(id);
});
