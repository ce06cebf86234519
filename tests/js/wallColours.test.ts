import { describe, expect, it } from 'vitest';
import { colourOf, WALL_COLOURS } from '../../resources/js/view/wallColours';

const hex = (wall: number, least: number, most: number) => `#${colourOf(wall, least, most).getHexString()}`;

describe('the colour of a wall', () => {
  it('is the first for the least, the last for the greatest, and the middle one between', () => {
    expect(hex(2, 2, 10)).toBe(WALL_COLOURS[0]);
    expect(hex(6, 2, 10)).toBe(WALL_COLOURS[2]);
    expect(hex(10, 2, 10)).toBe(WALL_COLOURS[4]);
  });

  it('is the middle one where the wall is even', () => {
    expect(hex(3, 3, 3.0001)).toBe(WALL_COLOURS[2]);
  });

  it('is none of them where no wall is', () => {
    expect(WALL_COLOURS).not.toContain(hex(Number.NaN, 2, 10));
  });
});
