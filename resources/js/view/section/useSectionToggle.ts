import { pieces } from '../../job/layout';
import { useSectionPlane } from '../../job/sectionPlane';
import { isSamePart, useWorkbench } from '../../job/store';
import { useJob } from '../../job/useJob';

/** Begins to look at the picked run in section, in the middle of the picked piece or of the run; or leaves it. */
export function useSectionToggle() {
  const { solution } = useJob();
  const picked = useWorkbench((store) => store.picked);
  const { run, begin, stop } = useSectionPlane();
  return () => {
    if (run !== null) {
      stop();
      return;
    }
    const solved = picked?.list === 'runs' ? solution(picked.id) : undefined;
    if (solved !== undefined) {
      const piece = pieces(solved).find(({ part }) => isSamePart(part, picked?.part ?? null));
      begin(solved.id, Math.round(piece === undefined ? solved.length / 2 : (piece.from + piece.to) / 2));
    }
  };
}
