// @vitest-environment jsdom
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { api } from '../../resources/js/api/client';
import type { JobChange } from '../../resources/js/api/types';
import { JobWatch } from '../../resources/js/job/JobWatch';
import { usePresence } from '../../resources/js/job/presence';

/* How a window asks whether anything is new: the whole question now and then, the quick one between. */

const OLA = { name: 'Ola', window: 'of Ola', picked: null };
const QUERY = '?until=1&key=k';
const whole = (revision: number) => ({ revision, step: revision, live: QUERY, others: [OLA] });
const quick = (revision: number, present = 'one') => ({ revision, step: revision, present });
const told = (revision: number) => ({ change: true, revision }) as JobChange;

beforeEach(() => {
  vi.useFakeTimers();
  vi.spyOn(api, 'presence').mockResolvedValue(whole(3));
  vi.spyOn(api, 'revision').mockResolvedValue({ revision: 3, step: 3, live: QUERY });
  vi.spyOn(api, 'live').mockResolvedValue(quick(3));
  vi.spyOn(api, 'liveNews').mockResolvedValue(null);
  vi.spyOn(api, 'news').mockResolvedValue(told(9));
});
afterEach(() => {
  vi.useRealTimers();
  vi.restoreAllMocks();
});

const asked = () => [vi.mocked(api.presence).mock.calls.length, vi.mocked(api.live).mock.calls.length];

test('asks the whole question first and each twenty seconds, the quick one between', async () => {
  const watch = new JobWatch(7);
  for (let second = 0; second < 41; second++) {
    await watch.ask(null, true);
    vi.advanceTimersByTime(1000);
  }
  expect(asked()).toEqual([3, 38]);
  expect(vi.mocked(api.live).mock.lastCall).toEqual([7, QUERY]);
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

test('who has no name asks the whole question only for a new query, whoever else comes', async () => {
  const watch = new JobWatch(7);
  for (let second = 0; second < 62; second += 2) {
    vi.mocked(api.live).mockResolvedValue(quick(3, `${second}`));
    await watch.ask({ list: 'runs', id: 'feed' }, false);
    vi.advanceTimersByTime(2000);
  }
  expect(vi.mocked(api.revision).mock.calls.length).toBe(3);
  expect(asked()).toEqual([0, 28]);
});

test('who only looks reads what another was told, and else asks, as who edits does', async () => {
  const watch = new JobWatch(7);
  await watch.ask(null, true);
  expect(await watch.news(1, true)).toEqual(told(9));
  expect(vi.mocked(api.liveNews).mock.calls).toEqual([[7, 1, QUERY]]);
  vi.mocked(api.liveNews).mockResolvedValue(told(2));
  expect(await watch.news(1, true)).toEqual(told(2));
  expect(await watch.news(1, false)).toEqual(told(9));
  expect(vi.mocked(api.liveNews)).toHaveBeenCalledTimes(2);
  vi.mocked(api.presence).mockResolvedValue({ ...whole(3), live: null });
  const alone = new JobWatch(7);
  await alone.ask(null, true);
  expect(await alone.news(1, true)).toEqual(told(9));
});

test('says when nothing answers at all', async () => {
  vi.mocked(api.presence).mockRejectedValue(new Error('away'));
  await expect(new JobWatch(7).ask(null, true)).rejects.toThrow('away');
});
