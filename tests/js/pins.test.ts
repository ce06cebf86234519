import { describe, expect, it } from 'vitest';
import { pinsInWords, pinsOf } from '../../resources/js/card/PinsField';

describe('pins of a connector', () => {
  it.each([
    ['1, 2, PE', ['1', '2', 'PE']],
    ['1-4', ['1', '2', '3', '4']],
    ['9–11;A1 A2', ['9', '10', '11', 'A1', 'A2']],
    ['4-1', ['4-1']],
    ['', []],
  ])('reads %s', (typed, marks) => {
    expect(pinsOf(typed)).toEqual(marks);
  });

  it('refuses two of one mark', () => {
    expect(() => pinsOf('1-3, 2')).toThrow('There are two pins 2.');
  });

  it.each([
    [['1', '2', '3', '4', 'PE'], '1-4, PE'],
    [['1', '2'], '1, 2'],
    [['1', '3', '4', '5', '7'], '1, 3-5, 7'],
    [['A1', 'A2', 'A3'], 'A1, A2, A3'],
    [[], ''],
  ])('writes %j', (marks, words) => {
    expect(pinsInWords(marks)).toBe(words);
    expect(pinsOf(words)).toEqual(marks);
  });
});
