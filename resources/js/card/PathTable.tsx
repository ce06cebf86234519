import { CornerDownRight, Trash2 } from 'lucide-react';
import type { Run, SolvedRun } from '../api/types';
import { IconButton } from '../ui/IconButton';
import { useWorkbench } from '../workbench/store';
import { tell } from '../workbench/tell';
import { useJob } from '../workbench/useJob';
import { PathRow } from './PathRow';

/** A row a leg: direction, corner to corner, straight between tangent points, radius at its end. */
export function PathTable({ run, solved }: { run: Run; solved: SolvedRun }) {
  const { lay } = useJob();
  const { picked, pick } = useWorkbench();
  const part = picked?.list === 'runs' && picked.id === run.id ? picked.part : null;
  const leg = part !== null && 'leg' in part ? part.leg : null;
  const bendVertex =
    part !== null && 'bend' in part ? (solved.legs.find((row) => row.bend === part.bend)?.vertex ?? null) : null;
  const chosen = leg ?? bendVertex;
  const chosenLeg = solved.legs.find((row) => row.vertex === chosen);

  return (
    <>
      <table className="table-plain path-table">
        <thead>
          <tr>
            <th scope="col">Leg</th>
            <th scope="col">Along</th>
            <th scope="col">Corners</th>
            <th scope="col">Straight</th>
            <th scope="col">R</th>
          </tr>
        </thead>
        <tbody>
          {solved.legs.map((row) => (
            <PathRow
              key={row.vertex}
              run={run}
              solved={solved}
              leg={row}
              picked={row.vertex === chosen}
              onPick={() => pick('runs', run.id, { leg: row.vertex })}
            />
          ))}
        </tbody>
      </table>
      <div className="d-flex align-items-center gap-1 mt-1">
        <span className="quiet flex-grow-1">
          {chosen === null ? 'Pick a leg to put a corner in.' : `Leg ${chosen}`}
        </span>
        <IconButton
          icon={CornerDownRight}
          name="Put a corner into this leg"
          disabled={chosen === null}
          onClick={() => chosen !== null && tell(lay(run.id, { do: 'insert-corner', vertex: chosen }))}
        />
        <IconButton
          icon={Trash2}
          name="Take out the corner at the end of this leg"
          disabled={chosenLeg === undefined || chosenLeg.place !== 'stop'}
          onClick={() => chosen !== null && tell(lay(run.id, { do: 'remove-corner', vertex: chosen }))}
        />
      </div>
    </>
  );
}
