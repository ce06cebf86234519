import { lengthWithUnit } from '../../job/format';
import { useLaying } from '../../job/laying';
import { useJob } from '../../job/useJob';
import { runRows } from '../runRows';

/** The tag by the pointer while laying: direction, leg, length so far, tightest radius, limit. */
export function LayingTag() {
  const { start, aim, typed, held, answer, ways, run, refused } = useLaying();
  const { item } = useJob();
  if (start === null || (aim === null && held === null && typed === '' && ways === null && refused === null)) {
    return null;
  }
  const way = ways?.list[ways.shown];
  const solved = way?.solution ?? answer?.solutions[0];
  const heldBy = answer?.held ?? null;
  const place = aim?.hand ?? { x: 12, y: 104 };
  return (
    <div className="hover-tag laying-tag" role="status" style={{ left: place.x, top: place.y }}>
      {ways !== null && typed === '' ? (
        <>
          <div className="what">Finish at {ways.name}</div>
          <div>{waysWords(ways.list.length, ways.shown, way?.bends)}</div>
        </>
      ) : (
        <>
          <div className="what row-of-tag">
            <span>{aim?.track?.name ?? held?.track.name ?? 'in the open'}</span>
            <span className={`mono${typed === '' ? '' : ' typed'}`}>
              {typed !== ''
                ? `${typed}▏`
                : aim === null
                  ? ''
                  : lengthWithUnit(answer !== null && heldBy !== null ? answer.amount : aim.length)}
            </span>
          </div>
          {aim !== null && aim.caught !== null && (
            <div>
              {aim.level ? 'level with' : 'at'} {aim.caught.name}
            </div>
          )}
        </>
      )}
      {runRows(run === null ? undefined : item('runs', run), solved).map(([what, amount]) => (
        <div key={what} className="row-of-tag">
          <span>{what}</span>
          <span className="mono">{amount}</span>
        </div>
      ))}
      {heldBy !== null && ways === null && typed === '' && <div className="held">held: {heldBy}. Alt goes past.</div>}
      {heldBy === null && ways === null && solved?.findings[0] !== undefined && (
        <div className="held">{solved.findings[0].title}</div>
      )}
      {refused !== null && <div className="held">{refused}</div>}
    </div>
  );
}

function waysWords(count: number, shown: number, bends: number | undefined): string {
  if (shown < 0) {
    return 'looking for a way in…';
  }
  if (count === 0) {
    return 'no way in with three corners; lay a leg nearer';
  }
  const words = `way ${shown + 1} of ${count} · ${bends} bend${bends === 1 ? '' : 's'} in all`;
  return count > 1 ? `${words} · Space: next` : words;
}
