import type { Run, SolvedRun, SolvedSpool } from '../api/types';
import { lengthEven } from '../job/format';
import { useWorkbench } from '../job/store';

/** The vertices in space of a run, or of one spool of it. */
export function VertexTable({ run, solved, spool }: { run: Run; solved: SolvedRun; spool?: SolvedSpool }) {
  const { picked, pick } = useWorkbench();
  const part = picked?.part ?? null;
  const chosen = part !== null && 'leg' in part ? part.leg : null;
  const legOfBend = (bend: number) => solved.legs.find((leg) => leg.bend === bend);
  const bendAt = (vertex: number) =>
    spool === undefined
      ? (solved.legs.find((leg) => leg.vertex === vertex)?.bend ?? null)
      : vertex > 0 && vertex <= spool.bends.length
        ? spool.first_bend + vertex - 1
        : null;
  /** The leg of the run that ends at a vertex; none at the ends of a spool. */
  const legAt = (vertex: number) => {
    const bend = bendAt(vertex);
    return spool === undefined ? vertex : bend === null ? 0 : (legOfBend(bend)?.vertex ?? 0);
  };
  const radius = (vertex: number) => {
    const bend = bendAt(vertex);
    return bend === null ? '' : lengthEven(solved.bends[bend]?.radius ?? 0);
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
        {(spool ?? solved).vertices.map((vertex, index) => (
          <tr
            // biome-ignore lint/suspicious/noArrayIndexKey: a vertex is its number
            key={index}
            className={chosen === legAt(index) && legAt(index) > 0 ? 'picked' : undefined}
            onClick={() => legAt(index) > 0 && pick('runs', run.id, { leg: legAt(index) })}
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
