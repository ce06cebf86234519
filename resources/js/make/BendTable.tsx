import type { Run, SolvedRun, SolvedSpool } from '../api/types';
import { lengthEven, showEven } from '../job/format';
import { useWorkbench } from '../job/store';
import { units } from '../job/units';

interface Props {
  run: Run;
  /** The spool that it is of; the whole run otherwise. */
  table: SolvedSpool | SolvedRun;
}

/** The bend table, in the order of bending. */
export function BendTable({ run, table }: Props) {
  const { picked, pick } = useWorkbench();
  const part = picked?.part ?? null;
  const chosen = part !== null && 'bend' in part ? part.bend : null;
  const first = 'first_bend' in table ? table.first_bend : 0;
  return (
    <table className="table-plain">
      <thead>
        <tr>
          <th scope="col">Bend</th>
          <th scope="col">Straight</th>
          <th scope="col">Rotate</th>
          <th scope="col">Angle</th>
          <th scope="col">Set to</th>
          <th scope="col">R</th>
          <th scope="col">Arc</th>
        </tr>
      </thead>
      <tbody>
        {table.bends.map((bend, index) => (
          <tr
            // biome-ignore lint/suspicious/noArrayIndexKey: a bend is its number
            key={index}
            className={chosen === first + index ? 'picked' : undefined}
            onClick={() => pick('runs', run.id, { bend: first + index })}
          >
            <td>
              <button
                type="button"
                className="row-pick"
                aria-label={`Pick bend ${index + 1}`}
                onClick={() => pick('runs', run.id, { bend: first + index })}
              >
                {index + 1}
              </button>
            </td>
            <td>{lengthEven(bend.straight)}</td>
            <td>{showEven(bend.rotation)}°</td>
            <td>{showEven(bend.angle)}°</td>
            <td>{showEven(bend.set_angle)}°</td>
            <td>{lengthEven(bend.radius)}</td>
            <td>{lengthEven(bend.arc)}</td>
          </tr>
        ))}
        <tr>
          <td>tail</td>
          <td>{lengthEven(table.tail)}</td>
          <td colSpan={5} />
        </tr>
      </tbody>
      <tfoot>
        <tr>
          <td colSpan={5}>Length along the centre line</td>
          <td colSpan={2}>
            {lengthEven(table.length)} {units().word}
          </td>
        </tr>
        <tr>
          <td colSpan={5}>
            <strong>Cut length</strong>
          </td>
          <td colSpan={2}>
            <strong>
              {lengthEven(table.cut_length)} {units().word}
            </strong>
          </td>
        </tr>
      </tfoot>
    </table>
  );
}
