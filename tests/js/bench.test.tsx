// @vitest-environment jsdom
import { act, cleanup, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, test, vi } from 'vitest';
import { api } from '../../resources/js/api/client';
import type { Bench, BentPart, JobState, Pack, Run } from '../../resources/js/api/types';
import { usePreferences } from '../../resources/js/job/preferences';
import type { JobAccess } from '../../resources/js/job/useJob';
import { BenchSection } from '../../resources/js/make/bench/BenchSection';
import { flat, windowOf } from '../../resources/js/make/bench/project';
import { MachineTable } from '../../resources/js/make/MachineTable';
import { PackDialog } from '../../resources/js/make/PackDialog';
import { inJob } from './inJob';

afterEach(() => {
  cleanup();
  vi.useRealTimers();
  vi.restoreAllMocks();
});

const STATE = { id: 7, revision: 3, job: {} } as unknown as Partial<JobState>;
const RUN = { id: 'feed', name: 'Feed', stock: 't12' } as unknown as Run;

const frame = (step: number, phase: 'feed' | 'turn' | 'bend', amount: number) => ({
  step,
  phase,
  amount,
  points: [
    [-200, 0, 0],
    [0, 0, 0],
    [amount, 0, 0],
  ],
});

const bench = (more: Partial<Bench> = {}): Bench => ({
  spool: 'feed-1',
  tolerances: 'corners and ends ± 2 mm, straights ± 1 mm, bends ± 0.5°',
  bender: 'bench-22',
  benders: [{ id: 'bench-22', name: 'Cleat bench bender 22' }],
  stock: 'Tube 12 × 1.5',
  cut: 450,
  steps: [
    { straight: 120, feed: 120, turn: 0, set: 92, angle: 90, radius: 30, die: [] },
    { straight: 240, feed: 239, turn: 45, set: 92, angle: 90, radius: 30, die: [] },
  ],
  hits: [],
  other_end_free: true,
  space: { half_width: 120, top: -70, front: -60, floor: -950 },
  film: [frame(0, 'feed', 120), frame(0, 'bend', 92), frame(1, 'turn', 45), frame(1, 'bend', 92)],
  known: [],
  bender_at: '127.0.0.1:7001',
  arm_at: '127.0.0.1:7002',
  parts: [],
  ...more,
});

const part = (more: Partial<BentPart> = {}): BentPart => ({
  id: 5,
  state: 'done',
  step: 2,
  number: '1',
  reversed: false,
  problem: null,
  asked_at: '2026-11-29T10:00:00Z',
  report: {
    good: false,
    reasons: ['Bend 1 is 1.04° short: it can be bent on.'],
    advice: 'It can be saved: bend on bend 1 by 1.04°, then measure it again.',
    bends: [{ wanted: 90, set: 92.3, got: 88.96, in: false }],
    straights: [
      { wanted: 60, got: 59.82, in: true },
      { wanted: 220, got: 220.66, in: true },
    ],
    off: [
      { by: 0.4, in: true },
      { by: 2.5, in: false },
      { by: 1, in: true },
    ],
    design: [
      [0, 0, 0],
      [100, 0, 0],
      [100, 200, 0],
    ],
    part: [
      [0, 0.4, 0],
      [100, 2.5, 0],
      [100, 200, 1],
    ],
  },
  ...more,
});

const open = (answer: Bench) => {
  const asked = vi.spyOn(api, 'bench').mockResolvedValue(answer);
  render(<BenchSection run={RUN} spool={undefined} />, { wrapper: inJob(STATE) });
  return asked;
};

describe('the bench', () => {
  test('says from which end it goes, and bends nothing that hits', async () => {
    const user = userEvent.setup();
    const asked = open(bench({ hits: [{ step: 1, words: 'At bend 2 it would hit the floor.' }] }));
    expect((await screen.findByText(/At bend 2 it would hit the floor/)).textContent).toContain(
      'From its other end it goes.',
    );
    const bend = screen.getByRole('button', { name: 'Bend a part and measure it' }) as HTMLButtonElement;
    expect(bend.disabled).toBe(true);
    asked.mockResolvedValue(bench());
    await user.selectOptions(screen.getByLabelText('End that goes first'), 'end');
    expect(await screen.findByText('It is gripped, and swings free of bed, floor and itself.')).toBeTruthy();
    expect(asked).toHaveBeenLastCalledWith(7, 'feed', { spool: undefined, bender: undefined, from: 'end' });
    expect(bend.disabled).toBe(false);
  });

  test('sends what is typed, and shows why it is refused', async () => {
    const user = userEvent.setup();
    open(bench());
    const sent = vi.spyOn(api, 'bendPart').mockRejectedValue(new Error('a device is on this machine'));
    expect(
      await screen.findByText(/^Judged by: corners and ends ± 2 mm, straights ± 1 mm, bends ± 0\.5°/),
    ).toBeTruthy();
    await user.clear(screen.getByLabelText('Measuring arm at'));
    await user.type(screen.getByLabelText('Measuring arm at'), '127.0.0.1:7009');
    await user.click(screen.getByRole('button', { name: 'Bend a part and measure it' }));
    expect(sent).toHaveBeenCalledWith(7, 'feed', {
      bender: 'bench-22',
      from: 'start',
      bender_at: '127.0.0.1:7001',
      arm_at: '127.0.0.1:7009',
    });
    expect((await screen.findByRole('alert')).textContent).toBe('a device is on this machine');
  });

  test('tells how far a part is, and stops it', async () => {
    const user = userEvent.setup();
    open(bench({ parts: [part({ state: 'bending', step: 1, number: null, report: null })] }));
    const status = await screen.findByText('At bend 2 of 2…');
    expect(status).toBeTruthy();
    expect(screen.getByRole('progressbar').getAttribute('aria-valuenow')).toBe('50');
    const stop = vi.spyOn(api, 'stopPart').mockResolvedValue(part({ state: 'stopped' }));
    await user.click(screen.getByRole('button', { name: 'Stop' }));
    expect(stop).toHaveBeenCalledWith(7, 5);
  });

  test('shows of each part what is off, and what became of those that were not finished', async () => {
    const user = userEvent.setup();
    const gone = part({
      id: 6,
      state: 'failed',
      number: null,
      report: null,
      problem: 'The device does not answer any more. Look whether it runs.',
    });
    open(bench({ parts: [gone, part({ reversed: true })] }));
    expect(await screen.findByText(/does not answer any more/)).toBeTruthy();
    expect(screen.queryByRole('table')).toBeNull();
    await user.click(screen.getByRole('button', { name: /^Part 1, .*, from its end: out$/ }));
    const rows = within(screen.getByRole('table')).getAllByRole('row').slice(1);
    expect(rows.map((row) => [...row.children].map((cell) => cell.textContent))).toEqual([
      ['straight 1', '60.0', '', '59.8', '−0.18'],
      ['bend 1', '90.00°', '92.30°', '88.96°', '−1.04°'],
      ['straight 2', '220.0', '', '220.7', '+0.66'],
    ]);
    expect(rows.map((row) => row.className)).toEqual(['', 'violation', '']);
    const picture = screen.getByRole('img', { name: 'The part beside its design' });
    expect([...picture.querySelectorAll('g')].map((one) => one.getAttribute('class'))).toEqual([
      'place',
      'place out',
      'place',
    ]);
  });

  test('plays the bending to its end, and holds it where it is slid to', async () => {
    open(bench());
    const film = within(await screen.findByRole('figure', { name: 'How it is bent' }));
    const caption = () => film.getByText(/^bend \d of 2/).textContent;
    expect(caption()).toBe('bend 2 of 2: bent 92.0° of 92.00°');
    fireEvent.change(film.getByRole('slider'), { target: { value: '0' } });
    expect(caption()).toBe('bend 1 of 2: fed 120.0');
    vi.useFakeTimers();
    fireEvent.click(film.getByRole('button', { name: 'Play the bending' }));
    act(() => vi.advanceTimersByTime(140));
    expect(caption()).toBe('bend 1 of 2: bent 92.0° of 92.00°');
    act(() => vi.advanceTimersByTime(140));
    expect(caption()).toBe('bend 2 of 2: turned 45.0° of 45.0°');
    act(() => vi.advanceTimersByTime(1000));
    expect(caption()).toBe('bend 2 of 2: bent 92.0° of 92.00°');
    expect(film.getByRole('button', { name: 'Play the bending' })).toBeTruthy();
  });

  test('says that nothing can be bent, and why', async () => {
    open(bench({ steps: [], film: [] }));
    expect(await screen.findByText('Nothing to bend.')).toBeTruthy();
    cleanup();
    vi.spyOn(api, 'bench').mockRejectedValue(new Error('Feed is made of spools: pick one'));
    render(<BenchSection run={RUN} spool={undefined} />, { wrapper: inJob(STATE) });
    expect(await screen.findByText('Feed is made of spools: pick one')).toBeTruthy();
  });
});

test('all axes are shortened alike in the pictures of the bench', () => {
  const lengths = [
    [1, 0, 0],
    [0, 1, 0],
    [0, 0, 1],
  ].map((axis) => Math.hypot(...flat(axis)));
  expect(lengths[0]).toBeCloseTo(1, 12);
  expect(lengths[1]).toBeCloseTo(1, 12);
  expect(lengths[2]).toBeCloseTo(1, 12);
  expect(
    windowOf(
      [
        [0, 0],
        [10, 20],
      ],
      0.1,
    ),
  ).toEqual({ left: -2, top: -2, width: 14, height: 24 });
});

describe('a pack', () => {
  const pack = (more: Partial<Pack> = {}): Pack => ({
    id: 3,
    state: 'working',
    part: 0.25,
    format: 'pdf',
    problem: null,
    ...more,
  });

  test('is of what is chosen, and is stopped', async () => {
    const user = userEvent.setup();
    const asked = vi.spyOn(api, 'newPack').mockResolvedValue(pack({ state: 'waiting', part: 0 }));
    const looked = vi.spyOn(api, 'pack').mockResolvedValue(pack());
    render(<PackDialog onClose={() => undefined} />, {
      wrapper: inJob({ ...STATE, job: { sets: [{ id: 'fuel', name: 'Fuel', runs: [] }] } as never }),
    });
    await user.click(screen.getByRole('checkbox', { name: /^Arrangement/ }));
    await user.click(screen.getByRole('checkbox', { name: /^Lists/ }));
    await user.click(screen.getByRole('checkbox', { name: /^Harnesses/ }));
    await user.selectOptions(screen.getByLabelText('Of which runs'), 'fuel');
    await user.selectOptions(screen.getByLabelText('As one file or many'), 'zip');
    await user.click(screen.getByRole('button', { name: 'Make it' }));
    expect(asked).toHaveBeenCalledWith(7, { kinds: ['isometric', 'bend-sheet'], format: 'zip', set: 'fuel' });
    await waitFor(() => expect(screen.getByRole('progressbar').getAttribute('aria-valuenow')).toBe('25'));
    vi.spyOn(api, 'stopPack').mockResolvedValue(pack({ state: 'stopped' }));
    looked.mockResolvedValue(pack({ state: 'stopped' }));
    await user.click(screen.getByRole('button', { name: 'Stop' }));
    expect(await screen.findByText('Stopped. Nothing was kept of it.')).toBeTruthy();
    looked.mockResolvedValue(pack({ id: 4, state: 'failed', problem: 'There is nothing of that in the job yet.' }));
    asked.mockResolvedValue(pack({ id: 4, state: 'waiting' }));
    await user.click(screen.getByRole('button', { name: 'Make it again' }));
    expect((await screen.findByRole('alert')).textContent).toBe('There is nothing of that in the job yet.');
  });
});

test('columns of the bender’s table are put in order, named, and kept', async () => {
  const user = userEvent.setup();
  const put = vi.fn().mockResolvedValue(undefined);
  render(<MachineTable run={RUN} spool={undefined} />, {
    wrapper: inJob(STATE, { put } as unknown as Partial<JobAccess>),
  });
  await user.click(screen.getByRole('button', { name: 'Put angle further ahead' }));
  await user.click(screen.getByRole('checkbox', { name: 'radius of the bend' }));
  const shown = usePreferences.getState().machineColumns.lra.filter((one) => one.shown);
  expect(shown.map(({ column }) => column)).toEqual(['bend', 'straight', 'angle', 'rotation']);
  const address = screen.getByRole('button', { name: 'Save it as CSV' }).getAttribute('href') ?? '';
  expect(JSON.parse(new URLSearchParams(address.split('?')[1]).get('columns') ?? '')).toEqual(
    shown.map(({ column, name }) => ({ column, name })),
  );
  const read = vi.spyOn(api, 'lines').mockResolvedValue({
    routes: [{ route: { kind: 'corners', stops: [] } }],
    remarks: ['Row 3 was left out'],
  } as never);
  // Files of jsdom cannot be read as text.
  const file = Object.assign(new File(['L'], 'Left rail.csv', { type: 'text/csv' }), { text: async () => 'L' });
  await user.upload(screen.getByLabelText('Table of a bender'), file);
  expect(await screen.findByText('Row 3 was left out')).toBeTruthy();
  expect(read).toHaveBeenCalledWith(7, 'L', false, {
    kind: 'lra',
    columns: shown.map(({ column, name }) => ({ column, name })),
  });
  expect(put).toHaveBeenCalledWith(
    'runs',
    expect.objectContaining({ name: 'Left rail', stock: 't12' }),
    'Bring in Left rail.csv',
  );
});
