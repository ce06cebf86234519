// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, expect, test } from 'vitest';
import type { JobState, Run, SolvedRun } from '../../resources/js/api/types';
import { useWorkbench } from '../../resources/js/job/store';
import type { JobAccess } from '../../resources/js/job/useJob';
import { BendSheetSection } from '../../resources/js/make/BendSheetSection';
import { CutLength } from '../../resources/js/make/CutLength';
import { TrunkMake } from '../../resources/js/make/TrunkMake';
import { inJob } from './inJob';

/* What Make shows of what no bender bends: a trunk, which is the wires in it, and what is cut to length alone. */

const RUN = { id: 't' } as Run;
const SOLVED = { length: 4744.2 } as SolvedRun;
const span = (wires: string[], diameter: number) => ({ from: 0, to: 10, wires, diameter });

function open(harnesses: object[], solved: object[]) {
  const items = ((list: string) => (list === 'harnesses' ? harnesses : [])) as unknown as JobAccess['items'];
  const state = { harnesses: solved } as unknown as JobState;
  return render(<TrunkMake run={RUN} solved={SOLVED} />, { wrapper: inJob(state, { items }) });
}

afterEach(() => {
  cleanup();
  useWorkbench.setState({ picked: null });
});

test('says how thick it gets and how many wires lie in it, and leads to its harness', () => {
  open(
    [
      { id: 'other', trunks: ['u'] },
      { id: 'h', name: 'Data and power', trunks: ['s', 't'] },
    ],
    [
      { id: 'other', trunks: [{ run: 't', spans: [span(['x', 'y', 'z', 'w'], 90)] }] },
      {
        id: 'h',
        trunks: [
          { run: 's', spans: [span(['a', 'b', 'c', 'd'], 50)] },
          { run: 't', spans: [span(['a'], 2.5), span(['a', 'b', 'c'], 18.6), span(['a', 'b'], 20.1)] },
        ],
      },
    ],
  );
  const row = (label: string) => screen.getByText(label).closest('.row-item, div')?.textContent;
  expect(row('Length along the centre line')).toContain('4744.2 mm');
  expect(row('Most wires at one place')).toMatch(/3$/);
  expect(row('Thickest')).toContain('ø 20.1 mm');
  fireEvent.click(screen.getByRole('button', { name: 'Lists of Data and power' }));
  expect(useWorkbench.getState().picked).toMatchObject({ list: 'harnesses', id: 'h' });
});

test('says so where it is part of no harness yet', () => {
  open([{ id: 'other', trunks: ['u'] }], []);
  expect(screen.getByText(/part of no harness yet/)).toBeTruthy();
  expect(screen.queryByRole('button')).toBeNull();
  expect(screen.queryByText('Thickest')).toBeNull();
});

test('leaves out what is not worked out yet', () => {
  open([{ id: 'h', trunks: ['t'] }], []);
  expect(screen.queryByText('Thickest')).toBeNull();
  expect(screen.getByRole('button', { name: 'Lists of h' })).toBeTruthy();
});

test('of what is not bent there is its length, and what it is cut to', () => {
  render(<CutLength of={{ length: 1719.43, cut_length: 1749.43 } as SolvedRun} />);
  expect(screen.getByText('1719.4 mm')).toBeTruthy();
  expect(screen.getByText('1749.4 mm').tagName).toBe('STRONG');
});

test.each([
  [true, 'bend sheet', true],
  [false, 'cut sheet', false],
])('calls a sheet by what it is, and lets a tape follow what is bent alone', async (isOfBends, name, hasTape) => {
  const state = { id: 7, revision: 1, job: {} } as unknown as JobState;
  const run = { id: 'feed', name: 'Feed', route: { kind: 'corners' } } as unknown as Run;
  render(<BendSheetSection run={run} spool={undefined} isOfBends={isOfBends} />, { wrapper: inJob(state, {}) });
  fireEvent.click(screen.getByRole('button', { name: `Look at the ${name}` }));
  const title = new RegExp(`^${name}: Feed$`, 'i');
  expect(await screen.findByRole('dialog', { name: title })).toBeTruthy();
  expect(screen.queryByLabelText('with a full-size tape') !== null).toBe(hasTape);
  expect(screen.getByRole('img', { name: new RegExp(`^${name} of Feed$`, 'i') })).toBeTruthy();
});
