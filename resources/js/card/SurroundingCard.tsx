import type { Surrounding } from '../api/types';
import { useJob } from '../workbench/useJob';
import { CardHead } from './CardHead';
import { PoseFields } from './PoseFields';
import { ShapeFields } from './ShapeFields';

/** Something that stands around. */
export function SurroundingCard({ id }: { id: string }) {
  const { item, put } = useJob();
  const surrounding = item('surroundings', id);
  if (surrounding === undefined) {
    return null;
  }
  const change = (changed: Partial<Surrounding>) => put('surroundings', { ...surrounding, ...changed });
  return (
    <>
      <CardHead list="surroundings" item={surrounding} under="stands around" />
      <PoseFields pose={surrounding.pose} onChange={(pose) => change({ pose })} />
      <ShapeFields title="Shape" shape={surrounding} onChange={change} />
    </>
  );
}
