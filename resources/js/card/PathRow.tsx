import { Link2 } from 'lucide-react';
import type { Leg, Run, SolvedRun } from '../api/types';
import { direction, length, lengthEven, rounded } from '../job/format';
import { NumberField } from '../job/NumberField';
import { isSamePart, useWorkbench } from '../job/store';
import { tell } from '../job/tell';
import { useJob } from '../job/useJob';

const AXES = ['+x', '-x', '+y', '-y', '+z', '-z'] as const;

interface Props {
  run: Run;
  solved: SolvedRun;
  leg: Leg;
  picked: boolean;
  onPick: () => void;
}

/** One leg of a run; its direction, length and radius are edited in place. */
export function PathRow({ run, solved, leg, picked, onPick }: Props) {
  const { lay } = useJob();
  const stop = leg.stop === null ? undefined : run.route.stops?.[leg.stop];
  const isClamp = stop !== undefined && 'clamp' in stop;
  const broken =
    leg.bend !== null &&
    solved.findings.some(
      (finding) =>
        finding.severity === 'violation' &&
        ['bend-radius', 'section-fold', 'elbow-fit'].includes(finding.rule) &&
        finding.subject.kind === 'bend' &&
        finding.subject.index === leg.bend,
    );
  const said = stop !== undefined && 'length' in stop ? stop.length : leg.length;
  const levelWith = stop !== undefined && 'until' in stop && typeof stop.until === 'string' ? stop.until : null;
  const canTurn = leg.place === 'stop' && !isClamp;
  const isTiedWell = solved.corners[leg.vertex]?.ties.every(({ holds }) => holds) ?? true;
  const axis = typeof leg.along === 'string' ? leg.along : 'oblique';

  const { pointed, point } = useWorkbench();
  const isPointed =
    pointed?.run === run.id &&
    (isSamePart(pointed.part, { leg: leg.vertex }) ||
      (leg.bend !== null && isSamePart(pointed.part, { bend: leg.bend })));

  return (
    <tr
      className={`${picked ? 'picked' : ''}${isPointed ? ' pointed' : ''}`}
      onFocus={onPick}
      onClick={onPick}
      onPointerEnter={() => point({ run: run.id, part: { leg: leg.vertex } })}
      onPointerLeave={() => point(null)}
    >
      <td>
        <button type="button" className="row-pick" aria-label={`Pick leg ${leg.vertex}`} onClick={onPick}>
          {leg.vertex}
        </button>
        {(solved.corners[leg.vertex]?.ties.length ?? 0) > 0 && (
          <Link2 size={11} aria-label="tied" className={isTiedWell ? 'tied' : 'tied bad'} />
        )}
      </td>
      <td>
        {canTurn ? (
          <select
            aria-label={`Leg ${leg.vertex}: along`}
            value={axis}
            onChange={(event) => tell(lay(run.id, { do: 'set-leg', vertex: leg.vertex, along: event.target.value }))}
            onKeyDown={(event) => {
              // A letter turns the leg along that axis; the same letter again reverses it.
              const axis = event.key.toLowerCase();
              if (['x', 'y', 'z'].includes(axis)) {
                event.preventDefault();
                tell(
                  lay(run.id, {
                    do: 'set-leg',
                    vertex: leg.vertex,
                    along: leg.along === `+${axis}` ? `-${axis}` : `+${axis}`,
                  }),
                );
              }
            }}
          >
            {AXES.map((name) => (
              <option key={name} value={name}>
                {direction(name)}
              </option>
            ))}
            {axis === 'oblique' && <option value="oblique">oblique</option>}
          </select>
        ) : (
          <span title={leg.place === 'lead' ? 'along the axis of the port' : undefined}>
            {leg.place === 'lead'
              ? 'port'
              : leg.place === 'like'
                ? 'follows'
                : isClamp
                  ? 'clamp'
                  : typeof leg.along === 'string'
                    ? direction(leg.along)
                    : 'oblique'}
          </span>
        )}
      </td>
      <td title={levelWith === null ? undefined : `until level with ${levelWith}`}>
        {leg.place === 'closing' || leg.place === 'like' || isClamp ? (
          lengthEven(leg.length)
        ) : (
          <NumberField
            label={`Leg ${leg.vertex}: length corner to corner`}
            unit=""
            inTable
            value={typeof said === 'string' ? said : rounded(leg.length, 2)}
            onChange={(length) => lay(run.id, { do: 'set-leg', vertex: leg.vertex, length })}
          />
        )}
      </td>
      <td>{lengthEven(leg.straight)}</td>
      <td className={broken ? 'bad' : undefined} title={leg.elbow === null ? undefined : `${leg.elbow} elbow`}>
        {leg.asked_radius === null ? (
          ''
        ) : leg.place === 'stop' ? (
          <NumberField
            label={`Corner ${leg.vertex}: radius`}
            unit=""
            inTable
            value={leg.asked_radius}
            onChange={(radius) => lay(run.id, { do: 'set-corner', vertex: leg.vertex, corner: { radius } })}
          />
        ) : (
          length(leg.asked_radius)
        )}
      </td>
    </tr>
  );
}
