// @vitest-environment jsdom
import { expect, it, vi } from 'vitest';
import { followTrying } from '../../resources/js/job/follow';
import { useHover } from '../../resources/js/job/hover';

const tag = { title: 'Along +Z', rows: [], x: 0, y: 0 };

it('leaves no tag behind when the last answer comes after the hand has let go', async () => {
  let answered = () => {};
  const answer = new Promise<void>((resolve) => {
    answered = resolve;
  });
  const keep = vi.fn(() => null);
  followTrying({
    move: () => useHover.getState().setHover(tag),
    asking: {
      settled: async () => {
        await answer;
        useHover.getState().setHover(tag);
      },
      stop: () => {},
    },
    setTurning: () => {},
    keep,
  });
  window.dispatchEvent(new Event('pointermove'));
  expect(useHover.getState().hover).toEqual(tag);
  window.dispatchEvent(new Event('pointerup'));
  expect(useHover.getState().hover).toBeNull();
  answered();
  await vi.waitFor(() => expect(keep).toHaveBeenCalled());
  expect(useHover.getState().hover).toBeNull();
});

it('lets go at Escape, and keeps nothing', () => {
  const keep = vi.fn(() => null);
  const stop = vi.fn();
  followTrying({ move: () => {}, asking: { settled: async () => {}, stop }, setTurning: () => {}, keep });
  window.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape' }));
  window.dispatchEvent(new Event('pointerup'));
  expect(stop).toHaveBeenCalledOnce();
  expect(keep).not.toHaveBeenCalled();
});
