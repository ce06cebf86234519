/** Sizes of paper by their words in the job file, with their names. */
export const PAPERS = [
  ['a4', 'A4'],
  ['a3', 'A3'],
  ['a2', 'A2'],
  ['a1', 'A1'],
  ['a0', 'A0'],
  ['letter', 'letter'],
  ['b', 'ANSI B'],
  ['c', 'ANSI C'],
  ['d', 'ANSI D'],
  ['e', 'ANSI E'],
] as const;
