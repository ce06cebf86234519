import type { Run, SolvedRun } from '../api/types';
import { lengthEven } from '../job/format';
import { useWorkbench } from '../job/store';

/** The vertices in space. */
export function VertexTable({ run, solved }: { run: Run; solved: SolvedRun }) {
  const { picked, pick } = useWorkbench();
  const part = picked?.part ?? null;
  const chosen = part !== null && 'leg' in part ? part.leg : null;
  const radius = (vertex: number) => {
    const bend = solved.legs.find((leg) => leg.vertex === vertex)?.bend;
    return bend === null || bend === undefined ? '' : lengthEven(solved.bends[bend]?.radius ?? 0);
  };
  return (
    <table className="table-plain">
      <thead>
        <tr>
          <th scope="col">Vertex</th>
          <th scope="col">X</th>
          <th scope="col">Y</th>
          <th scope="col">Z</th>
          <th scope="col">R</th>
        </tr>
      </thead>
      <tbody>
        {solved.vertices.map((vertex, index) => (
          <tr
            // biome-ignore lint/suspicious/noArrayIndexKey: a vertex is its number
            key={index}
            className={chosen === index && index > 0 ? 'picked' : undefined}
            onClick={() => index > 0 && pick('runs', run.id, { leg: index })}
          >
            <td>{index}</td>
            {vertex.map((coordinate, axis) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: x, y, z
              <td key={axis}>{lengthEven(coordinate)}</td>
            ))}
            <td>{radius(index)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
