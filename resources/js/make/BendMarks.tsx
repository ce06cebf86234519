import type { SolvedRun, SolvedSpool } from '../api/types';
import { lengthEven } from '../job/format';

/** The start of each bend on the raw tube, for bending by hand: measured from either cut end. */
export function BendMarks({ of }: { of: SolvedRun | SolvedSpool }) {
  return (
    <table className="table-plain">
      <thead>
        <tr>
          <th scope="col">Bend</th>
          <th scope="col">From the start</th>
          <th scope="col">From the end</th>
        </tr>
      </thead>
      <tbody>
        {of.bends.map((bend, index) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a bend is its number
          <tr key={index}>
            <td>{index + 1}</td>
            <td>{lengthEven(bend.mark)}</td>
            <td>{lengthEven(bend.mark_from_end)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
