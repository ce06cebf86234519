// @vitest-environment jsdom
import { act, cleanup, fireEvent, render, renderHook, screen, waitFor } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { api } from '../../resources/js/api/client';
import type { Board, Harness, JobState, SolvedHarness } from '../../resources/js/api/types';
import { BoardStage } from '../../resources/js/board/BoardStage';
import { HarnessFindings } from '../../resources/js/card/HarnessFindings';
import { useHover } from '../../resources/js/job/hover';
import { useWorkbench } from '../../resources/js/job/store';
import { turnedOn } from '../../resources/js/job/useBoard';
import { useTriedHarnesses } from '../../resources/js/job/useTried';
import { useWires } from '../../resources/js/job/wires';
import { RowsReport } from '../../resources/js/ui/RowsReport';
import { HoverTag } from '../../resources/js/view/HoverTag';
import { inJob } from './inJob';

/* Harnesses in the browser: what is asked of the server and when, and what is shown of its answers. */

const wire = (id: string, length: number | null) => ({
  id,
  length,
  cut_length: length,
  ways: [],
  lead_offs: [],
  twist: 0,
  allowances: [],
});
const tooLong = (wireId: string) => ({
  rule: 'wire-length',
  severity: 'violation',
  title: `${wireId} is too long`,
  message: 'It is 1000 mm; it may be 900 mm.',
  at: [0, 0, 0],
  wire: wireId,
  run: null,
  span: null,
  measured: 1000,
  required: 900,
  remedies: [] as string[],
  cures: [] as unknown[],
});
const harness = (findings: object[] = [], lengths: [string, number | null][] = [['W1', 1000]]) =>
  ({
    id: 'h',
    wires: lengths.map(([id, length]) => wire(id, length)),
    total: 0,
    trunks: [],
    findings,
  }) as unknown as SolvedHarness;

const stateOf = (stored: SolvedHarness) =>
  ({ id: 7, revision: 3, harnesses: [stored], harnesses_at: 3, job: {} }) as unknown as JobState;

beforeEach(() => {
  vi.stubGlobal(
    'ResizeObserver',
    class {
      observe() {}
      disconnect() {}
    },
  );
});
afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
  useWorkbench.getState().setTrying(null);
  useHover.getState().setHover(null);
});

describe('what is found of a harness', () => {
  test('is shown at once, and its cures when they have been tried', async () => {
    const cured = {
      ...tooLong('W1'),
      remedies: ['Let it be 1000 mm'],
      cures: [{ list: 'harnesses', item: { id: 'h' } }],
    };
    const asked = vi.spyOn(api, 'curedHarness').mockResolvedValue(harness([cured]));
    const edit = vi.fn().mockResolvedValue(undefined);
    const stored = harness([tooLong('W1')]);
    render(<HarnessFindings harness={stored} />, { wrapper: inJob(stateOf(stored), { edit }) });
    expect(screen.getByText('W1 is too long')).toBeTruthy();
    fireEvent.click(await screen.findByRole('button', { name: 'Let it be 1000 mm' }));
    expect(asked).toHaveBeenCalledWith(7, 'h');
    expect(edit).toHaveBeenCalledWith([{ list: 'harnesses', id: 'h', item: { id: 'h' } }]);
  });
  test('is asked about no more when nothing is found', () => {
    const asked = vi.spyOn(api, 'curedHarness').mockResolvedValue(harness());
    render(<HarnessFindings harness={harness()} />, { wrapper: inJob(stateOf(harness())) });
    expect(asked).not.toHaveBeenCalled();
  });
  test('leads to the wire in its table', () => {
    vi.spyOn(api, 'curedHarness').mockResolvedValue(harness());
    const stored = harness([tooLong('W1')]);
    render(<HarnessFindings harness={stored} />, { wrapper: inJob(stateOf(stored)) });
    fireEvent.click(screen.getByTitle('Show where'));
    expect(useWires.getState().followed).toBe('W1');
  });
});

describe('while something is dragged', () => {
  const item = { list: 'fittings', item: { id: 'lamp' } } as never;

  test('lengths are asked for what is in the hand, and forgotten when it is let go', async () => {
    const stored = harness(
      [{ ...tooLong('W1'), rule: 'bundle-radius', title: 'T1 is bent too tight' }],
      [
        ['W1', 1000],
        ['W2', null],
      ],
    );
    const state = stateOf(stored);
    vi.spyOn(api, 'tryHarnesses').mockResolvedValue([
      {
        id: 'h',
        lengths: [
          ['W1', 1080, 1085],
          ['W2', 500, 505],
        ],
        rules: ['no-way', 'wire-length', 'wire-apart'],
        findings: [tooLong('W1')],
      } as never,
    ]);
    const { result, rerender } = renderHook((now: JobState) => useTriedHarnesses(now), {
      wrapper: inJob(state),
      initialProps: state,
    });
    expect(result.current).toBeNull();
    act(() => useWorkbench.getState().setTrying({ solutions: [], places: [], item }));
    await waitFor(() => expect(result.current).not.toBeNull());
    expect(result.current?.[0]?.wires.map(({ length, cut_length: cut }) => [length, cut])).toEqual([
      [1080, 1085],
      [500, 505],
    ]);
    // What is found of bundles stands until the end of the drag.
    expect(result.current?.[0]?.findings.map(({ title }) => title)).toEqual(['W1 is too long', 'T1 is bent too tight']);
    // Kept, they stay until those of the new revision are there.
    rerender({ ...state, revision: 4 });
    act(() => useWorkbench.getState().setTrying(null));
    expect(result.current?.[0]?.wires[0]?.length).toBe(1080);
    rerender({ ...state, revision: 4, harnesses_at: 4 });
    expect(result.current).toBeNull();
  });
  test('nothing is asked in a job without harnesses', () => {
    const asked = vi.spyOn(api, 'tryHarnesses');
    const state = { ...stateOf(harness()), harnesses: [] };
    renderHook(() => useTriedHarnesses(state), { wrapper: inJob(state) });
    act(() => useWorkbench.getState().setTrying({ solutions: [], places: [], item }));
    expect(asked).not.toHaveBeenCalled();
  });
  test('the tag tells which wires change, and what breaks by it', () => {
    const lengths = (by: number): [string, number][] => [
      ['W1', 1000 + by],
      ['W2', 800 - by],
      ['W3', 700],
      ['W4', 600 + by],
      ['W5', 500 + by],
    ];
    const stored = harness([], lengths(0));
    useHover.getState().setHover({ title: 'Along z', rows: [['moved', '80 mm']], x: 0, y: 0 });
    render(<HoverTag />, {
      wrapper: inJob(stateOf(stored), { harnesses: [harness([tooLong('W1')], lengths(80))] }),
    });
    const tag = document.querySelector('.hover-tag')?.textContent ?? '';
    expect(tag).toContain('W11080 mm (+80)');
    expect(tag).toContain('W2720 mm (−80)');
    expect(tag).not.toContain('W3');
    expect(tag).toContain('wires1 more');
    expect(tag).toContain('W1 is too long');
  });
});

describe('the board', () => {
  const told: Harness = { id: 'h', name: 'Wiring', trunks: ['t1'], wires: [] };
  const turn = {
    run: 't1',
    towards: null,
    at: [0, 0],
    end: [0, -100],
    length: 100,
    along: 0,
    angle: 90,
    told: false,
    in_way: null,
  } as Board['turns'][number];

  test('says while it is laid, and why it cannot be', async () => {
    vi.spyOn(api, 'board').mockRejectedValue(new Error('The server does not answer.'));
    render(<BoardStage harness={told} />, { wrapper: inJob(stateOf(harness())) });
    expect(screen.getByText('Laying it flat…')).toBeTruthy();
    expect((await screen.findByRole('alert')).textContent).toContain('The server does not answer.');
    expect(screen.getByRole('button', { name: 'Try again' })).toBeTruthy();
  });
  test('says that there is nothing to lay', async () => {
    vi.spyOn(api, 'board').mockResolvedValue({ picture: '<svg/>', width: 1, height: 1, turns: [] } as never);
    render(<BoardStage harness={{ ...told, trunks: [] }} />, { wrapper: inJob(stateOf(harness())) });
    expect(await screen.findByText(/There are no trunks in this harness yet/)).toBeTruthy();
  });
  test('keeps one angle of each trunk, or of each of its two ways', () => {
    const once = turnedOn(told, turn, 30);
    expect(once.board?.angles).toEqual([{ run: 't1', angle: 30 }]);
    expect(turnedOn(once, turn, 45).board?.angles).toEqual([{ run: 't1', angle: 45 }]);
    expect(turnedOn(once, turn, undefined).board?.angles).toEqual([]);
    const towards = (which: 'start' | 'end') => ({ ...turn, towards: which });
    const both = turnedOn(turnedOn(told, towards('start'), 10), towards('end'), 20);
    expect(both.board?.angles).toEqual([
      { run: 't1', angle: 10, towards: 'start' },
      { run: 't1', angle: 20, towards: 'end' },
    ]);
    expect(turnedOn(both, towards('start'), undefined).board?.angles).toEqual([
      { run: 't1', angle: 20, towards: 'end' },
    ]);
  });
});

describe('pasted rows', () => {
  test('of refused rows name the row and the reason', () => {
    render(
      <RowsReport
        count="1 wire"
        refused={[{ line: 3, text: 'W9,x.Y', why: 'there is no port “x.Y”' }]}
        onClose={() => undefined}
      >
        <button type="button">Add 1 wire</button>
      </RowsReport>,
    );
    expect(screen.getByRole('dialog').textContent).toContain('1 row was refused');
    expect(screen.getByRole('listitem').textContent).toBe('Row 3 W9,x.Ythere is no port “x.Y”');
  });
});
