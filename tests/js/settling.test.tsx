// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { afterEach, expect, test, vi } from 'vitest';
import { api } from '../../resources/js/api/client';
import type { JobState, Settling, SolvedRun } from '../../resources/js/api/types';
import { SettlingFields } from '../../resources/js/card/SettlingFields';
import { inJob } from './inJob';

/* A run that settles, or is worked out, on the queue. */

const told = (more: Partial<Settling>): Settling => ({
  state: 'settling',
  part: 0.25,
  points: [],
  problem: null,
  ...more,
});
const open = (more: Partial<SolvedRun>) =>
  render(<SettlingFields solved={{ id: 'shore', ...more } as unknown as SolvedRun} />, {
    wrapper: inJob({ id: 7, revision: 1, job: {} } as unknown as JobState),
  });

afterEach(cleanup);

test('shows how far it has come, and is stopped', async () => {
  vi.spyOn(api, 'settling').mockResolvedValue(told({}));
  const settle = vi.spyOn(api, 'settle').mockResolvedValue(told({ state: 'stopped' }));
  open({ settling: true });
  await waitFor(() => expect(screen.getByRole('progressbar').getAttribute('aria-valuenow')).toBe('25'));
  fireEvent.click(screen.getByRole('button', { name: 'Stop' }));
  expect(settle).toHaveBeenCalledWith(7, 'shore', false);
});

test.each([
  ['settles', { settling: true }, 'It has not settled'],
  ['is worked out', { unsolved: true }, 'It could not be worked out'],
] as const)('says why one that %s has failed, and is tried again', async (_, run, words) => {
  const problem = 'It took longer than 5 minutes.';
  vi.spyOn(api, 'settling').mockResolvedValue(told({ state: 'failed', problem }));
  const settle = vi.spyOn(api, 'settle').mockResolvedValue(told({ state: 'waiting' }));
  open(run);
  expect(await screen.findByText(problem)).toBeTruthy();
  expect(screen.getByRole('status').textContent).toBe(words);
  expect(screen.queryByRole('progressbar')).toBeNull();
  fireEvent.click(screen.getByRole('button', { name: 'Try again' }));
  expect(settle).toHaveBeenCalledWith(7, 'shore', true);
});
