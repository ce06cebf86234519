// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, createEvent, fireEvent, render, screen, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { api } from '../../resources/js/api/client';
import type { FoundWay, LayWork } from '../../resources/js/api/types';
import { usePreferences } from '../../resources/js/job/preferences';
import { useWorkbench } from '../../resources/js/job/store';
import { type JobAccess, JobContext } from '../../resources/js/job/useJob';
import { useWays } from '../../resources/js/job/ways';
import { WaysPanel } from '../../resources/js/view/ways/WaysPanel';

/* What the panel of runs that lay themselves asks, shows and keeps. */

const edit = vi.fn(async () => {});

const found = (more: Partial<FoundWay> = {}): FoundWay =>
  ({
    stops: [],
    bends: 2,
    length: 1000,
    nearest: 12,
    nearest_to: { list: 'surroundings', id: 'beam' },
    beside: 0,
    run: { id: 'new', name: 'Pump to tank', stock: 't12', route: { kind: 'corners', stops: [] } },
    solution: { id: 'new' },
    ...more,
  }) as never;

const answer = (more: Partial<LayWork> = {}): LayWork => ({
  id: null,
  state: 'done',
  problem: null,
  laid: 1,
  of: 1,
  ways: [found(), found({ bends: 3, length: 900, nearest: null, nearest_to: null, beside: 250 })],
  not_laid: [],
  whole: true,
  ...more,
});

function Around({ children }: { children: ReactNode }) {
  const port = (name: string) => ({ name, title: 'Port', at: [0, 0, 0], axis: [1, 0, 0], size: 12, id: 'p' });
  const place = (id: string) => ({ list: 'fittings', id, ports: [port(`${id}.p`)] });
  const state = {
    id: 7,
    revision: 3,
    services: [],
    entries: {},
    remembered: {},
    values: {},
    places: ['pump', 'tank', 'filter', 'cooler'].map(place),
    job: { fittings: [], runs: [], stock: [] },
  };
  const items: Record<string, object[]> = {
    stock: [{ id: 't12', name: 'Tube 12', kind: 'tube' }],
    fittings: ['pump', 'tank', 'filter', 'cooler'].map((id) => ({ id, name: id[0]?.toUpperCase() + id.slice(1) })),
  };
  const access = {
    state,
    items: (list: string) => items[list] ?? [],
    item: (_: string, id: string) => (id === 'beam' ? { id, name: 'Deck beam' } : undefined),
    edit,
  } as unknown as JobAccess;
  return (
    <QueryClientProvider client={client}>
      <JobContext.Provider value={access}>{children}</JobContext.Provider>
    </QueryClientProvider>
  );
}

let client = new QueryClient();
const open = (errands: object[]) => {
  useWays.getState().ask(errands as never);
  return render(<WaysPanel />, { wrapper: Around });
};
const PAIR = { from: 'pump.p', to: 'tank.p' };

beforeEach(() => {
  client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  edit.mockClear();
  useWorkbench.setState({ picked: null });
  usePreferences.setState({ weights: {} });
});
afterEach(() => {
  cleanup();
  useWays.getState().stop();
  vi.restoreAllMocks();
});

describe('ways of one run', () => {
  test('are asked for with what they are weighed by, and told apart', async () => {
    usePreferences.setState({ weights: { bends: 80 } });
    const asked = vi.spyOn(api, 'layRuns').mockResolvedValue(answer());
    open([PAIR]);
    fireEvent.click(screen.getByRole('button', { name: 'Look for ways' }));
    await screen.findByRole('radiogroup', { name: 'Ways' });
    expect(asked).toHaveBeenCalledWith(7, { errands: [{ ...PAIR, weights: { bends: 80 } }] });
    const labels = screen.getAllByRole('radio').map((radio) => radio.closest('label')?.textContent);
    expect(labels).toEqual([
      '12 bends · 1000 mm · 12 mm off Deck beam',
      '23 bends · 900 mm · nothing near · 250 mm beside other runs',
    ]);
  });

  test('are chosen by digits and arrows, and one is taken by Enter', async () => {
    vi.spyOn(api, 'layRuns').mockResolvedValue(answer());
    open([PAIR]);
    fireEvent.click(screen.getByRole('button', { name: 'Look for ways' }));
    const group = await screen.findByRole('radiogroup', { name: 'Ways' });
    fireEvent.keyDown(group, { key: '2' });
    expect(useWays.getState().shown).toBe(1);
    fireEvent.keyDown(group, { key: 'ArrowDown' });
    expect(useWays.getState().shown).toBe(0);
    fireEvent.keyDown(group, { key: 'ArrowUp' });
    fireEvent.keyDown(group, { key: '7' });
    expect(useWays.getState().shown).toBe(1);
    fireEvent.keyDown(group, { key: 'Enter' });
    await waitFor(() => expect(useWays.getState().errands).toBeNull());
    expect(edit).toHaveBeenCalledWith([{ list: 'runs', id: 'new', item: found().run }], undefined, 'Lay Pump to tank');
    expect(useWorkbench.getState().picked?.id).toBe('new');
  });

  test('that are not there are told with the reason, and nothing can be taken', async () => {
    vi.spyOn(api, 'layRuns').mockResolvedValue(
      answer({ laid: 0, ways: [], not_laid: [{ from: 'pump.p', to: 'tank.p', why: 'Hatch would have to go.' }] }),
    );
    open([PAIR]);
    fireEvent.click(screen.getByRole('button', { name: 'Look for ways' }));
    expect(await screen.findByText('No way from Pump, Port to Tank, Port.')).toBeDefined();
    expect(screen.getByText('Hatch would have to go.')).toBeDefined();
    expect(screen.queryByRole('button', { name: /^Take way/ })).toBeNull();
  });

  test('are looked for again once something else is asked', async () => {
    vi.spyOn(api, 'layRuns').mockResolvedValue(answer());
    open([PAIR]);
    fireEvent.click(screen.getByRole('button', { name: 'Look for ways' }));
    await screen.findByRole('radiogroup');
    fireEvent.change(screen.getByRole('combobox', { name: 'Run 1: stock' }), { target: { value: 't12' } });
    expect(useWays.getState().errands).toEqual([{ ...PAIR, stock: 't12' }]);
    expect(screen.queryByRole('radiogroup')).toBeNull();
  });

  test('a refusal is said, and what was asked stays', async () => {
    vi.spyOn(api, 'layRuns').mockRejectedValue(new Error('There is no port “tank.p”.'));
    open([PAIR]);
    fireEvent.click(screen.getByRole('button', { name: 'Look for ways' }));
    expect((await screen.findByRole('alert')).textContent).toBe('There is no port “tank.p”.');
    expect(useWays.getState().errands).toEqual([PAIR]);
  });

  test('of a run that is laid again are named after it', async () => {
    const asked = vi.spyOn(api, 'layRuns').mockResolvedValue(answer());
    open([{ again: 'feed' }]);
    expect(screen.getByRole('heading').textContent).toBe('Lay it again');
    fireEvent.click(screen.getByRole('button', { name: 'Look for ways' }));
    await screen.findByRole('radiogroup');
    expect(asked).toHaveBeenCalledWith(7, { errands: [{ again: 'feed' }] });
  });
});

describe('a list of runs', () => {
  const TWO = [PAIR, { from: 'filter.p', to: 'cooler.p' }];

  test('gets another pair of ports that are free, and loses one', () => {
    open([PAIR]);
    fireEvent.click(screen.getByRole('button', { name: 'Another run' }));
    expect(useWays.getState().errands).toEqual([PAIR, { from: 'filter.p', to: 'cooler.p', stock: undefined }]);
    fireEvent.click(screen.getByRole('button', { name: 'Take run 1 out' }));
    expect(useWays.getState().errands).toHaveLength(1);
  });

  test('tells how far it has come, is stopped, and is kept as far as it is laid', async () => {
    vi.spyOn(api, 'layRuns').mockResolvedValue(answer({ id: 4, state: 'waiting', laid: 0, of: 2, ways: [] }));
    vi.spyOn(api, 'layWork').mockResolvedValue(answer({ id: 4, state: 'working', laid: 1, of: 2, ways: [found()] }));
    const stopped = vi.spyOn(api, 'stopLaying').mockResolvedValue(
      answer({
        id: 4,
        laid: 1,
        of: 2,
        ways: [found()],
        whole: false,
        not_laid: [{ from: 'filter.p', to: 'cooler.p', why: 'It was stopped before this was laid.' }],
      }),
    );
    open(TWO);
    fireEvent.click(screen.getByRole('button', { name: 'Lay all 2' }));
    await screen.findByText('1 of 2 laid');
    fireEvent.click(screen.getByRole('button', { name: 'Stop' }));
    await screen.findByText('1 of 2 laid; it was stopped.');
    expect(stopped).toHaveBeenCalledWith(7, 4);
    expect(screen.getByText('No way from Filter, Port to Cooler, Port.')).toBeDefined();
    fireEvent.click(screen.getByRole('button', { name: 'Keep the one that is laid' }));
    await waitFor(() => expect(edit).toHaveBeenCalledTimes(1));
  });

  test('is pasted, with a report of what was refused', async () => {
    const asked = vi.spyOn(api, 'pairs').mockResolvedValue({
      errands: TWO,
      refused: [{ line: 3, text: 'a b', why: 'there is no port “a”' }],
    });
    open([PAIR]);
    const panel = screen.getByRole('region', { name: 'Lay it for me' });
    const paste = createEvent.paste(panel, { clipboardData: { getData: () => 'pump.p\ttank.p\nfilter.p\tcooler.p' } });
    await act(async () => {
      fireEvent(panel, paste);
    });
    expect(asked.mock.calls[0]?.slice(0, 2)).toEqual([7, 'pump.p\ttank.p\nfilter.p\tcooler.p']);
    expect(await screen.findByText('there is no port “a”')).toBeDefined();
    fireEvent.click(screen.getByRole('button', { name: 'Take them' }));
    expect(useWays.getState().errands).toEqual(TWO);
  });

  test('that was broken off says why', async () => {
    const problem = 'There is no port pump.p.';
    vi.spyOn(api, 'layRuns').mockResolvedValue(answer({ id: 4, state: 'failed', problem, of: 2, ways: [], laid: 0 }));
    open(TWO);
    fireEvent.click(screen.getByRole('button', { name: 'Lay all 2' }));
    expect((await screen.findByRole('alert')).textContent).toBe('There is no port pump.p. Look again.');
  });

  test('is stopped on the server when the panel is left', async () => {
    vi.spyOn(api, 'layRuns').mockResolvedValue(answer({ id: 4, state: 'working', laid: 0, of: 2, ways: [] }));
    vi.spyOn(api, 'layWork').mockResolvedValue(answer({ id: 4, state: 'working', laid: 0, of: 2, ways: [] }));
    const stopped = vi.spyOn(api, 'stopLaying').mockResolvedValue(answer());
    open(TWO);
    fireEvent.click(screen.getByRole('button', { name: 'Lay all 2' }));
    await screen.findByText('0 of 2 laid');
    fireEvent.click(screen.getByRole('button', { name: 'Close' }));
    expect(stopped).toHaveBeenCalledWith(7, 4);
    expect(useWays.getState().errands).toBeNull();
  });
});
