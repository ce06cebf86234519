import type { Fitting, Run, Surrounding } from '../api/types';

/** A fitting or a surrounding that channels are or can be taken out of. */
export interface BlockItem {
  list: 'fittings' | 'surroundings';
  id: string;
  name: string;
}

/** Returns what channels can be taken out of: things of one body. */
export function blocksOf(fittings: readonly Fitting[], surroundings: readonly Surrounding[]): BlockItem[] {
  return [
    ...fittings
      .filter(({ body, part }) => body !== undefined && part === undefined)
      .map(({ id, name }) => ({ list: 'fittings' as const, id, name: name ?? id })),
    ...surroundings.map(({ id, name }) => ({ list: 'surroundings' as const, id, name: name ?? id })),
  ];
}

/** Returns the channels that are taken out of a block. */
export const channelsIn = (block: string, runs: readonly Run[]): Run[] => runs.filter(({ body }) => body?.in === block);
