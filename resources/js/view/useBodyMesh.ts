import { api } from '../api/client';
import { blocksOf, channelsIn } from '../job/blocks';
import { isRounded } from '../job/rounded';
import { useJob } from '../job/useJob';
import { useWorked } from '../job/useWorked';
import { useShown } from './shown';

/** Chords of a body until a finer one has come, and of that, mm. */
const COARSE = 2;
const FINE = 0.4;

export interface JoinedItem {
  id: string;
  name: string;

  /** Whether it is seen through, so that channels are seen in it. */
  seenThrough: boolean;
}

/** The bodies of several runs that are rounded, and the blocks that channels are taken out of, that are shown. */
export function useDrawnBodies(): JoinedItem[] {
  const { state, items } = useJob();
  const isShown = useShown();
  const isMade = (id: string) => state.bodies.find((one) => one.id === id)?.fault === null;
  const bodies = (state.job.bodies ?? [])
    .filter((body) => isRounded(body) && body.runs.every((run) => isShown('runs', run)))
    .map(({ id, name }) => ({ id, name: name ?? id, seenThrough: false }));
  const blocks = blocksOf(items('fittings'), items('surroundings'))
    .filter(({ list, id }) => isShown(list, id) && channelsIn(id, items('runs')).length > 0)
    .map(({ id, name }) => ({ id, name, seenThrough: true }));
  return [...bodies, ...blocks].filter(({ id }) => isMade(id));
}

export const useCoarseMesh = (id: string) => useMesh(id, COARSE);

export const useFineMesh = (id: string) => useMesh(id, FINE);

function useMesh(id: string, chord: number) {
  const { state } = useJob();
  return useWorked(
    ['joined', state.id, id, state.revision, chord],
    () => api.joinedMesh(state.id, id, chord),
    // What it was, until it is found anew.
    { keep: true },
  );
}
