// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { MemoryRouter } from 'react-router';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { api } from '../../resources/js/api/client';
import type { JobState, Laying, SolvedClearance } from '../../resources/js/api/types';
import { TooNear } from '../../resources/js/check/TooNear';
import { ClassField, KeptApart } from '../../resources/js/dialogs/KeptApart';
import { useHover } from '../../resources/js/job/hover';
import { useNearness } from '../../resources/js/job/nearness';
import { useWorkbench } from '../../resources/js/job/store';
import { type JobAccess, JobContext } from '../../resources/js/job/useJob';
import { tryingOf } from '../../resources/js/job/useTried';
import { HoverTag } from '../../resources/js/view/HoverTag';
import { nearPair } from './nearPair';

/* What Check shows of things that are too near, and what the tag tells while something is dragged. */

const near = (more: Partial<SolvedClearance> = {}) => nearPair('r', 'Return', more);

const edit = vi.fn(async () => {});

let queries: QueryClient | null = null;

function around(job: object = {}, services: object[] = []) {
  const state = { id: 7, revision: 3, harnesses: [], harnesses_at: 3, services, entries: {}, job } as never;
  const names: Record<string, string> = { r: 'Return', beam: 'Beam' };
  const access = {
    state,
    harnesses: (state as JobState).harnesses,
    item: (_: string, id: string) =>
      names[id] === undefined ? undefined : { id, name: names[id], route: { kind: 'hang' } },
    items: () => [],
    edit,
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

beforeEach(() => {
  edit.mockClear();
  useNearness.setState({ marked: null });
  useWorkbench.setState({ trying: null });
});
afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
});

describe('what is too near', () => {
  test('is looked for, and told where there is nothing', async () => {
    vi.spyOn(api, 'clearances').mockResolvedValue({ revision: 3, found: [], work: null });
    render(<TooNear />, { wrapper: around() });
    expect(screen.getByRole('status').textContent).toBe('Looking at what is near…');
    await screen.findByText('Nothing is too near to anything else.');
  });
  test('says why it could not be looked at', async () => {
    vi.spyOn(api, 'clearances').mockRejectedValue(new Error('The server answered 500.'));
    render(<TooNear />, { wrapper: around() });
    await screen.findByText('This could not be looked at: The server answered 500.');
  });
  test('is marked in the view, and the mark goes with the list', async () => {
    vi.spyOn(api, 'clearances').mockResolvedValue({ revision: 3, found: [near()], work: null });
    const { unmount } = render(<TooNear />, { wrapper: around() });
    fireEvent.click(await screen.findByTitle('Mark both places'));
    expect(useNearness.getState().marked?.b.id).toBe('beam');
    fireEvent.click(screen.getByTitle('Take the mark away'));
    expect(useNearness.getState().marked).toBeNull();
    fireEvent.click(screen.getByTitle('Mark both places'));
    unmount();
    expect(useNearness.getState().marked).toBeNull();
  });
  test('is waived at what was measured, beside other waivers and in place of its own', async () => {
    const other = { a: { list: 'runs', id: 'x' }, b: { list: 'runs', id: 'y' }, distance: 1, reason: 'Other' };
    const own = { a: near().b, b: near().a, distance: 15, reason: 'Before it came nearer' };
    vi.spyOn(api, 'clearances').mockResolvedValue({
      revision: 3,
      found: [near({ measured: -2, inside: true })],
      work: null,
    });
    render(<TooNear />, { wrapper: around({ waivers: [other, own] }) });
    fireEvent.click(await screen.findByRole('button', { name: 'Waive…' }));
    const field = screen.getByRole('textbox', { name: 'Why it may be so' });
    fireEvent.change(field, { target: { value: ' Sleeved ' } });
    fireEvent.keyDown(field, { key: 'Enter' });
    await waitFor(() => expect(edit).toHaveBeenCalledTimes(1));
    expect(edit).toHaveBeenCalledWith(
      [],
      { waivers: [other, { a: near().a, b: near().b, distance: -2, reason: 'Sleeved' }] },
      'Waive Return at Beam',
    );
  });
  test('that takes long is shown with how far it has come, and is stopped and taken up again', async () => {
    const working = { revision: 3, found: null, work: { state: 'working' as const, part: 0.4, problem: null } };
    const stopped = { revision: 3, found: null, work: { state: 'stopped' as const, part: 0, problem: null } };
    vi.spyOn(api, 'clearances').mockResolvedValue(working);
    const change = vi.spyOn(api, 'changeClearanceWork').mockResolvedValue(stopped);
    render(<TooNear />, { wrapper: around() });
    expect((await screen.findByRole('progressbar')).getAttribute('aria-valuenow')).toBe('40');
    expect(screen.getByText('It is a large job: this takes a while.')).toBeDefined();
    fireEvent.click(screen.getByRole('button', { name: 'Stop' }));
    const again = await screen.findByRole('button', { name: 'Go on' });
    expect(change).toHaveBeenLastCalledWith(7, false);
    // Nobody asks while nothing is under way.
    const asked = vi.mocked(api.clearances).mock.calls.length;
    expect(screen.queryByRole('progressbar')).toBeNull();
    expect(screen.getByText('What is too near now is not known.')).toBeDefined();
    change.mockResolvedValue({ revision: 3, found: [near()], work: null });
    fireEvent.click(again);
    expect(await screen.findByText('1 too near')).toBeDefined();
    expect(change).toHaveBeenLastCalledWith(7, true);
    expect(vi.mocked(api.clearances).mock.calls.length).toBe(asked);
    // After the next change it says that what is still shown is of before.
    change.mockResolvedValue(stopped);
    vi.mocked(api.clearances).mockResolvedValue(stopped);
    await act(() => queries?.invalidateQueries());
    expect(
      await screen.findByText('What is too near now is not known. What stands here is from before the last change.'),
    ).toBeDefined();
    expect(screen.getByLabelText('Return is too near to Beam')).toBeDefined();
  });

  test('stands behind what is not waived, and is taken back', async () => {
    const waiver = { a: near().a, b: near().b, distance: 14, reason: 'Sleeved' };
    vi.spyOn(api, 'clearances').mockResolvedValue({
      revision: 3,
      found: [near({ waived: 'Sleeved' }), near({ b: { list: 'runs', id: 'z' }, title: 'Return goes into z' })],
      work: null,
    });
    render(<TooNear />, { wrapper: around({ waivers: [waiver] }) });
    await screen.findByText('1 too near, 1 waived');
    expect(screen.getAllByRole('region').map((one) => one.getAttribute('aria-label'))).toEqual([
      'Return goes into z',
      'Return is too near to Beam',
    ]);
    fireEvent.click(screen.getByRole('button', { name: 'Take it back' }));
    expect(edit).toHaveBeenCalledWith([], { waivers: [] }, 'Take back a waiver');
  });
});

describe('the nearest thing', () => {
  const item = { list: 'runs', item: { id: 'r' } } as never;

  test('is asked for with the preview of a drag, and shown with it', async () => {
    const answer = {
      list: 'runs',
      item: { id: 'r' },
      amount: 5,
      held: null,
      places: [],
      nearest: near(),
      solutions: [],
    };
    const asked = vi.spyOn(globalThis, 'fetch').mockImplementation(async () => Response.json(answer));
    const change: Laying = { do: 'move-leg', vertex: 2, by: [0, 0, 5] };
    const shown = tryingOf(await api.dragRun(7, { run: 'r', change, hold: 1 }));
    expect(JSON.parse(String(asked.mock.calls[0]?.[1]?.body))).toEqual({ run: 'r', change, hold: 1, nearest: true });
    expect(shown.nearest?.distance).toBe(14);
    expect(shown.item).toEqual(item);
    await api.dragPlace(7, { list: 'fittings', id: 'f', change: { do: 'move', by: [0, 0, 5] }, hold: null });
    expect(JSON.parse(String(asked.mock.calls[1]?.[1]?.body)).nearest).toBe(true);
  });
  test.each([
    ['with what is needed where that is more', near(), 'to Beam14 mm of 20'],
    ['alone where it is enough', near({ distance: 30, measured: 30 }), 'to Beam30 mm'],
    ['by the other, whichever is dragged', near({ a: near().b, b: near().a, required: 0 }), 'to Beam14 mm'],
    ['by how deep it is in it', near({ distance: 0, measured: -3, required: 0, inside: true }), 'to Beam−3 mm'],
  ])('is told in the tag %s', (_, dragged, words) => {
    useHover.getState().setHover({ title: 'Along z', rows: [], x: 0, y: 0 });
    useWorkbench.setState({ trying: { solutions: [], places: [], item, nearest: dragged } });
    const { container } = render(<HoverTag />, { wrapper: around() });
    expect(container.querySelector('.row-of-tag')?.textContent).toBe(words);
  });
});

describe('what is kept apart', () => {
  const services = [
    { id: 'f', name: 'Fuel', colour: '#111111', class: 'fuel' },
    { id: 'p', name: 'Power', colour: '#222222', class: 'live' },
  ];
  const dialog = (clearances: object, own: object[] = services) =>
    render(<KeptApart />, { wrapper: around({ clearances }, own) });

  test('begins with two classes, and goes on with what has no row yet', () => {
    dialog({ between: [{ classes: ['live', 'fuel'], distance: 25 }] });
    fireEvent.click(screen.getByRole('button', { name: 'Keep apart' }));
    expect(edit).toHaveBeenCalledWith(
      [],
      {
        clearances: {
          between: [
            { classes: ['live', 'fuel'], distance: 25 },
            { classes: ['fuel'], distance: 50 },
          ],
        },
      },
      'Keep apart',
    );
  });
  test('wants services with a class', () => {
    dialog({}, [{ id: 'a', name: 'Air', colour: '#333333' }]);
    const button = screen.getByRole('button', { name: 'Keep apart' });
    expect(button).toHaveProperty('disabled', true);
    expect(button.getAttribute('title')).toBe('Give services a class first: hot, live, fuel …');
  });
  test('is deleted row by row', () => {
    dialog({ usual: 5, between: [{ classes: ['fuel'], distance: 25 }] });
    fireEvent.click(screen.getByRole('button', { name: 'Delete fuel and everything' }));
    expect(edit).toHaveBeenCalledWith([], { clearances: { usual: 5, between: [] } }, 'Delete a distance');
  });
  test('a class is taken from a service where its field is emptied', async () => {
    const onChange = vi.fn(async () => {});
    render(<ClassField service={services[0] as never} onChange={onChange} />, { wrapper: around() });
    const field = screen.getByRole('textbox', { name: 'Fuel: class' });
    fireEvent.change(field, { target: { value: ' ' } });
    fireEvent.keyDown(field, { key: 'Enter' });
    await waitFor(() => expect(onChange).toHaveBeenCalledWith(undefined));
  });
});
