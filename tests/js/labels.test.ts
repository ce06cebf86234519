import { describe, expect, test } from 'vitest';
import { placeLabels } from '../../resources/js/strip/labels';

/* A letter is 7 px wide; labels keep 6 px between them, and may reach 6 px beyond the edges. */

const at = (middle: number, ...texts: string[]) => ({ from: middle - 5, to: middle + 5, texts });

describe('labels along the strip', () => {
  test('stand in the middle of their pieces where there is room', () => {
    expect(placeLabels([at(100, 'abcd'), at(300, 'ef')], 0, 400)).toEqual([
      { text: 'abcd', at: 100 },
      { text: 'ef', at: 300 },
    ]);
  });

  test('stay within the edges, and what follows makes room for where they are then', () => {
    // Ten letters are 70 wide: the first reaches from −6 to 64, though its piece is at 10; 70 is free.
    expect(placeLabels([at(10, 'abcdefghij'), at(73, 'c'), at(74, 'd')], 0, 400)).toEqual([
      { text: 'abcdefghij', at: 29 },
      null,
      { text: 'd', at: 74 },
    ]);
    expect(placeLabels([at(395, 'abcdefghij')], 0, 400)).toEqual([{ text: 'abcdefghij', at: 371 }]);
  });

  test.each([
    [48, 'full'],
    [47.9, '2'],
    [37.5, '2'],
    [37.4, undefined],
  ])('a second one at %d beside one from 0 to 28', (middle, text) => {
    // 28 and the gap of 6 are taken: four letters need 14 before their middle, one needs 3.5.
    expect(placeLabels([at(14, 'abcd'), at(middle, 'full', '2')], 0, 400)[1]?.text).toBe(text);
  });

  test('are short where the next would not have room for its own', () => {
    // At 100 four letters end at 114, and the gap at 120; one letter at 123 begins at 119.5, at 124 at 120.5.
    // With the one alone 109.5 is free, half a pixel too far for four at 123.
    expect(placeLabels([at(100, 'full', '1'), at(123, 'full', '2')], 0, 400).map((one) => one?.text)).toEqual([
      '1',
      '2',
    ]);
    expect(placeLabels([at(100, 'full', '1'), at(124, 'full', '2')], 0, 400).map((one) => one?.text)).toEqual([
      'full',
      '2',
    ]);
    // What lies between and says nothing does not count.
    expect(placeLabels([at(100, 'full', '1'), at(110), at(123, '2')], 0, 400)[0]?.text).toBe('1');
  });

  test('of what is out of sight are left out, and of what is half in sight stand there', () => {
    expect(
      placeLabels(
        [
          { from: -90, to: -1, texts: ['a'] },
          { from: -100, to: 60, texts: ['b'] },
          { from: 300, to: 900, texts: ['c'] },
          { from: 401, to: 500, texts: ['d'] },
        ],
        0,
        400,
      ),
    ).toEqual([null, { text: 'b', at: 30 }, { text: 'c', at: 350 }, null]);
  });

  test('are none where there is nothing to say', () => {
    expect(placeLabels([at(100), at(200)], 0, 400)).toEqual([null, null]);
  });
});
