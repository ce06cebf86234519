import { useQuery } from '@tanstack/react-query';
import { api } from '../api/client';
import type { Remark, SolvedRun } from '../api/types';
import type { Part } from './store';
import { useJob } from './useJob';

/** The remarks on a job, asked again whenever one has changed here. */
export function useRemarks() {
  const { state } = useJob();
  return useQuery({ queryKey: ['remarks', state.id], queryFn: () => api.remarks(state.id) });
}

/** "bend 2" of a picked part, numbers from 1 as they are shown. */
export const partWords = (part: Part): string | undefined =>
  part === null ? undefined : 'bend' in part ? `bend ${part.bend + 1}` : `leg ${part.leg}`;

/** The part that a remark is about; null of the whole. */
export function remarkPart({ part }: Pick<Remark, 'part'>): Part {
  const [, kind, number] = /^(bend|leg) (\d+)$/.exec(part ?? '') ?? [];
  return kind === 'bend' ? { bend: Number(number) - 1 } : kind === 'leg' ? { leg: Number(number) } : null;
}

type Place = [number, number, number];

/** Where a remark on a run is pinned: at the corner of its bend, in the middle of its leg, or of the run. */
export function remarkPlace(run: SolvedRun, remark: Pick<Remark, 'part'>): Place | null {
  const part = remarkPart(remark);
  const corner = (index: number | undefined) =>
    index === undefined ? null : ((run.vertices[index] as Place | undefined) ?? null);
  if (part !== null && 'bend' in part) {
    return corner(run.legs.find(({ bend }) => bend === part.bend)?.vertex);
  }
  const leg = part?.leg ?? Math.max(1, Math.ceil((run.vertices.length - 1) / 2));
  const [one, other] = [corner(leg - 1), corner(leg)];
  return one === null || other === null
    ? one
    : [(one[0] + other[0]) / 2, (one[1] + other[1]) / 2, (one[2] + other[2]) / 2];
}
