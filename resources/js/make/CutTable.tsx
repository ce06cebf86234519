import type { CutPart } from '../api/types';
import { lengthEven, showEven } from '../job/format';
import { units } from '../job/units';

/** What a run with elbows or tees is made of, in order, with the lengths to cut. */
export function CutTable({ parts, pipe }: { parts: readonly CutPart[]; pipe: number }) {
  return (
    <table className="table-plain">
      <thead>
        <tr>
          <th scope="col">Piece</th>
          <th scope="col" className="text-start">
            What
          </th>
          <th scope="col">Cut to</th>
        </tr>
      </thead>
      <tbody>
        {parts.map((part, index) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a piece is its number
          <tr key={index}>
            <td>{index + 1}</td>
            <td className="text-start">
              {part.words}
              {part.bends.map((bend) => (
                <div key={bend.mark} className="quiet">
                  bent {showEven(bend.angle)}° R{lengthEven(bend.radius)} at {lengthEven(bend.mark)}
                </div>
              ))}
            </td>
            <td>{part.length === null ? '' : lengthEven(part.length)}</td>
          </tr>
        ))}
      </tbody>
      <tfoot>
        <tr>
          <td colSpan={2} className="text-start">
            <strong>Pipe in all</strong>
          </td>
          <td>
            <strong>
              {lengthEven(pipe)} {units().word}
            </strong>
          </td>
        </tr>
      </tfoot>
    </table>
  );
}
