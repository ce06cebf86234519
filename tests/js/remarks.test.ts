import { describe, expect, test } from 'vitest';
import type { SolvedRun } from '../../resources/js/api/types';
import { partWords, remarkPart, remarkPlace } from '../../resources/js/job/useRemarks';

/** Up 200, along x 300, along y 250, with bends at the two corners between. */
const RUN = {
  vertices: [
    [0, 0, 50],
    [0, 0, 250],
    [300, 0, 250],
    [300, 250, 250],
  ],
  legs: [
    { vertex: 1, bend: 0 },
    { vertex: 2, bend: 1 },
    { vertex: 3, bend: null },
  ],
} as unknown as SolvedRun;

describe('a remark', () => {
  test.each([
    [{ bend: 0 }, 'bend 1'],
    [{ leg: 2 }, 'leg 2'],
    [null, undefined],
  ])('on %j is kept in words, and read back', (part, words) => {
    expect(partWords(part)).toBe(words);
    expect(remarkPart({ part: words ?? null })).toEqual(part);
  });

  test.each([
    ['bend 2', [300, 0, 250]],
    ['leg 3', [300, 125, 250]],
    // The run as a whole: the middle of its middle leg.
    [null, [150, 0, 250]],
    ['bend 9', null],
  ])('on %s is pinned where that is', (part, at) => {
    expect(remarkPlace(RUN, { part })).toEqual(at);
  });
});
