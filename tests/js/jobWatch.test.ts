// @vitest-environment jsdom
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { api } from '../../resources/js/api/client';
import { JobWatch } from '../../resources/js/job/JobWatch';
import { usePresence } from '../../resources/js/job/presence';

/* How a window asks whether anything is new: the whole question now and then, the quick one between. */

const OLA = { name: 'Ola', window: 'of Ola', picked: null };
const whole = (revision: number) => ({ revision, step: revision, live: 'token', others: [OLA] });
const quick = (revision: number, present = 'one') => ({ revision, step: revision, present });

beforeEach(() => {
  vi.useFakeTimers();
  vi.spyOn(api, 'presence').mockResolvedValue(whole(3));
  vi.spyOn(api, 'revision').mockResolvedValue({ revision: 3, step: 3, live: 'token' });
  vi.spyOn(api, 'live').mockResolvedValue(quick(3));
});
afterEach(() => {
  vi.useRealTimers();
  vi.restoreAllMocks();
});

const asked = () => [vi.mocked(api.presence).mock.calls.length, vi.mocked(api.live).mock.calls.length];

test('asks the whole question first and each five seconds, the quick one between', async () => {
  const watch = new JobWatch(7);
  for (let second = 0; second < 11; second++) {
    await watch.ask(null, true);
    vi.advanceTimersByTime(1000);
  }
  expect(asked()).toEqual([3, 8]);
  expect(usePresence.getState().others).toEqual([OLA]);
});

test('learns of an edit by the quick question', async () => {
  const watch = new JobWatch(7);
  await watch.ask(null, true);
  vi.mocked(api.live).mockResolvedValue(quick(4));
  expect(await watch.ask(null, true)).toMatchObject({ revision: 4, step: 4, others: [OLA] });
  expect(asked()).toEqual([1, 1]);
});

test('asks who is there when that has changed, and tells at once what is picked here', async () => {
  const watch = new JobWatch(7);
  await watch.ask(null, true);
  await watch.ask(null, true);
  vi.mocked(api.live).mockResolvedValue(quick(3, 'two'));
  await watch.ask(null, true);
  expect(asked()).toEqual([2, 2]);
  await watch.ask({ list: 'runs', id: 'feed' }, true);
  expect(asked()).toEqual([3, 2]);
  expect(vi.mocked(api.presence).mock.lastCall?.[1].picked).toEqual({ list: 'runs', id: 'feed' });
});

test('asks the whole question where the quick one is not served or not answered any more', async () => {
  const watch = new JobWatch(7);
  await watch.ask(null, true);
  vi.mocked(api.live).mockResolvedValue(null);
  await watch.ask(null, true);
  expect(asked()).toEqual([2, 1]);
  vi.mocked(api.presence).mockResolvedValue({ ...whole(5), live: null });
  await watch.ask(null, true);
  await watch.ask(null, true);
  expect(asked()).toEqual([4, 2]);
});

test('where nobody signs in, asks the whole question only for a new token', async () => {
  const watch = new JobWatch(7);
  for (let second = 0; second < 62; second += 2) {
    await watch.ask(null, false);
    vi.advanceTimersByTime(2000);
  }
  expect(vi.mocked(api.revision).mock.calls.length).toBe(3);
  expect(asked()).toEqual([0, 28]);
});

test('says when nothing answers at all', async () => {
  vi.mocked(api.presence).mockRejectedValue(new Error('away'));
  await expect(new JobWatch(7).ask(null, true)).rejects.toThrow('away');
});
