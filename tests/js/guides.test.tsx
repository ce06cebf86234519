// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { MemoryRouter } from 'react-router';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { api } from '../../resources/js/api/client';
import type { SolvedClearance } from '../../resources/js/api/types';
import { SurroundingCard } from '../../resources/js/card/SurroundingCard';
import { TooNear } from '../../resources/js/check/TooNear';
import { useNearness } from '../../resources/js/job/nearness';
import { usePreferences } from '../../resources/js/job/preferences';
import { type JobAccess, JobContext } from '../../resources/js/job/useJob';
import { useWays } from '../../resources/js/job/ways';
import { KeepOutList } from '../../resources/js/view/ways/KeepOuts';
import { WayFields } from '../../resources/js/view/ways/WayFields';
import { nearPair } from './nearPair';

/* Where runs that lay themselves are led, what they have to keep, and the cures of what is too near. */

const edit = vi.fn(async () => {});
const put = vi.fn(async () => {});
const RACK = { id: 'rack', name: 'Rack', shape: 'box', pose: { at: [1, 2, 3] }, size: [1000, 100, 20] };

let queries = new QueryClient();

function around(job: object = {}, item: object = RACK) {
  const state = {
    id: 7,
    revision: 3,
    entries: {},
    values: {},
    services: [{ id: 'fuel', name: 'Fuel' }],
    places: [],
    bodies: [],
    solutions: [],
    job,
    defaults: { box: [100, 100, 100] },
  };
  const access = {
    state,
    items: (list: string) =>
      list === 'clamps'
        ? [
            { id: 'c1', name: 'Clamp 1' },
            { id: 'c2', name: 'Clamp 2' },
          ]
        : [],
    item: () => item,
    edit,
    put,
  } as unknown as JobAccess;
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  queries = client;
  return ({ children }: { children: ReactNode }) => (
    <MemoryRouter>
      <QueryClientProvider client={client}>
        <JobContext.Provider value={access}>{children}</JobContext.Provider>
      </QueryClientProvider>
    </MemoryRouter>
  );
}

/** Types into a field and applies it. */
async function type(label: string, text: string): Promise<void> {
  const field = screen.getByRole('textbox', { name: label });
  fireEvent.change(field, { target: { value: text } });
  fireEvent.keyDown(field, { key: 'Enter' });
}

beforeEach(() => {
  edit.mockClear();
  put.mockClear();
  usePreferences.setState({ weights: {} });
});
afterEach(() => {
  cleanup();
  useWays.getState().stop();
  vi.restoreAllMocks();
});

describe('something of the surroundings', () => {
  test('is followed, at a stand-off, beside what is followed already', async () => {
    render(<SurroundingCard id="rack" />, { wrapper: around({ follow: [{ of: 'tray', stand_off: 5 }] }) });
    expect(screen.queryByRole('textbox', { name: 'Off its faces' })).toBeNull();
    fireEvent.change(screen.getByRole('combobox', { name: 'Go along it' }), { target: { value: 'yes' } });
    expect(edit).toHaveBeenCalledWith(
      [],
      { follow: [{ of: 'tray', stand_off: 5 }, { of: 'rack' }] },
      'Let runs go along Rack',
    );
  });

  test('gets another stand-off, and is followed no more', async () => {
    render(<SurroundingCard id="rack" />, { wrapper: around({ follow: [{ of: 'rack', stand_off: 5 }] }) });
    await type('Off its faces', '20');
    await waitFor(() =>
      expect(edit).toHaveBeenCalledWith([], { follow: [{ of: 'rack', stand_off: 20 }] }, 'Stand-off along Rack'),
    );
    fireEvent.change(screen.getByRole('combobox', { name: 'Go along it' }), { target: { value: 'no' } });
    expect(edit).toHaveBeenLastCalledWith([], { follow: [] }, 'Follow Rack no more');
  });

  test('becomes a box that is stayed out of, in one step', () => {
    render(<SurroundingCard id="rack" />, { wrapper: around({ keep_outs: [{ id: 'door', size: [1, 1, 1] }] }) });
    fireEvent.click(screen.getByRole('button', { name: 'Make it a box to stay out of' }));
    expect(edit).toHaveBeenCalledWith(
      [{ list: 'surroundings', id: 'rack', item: null }],
      {
        keep_outs: [
          { id: 'door', size: [1, 1, 1] },
          { id: 'rack', name: 'Rack', pose: RACK.pose, size: RACK.size },
        ],
      },
      'Make Rack a keep-out',
    );
  });

  test('becomes none where it is no box', () => {
    render(<SurroundingCard id="pipe" />, {
      wrapper: around({}, { id: 'pipe', shape: 'cylinder', diameter: 10, height: 20, pose: { at: [0, 0, 0] } }),
    });
    expect(screen.queryByRole('button', { name: 'Make it a box to stay out of' })).toBeNull();
  });
});

describe('boxes that are stayed out of', () => {
  test('are made bodies again', () => {
    const door = { id: 'door', name: 'Swing of the door', pose: { at: [5, 5, 5] }, size: [10, 20, 30] };
    render(<KeepOutList />, { wrapper: around({ keep_outs: [door, { id: 'other', size: [1, 1, 1] }] }) });
    fireEvent.click(screen.getAllByRole('button', { name: 'Make it a body' })[0] as HTMLElement);
    expect(edit).toHaveBeenCalledWith(
      [{ list: 'surroundings', id: 'door', item: { ...door, shape: 'box' } }],
      { keep_outs: [{ id: 'other', size: [1, 1, 1] }] },
      'Make Swing of the door a thing that stands there',
    );
  });

  test('are not listed where there are none', () => {
    const { container } = render(<KeepOutList />, { wrapper: around() });
    expect(container.textContent).toBe('');
  });
});

describe('what a run has to keep', () => {
  const changed = vi.fn();
  const fields = (errand: object = { from: 'a.p', to: 'b.p' }) =>
    render(<WayFields errand={errand as never} onChange={changed} />, { wrapper: around() });
  beforeEach(() => changed.mockClear());

  test('is told field by field, and taken back', async () => {
    fields({ from: 'a.p', to: 'b.p', service: 'fuel' });
    await type('Length it has to have', '1240');
    await waitFor(() =>
      expect(changed).toHaveBeenCalledWith({ from: 'a.p', to: 'b.p', service: 'fuel', length: 1240 }),
    );
    await type('Least fall', '8');
    await waitFor(() => expect(changed).toHaveBeenCalledWith({ from: 'a.p', to: 'b.p', service: 'fuel', fall: 8 }));
    fireEvent.change(screen.getByRole('combobox', { name: 'What it carries' }), { target: { value: '' } });
    expect(changed).toHaveBeenLastCalledWith({ from: 'a.p', to: 'b.p', service: undefined });
  });

  test('clamps are gone through in the order in which they are named', () => {
    fields({ through: ['c2'] });
    const choice = screen.getByRole('combobox', { name: 'Clamp it goes through' });
    expect([...choice.querySelectorAll('option')].map(({ textContent }) => textContent)).toEqual([
      'add a clamp…',
      'Clamp 1',
    ]);
    fireEvent.change(choice, { target: { value: 'c1' } });
    expect(changed).toHaveBeenCalledWith({ through: ['c2', 'c1'] });
    fireEvent.click(screen.getByRole('button', { name: 'through none' }));
    expect(changed).toHaveBeenLastCalledWith({ through: undefined });
  });

  test('weights are remembered, shares in percent', async () => {
    fields();
    await type('What a bend is worth', '80');
    await waitFor(() => expect(usePreferences.getState().weights).toEqual({ bends: 80 }));
    await type('What up and down costs more', '25');
    await waitFor(() => expect(usePreferences.getState().weights).toEqual({ bends: 80, height: 0.25 }));
  });
});

describe('two things that are too near', () => {
  const near = nearPair('feed', 'Feed');
  const FEED = {
    id: 'feed',
    name: 'Feed',
    from: { port: 'a.p' },
    to: { port: 'b.p' },
    route: { kind: 'corners', stops: [] },
  };
  const list = (run: object = FEED) => {
    vi.spyOn(api, 'clearances').mockResolvedValue({ revision: 3, found: [near], work: null });
    return render(<TooNear />, { wrapper: around({}, run) });
  };
  const mark = async () => fireEvent.click(await screen.findByTitle('Mark both places'));
  beforeEach(() => useNearness.setState({ marked: null }));

  test('are cured by what is offered once they are marked', async () => {
    const asked = vi.spyOn(api, 'nearCures').mockResolvedValue([
      {
        items: [{ list: 'runs', item: { ...FEED, stock: 't' } as never }],
        words: 'Move leg 2 of Feed by 6 mm along −z',
      },
    ]);
    list();
    await screen.findByText('Feed is too near to Beam');
    expect(asked).not.toHaveBeenCalled();
    await mark();
    fireEvent.click(await screen.findByRole('button', { name: 'Move leg 2 of Feed by 6 mm along −z' }));
    expect(edit).toHaveBeenCalledWith(
      [{ list: 'runs', id: 'feed', item: { ...FEED, stock: 't' } }],
      undefined,
      'Move leg 2 of Feed by 6 mm along −z',
    );
  });

  test('are marked as they are after an edit, and no more once they are cured', async () => {
    const { rerender } = list();
    await mark();
    expect(useNearness.getState().marked?.distance).toBe(14);
    vi.spyOn(api, 'clearances').mockResolvedValue({ revision: 4, found: [{ ...near, distance: 9 }], work: null });
    await act(() => queries.invalidateQueries());
    rerender(<TooNear />);
    await waitFor(() => expect(useNearness.getState().marked?.distance).toBe(9));
    vi.spyOn(api, 'clearances').mockResolvedValue({ revision: 5, found: [], work: null });
    await act(() => queries.invalidateQueries());
    await waitFor(() => expect(useNearness.getState().marked).toBeNull());
  });

  test('are cured by a swap of both runs in one edit, or told that none is', async () => {
    const two: SolvedClearance = { ...near, b: { list: 'runs', id: 'other' }, title: 'Feed is too near to Other' };
    vi.spyOn(api, 'clearances').mockResolvedValue({ revision: 3, found: [two], work: null });
    const asked = vi.spyOn(api, 'nearCures').mockResolvedValue([]);
    render(<TooNear />, { wrapper: around({}, FEED) });
    await mark();
    await screen.findByText(
      'No one move of a leg, a corner, a fitting or a clamp cures it, nor does a swap of both runs.',
    );
    cleanup();
    useNearness.setState({ marked: null });
    const words = 'Swap leg 2 of Feed and leg 2 of Other';
    const items = ['feed', 'other'].map((id) => ({
      list: 'runs' as const,
      item: { ...FEED, id, stock: 't' } as never,
    }));
    asked.mockResolvedValue([{ items: items as never, words }]);
    render(<TooNear />, { wrapper: around({}, FEED) });
    await mark();
    fireEvent.click(await screen.findByRole('button', { name: words }));
    expect(edit).toHaveBeenCalledWith(
      ['feed', 'other'].map((id) => ({ list: 'runs', id, item: { ...FEED, id, stock: 't' } })),
      undefined,
      words,
    );
  });

  test('say that no move cures them, or that none could be looked for', async () => {
    const asked = vi.spyOn(api, 'nearCures').mockResolvedValue([]);
    list();
    await mark();
    await screen.findByText('No one move of a leg, a corner, a fitting or a clamp cures it.');
    cleanup();
    useNearness.setState({ marked: null });
    asked.mockRejectedValue(new Error('This takes too long.'));
    list();
    await mark();
    await screen.findByText('Cures could not be looked for: This takes too long.');
  });

  test('have a run laid again where it has corners between two ports', async () => {
    list();
    fireEvent.click(await screen.findByRole('button', { name: 'Lay Feed again' }));
    expect(useWays.getState().errands).toEqual([{ again: 'feed' }]);
    cleanup();
    list({ ...FEED, to: { at: [0, 0, 0] } });
    await screen.findByText('Feed is too near to Beam');
    expect(screen.queryByRole('button', { name: 'Lay Feed again' })).toBeNull();
  });
});
