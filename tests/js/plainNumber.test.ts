import { expect, test } from 'vitest';
import { plainNumber } from '../../resources/js/job/plainNumber';

test('takes numbers, and refuses what only a job can work out', () => {
  for (const number of [0, -4.5, 1e6]) {
    expect(plainNumber(number)).toBe(number);
  }
  for (const expression of ['=riser', '= 2 * gap', '12']) {
    expect(() => plainNumber(expression)).toThrow('Type a number here');
  }
});
