import { CornerDownRight, Grip, Trash2 } from 'lucide-react';
import { type ClipboardEvent, type KeyboardEvent, useRef, useState } from 'react';
import { api } from '../api/client';
import type { PastedRows, Run, SolvedRun } from '../api/types';
import { usePointing } from '../job/pointing';
import { useWorkbench } from '../job/store';
import { tell } from '../job/tell';
import { useJob } from '../job/useJob';
import { IconButton } from '../ui/IconButton';
import { stepBetweenCells } from '../ui/stepBetweenCells';
import { CornerTies } from './CornerTies';
import { PasteReport } from './PasteReport';
import { PathRow } from './PathRow';
import { RadiusChoices } from './RadiusChoices';

/** A row a leg: direction, length corner to corner, straight between tangent points, radius at its end. */
export function PathTable({ run, solved }: { run: Run; solved: SolvedRun }) {
  const { state, lay, item, items } = useJob();
  const ask = usePointing((store) => store.ask);
  const { picked, pick } = useWorkbench();
  const body = useRef<HTMLTableSectionElement>(null);
  const [pasted, setPasted] = useState<PastedRows | null>(null);
  const part = picked?.list === 'runs' && picked.id === run.id ? picked.part : null;
  const leg = part !== null && 'leg' in part ? part.leg : null;
  const bendVertex =
    part !== null && 'bend' in part ? (solved.legs.find((row) => row.bend === part.bend)?.vertex ?? null) : null;
  const chosen = leg ?? bendVertex;
  // The open end of a run lies on its last corner and has no leg of its own.
  const legs = solved.legs.filter((row) => row.place !== 'closing' || !row.is_empty);
  const chosenLeg = legs.find((row) => row.vertex === chosen);

  const clamps = items('clamps').length;
  const throughClamp = () =>
    ask({
      words: `Through which clamp? Leg ${chosen}`,
      kinds: ['clamp'],
      take: async ({ anchor }) => {
        if (chosen !== null && typeof anchor === 'string') {
          await lay(run.id, { do: 'through-clamp', vertex: chosen, clamp: anchor });
        }
      },
    });

  const insert = () => chosen !== null && tell(lay(run.id, { do: 'insert-corner', vertex: chosen }));
  const remove = () => chosen !== null && tell(lay(run.id, { do: 'remove-corner', vertex: chosen }));

  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key === 'Insert' || event.key === 'Delete') {
      event.preventDefault();
      event.stopPropagation();
      if (event.key === 'Insert') {
        insert();
      } else if (chosenLeg?.place === 'stop') {
        remove();
      }
    } else if (stepBetweenCells(body.current, event)) {
      event.preventDefault();
      event.stopPropagation();
    }
  };
  const onPaste = (event: ClipboardEvent) => {
    const text = event.clipboardData.getData('text/plain');
    if (/[\t\n;]/.test(text.trim())) {
      event.preventDefault();
      tell(api.pasted(state.id, text).then(setPasted));
    }
  };

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
        <tbody ref={body} onKeyDown={onKeyDown} onPaste={onPaste}>
          {legs.map((row) => (
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
          icon={Grip}
          name="Put this leg through a clamp: point at the clamp"
          disabled={chosen === null || clamps === 0}
          onClick={throughClamp}
        />
        <IconButton
          icon={CornerDownRight}
          name="Put a corner into this leg"
          disabled={chosen === null}
          onClick={insert}
        />
        <IconButton
          icon={Trash2}
          name="Take out the corner at the end of this leg"
          disabled={chosenLeg === undefined || chosenLeg.place !== 'stop'}
          onClick={remove}
        />
      </div>
      {chosen !== null && <CornerTies run={run} solved={solved} vertex={chosen} />}
      {chosenLeg?.place === 'stop' && chosenLeg.bend !== null && (
        <RadiusChoices run={run.id} solved={solved} stock={item('stock', run.stock)} vertex={chosenLeg.vertex} />
      )}
      {pasted !== null && (
        <PasteReport
          rows={pasted}
          before={chosenLeg}
          onPut={(vertex) => {
            setPasted(null);
            tell(lay(run.id, { do: 'put-corners', vertex, stops: pasted.stops }));
          }}
          onClose={() => setPasted(null)}
        />
      )}
    </>
  );
}
