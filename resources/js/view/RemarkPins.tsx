import { useWorkbench } from '../job/store';
import { useJob } from '../job/useJob';
import { remarkPart, remarkPlace, useRemarks } from '../job/useRemarks';
import { Pinned } from './Pinned';

/** Remarks that are not settled, pinned to what they are about. */
export function RemarkPins() {
  const { places, solution } = useJob();
  const pick = useWorkbench((store) => store.pick);
  const { data } = useRemarks();
  return (data?.remarks ?? []).map((remark) => {
    const run = remark.list === 'runs' ? solution(remark.item) : undefined;
    const at =
      remark.resolved_at !== null
        ? null
        : (remark.at ??
          (run === undefined
            ? places.find(({ list, id }) => list === remark.list && id === remark.item)?.pose.at
            : remarkPlace(run, remark)));
    return at == null ? null : (
      <Pinned key={remark.id} at={at as [number, number, number]} rank={4}>
        <button
          type="button"
          className="remark-pin"
          title={`${remark.by}: ${remark.words}`}
          onClick={() => pick(remark.list, remark.item, remarkPart(remark))}
        >
          !<span className="visually-hidden"> Remark: {remark.words}</span>
        </button>
      </Pinned>
    );
  });
}
