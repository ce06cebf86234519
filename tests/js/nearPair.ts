import type { SolvedClearance } from '../../resources/js/api/types';

/** A run that is 14 mm off a beam, where 20 are needed. */
export const nearPair = (run: string, name: string, more: Partial<SolvedClearance> = {}): SolvedClearance => ({
  a: { list: 'runs', id: run },
  b: { list: 'surroundings', id: 'beam' },
  distance: 14,
  measured: 14,
  inside: false,
  required: 20,
  why: null,
  at: [
    [0, 0, 0],
    [14, 0, 0],
  ],
  along: [100, null],
  moment: null,
  rule: 'clearance',
  severity: 'warning',
  waived: null,
  title: `${name} is too near to Beam`,
  message: '14 mm are left between them; 20 mm are needed.',
  ...more,
});
