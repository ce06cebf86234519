import { useQuery } from '@tanstack/react-query';
import { api, files } from '../api/client';
import type { Drillings } from '../api/types';
import { lengthEven, lengthWithUnit, showEven } from '../job/format';
import { useWorkbench } from '../job/store';
import { useJob } from '../job/useJob';
import { Button } from '../ui/Button';
import { Takeaway } from './Takeaway';

/** What is drilled into a block, by which face, where, at which angle and how deep; and what is hard to print. */
export function DrillingTable({ block }: { block: string }) {
  const { state } = useJob();
  const { data, isError, error } = useQuery({
    queryKey: ['drillings', state.id, block, state.revision],
    queryFn: () => api.drillings(state.id, block),
    retry: false,
  });
  if (isError) {
    return <p className="text-danger">{error.message}</p>;
  }
  if (data === undefined) {
    return <p className="quiet">Looking for what can be drilled…</p>;
  }
  return (
    <>
      <Roofs roofs={data.roofs} />
      {data.drillings.length === 0 ? (
        <p className="quiet">Nothing of it can be drilled: its channels bend.</p>
      ) : (
        <Table data={data} block={block} />
      )}
    </>
  );
}

/** What is hard to print in it, as it stands. */
function Roofs({ roofs }: { roofs: Drillings['roofs'] }) {
  const flat = roofs.filter(({ span }) => span > 0);
  return (
    <div role="status" aria-label="Roofs in its channels">
      <span className="quiet">Printed as it stands</span>
      {flat.length === 0 ? (
        <p className="mb-1">No roof in it is flatter than 45°.</p>
      ) : (
        flat.map(({ run, name, slope, span, length: over }) => (
          <p key={run} className="mb-1">
            {name}: a roof {showEven(slope)}° from level, {lengthWithUnit(span)} wide, over {lengthWithUnit(over)}.
          </p>
        ))
      )}
    </div>
  );
}

function Table({ data, block }: { data: Drillings; block: string }) {
  const { state } = useJob();
  const pick = useWorkbench((store) => store.pick);
  return (
    <>
      <div className="d-flex justify-content-between align-items-center">
        <span className="quiet">Drillings</span>
        <Takeaway path={files.drillings(state.id, block)} label="list of drillings" />
      </div>
      <table className="table-plain" aria-label="Drillings">
        <thead>
          <tr>
            <th scope="col" className="text-start">
              From
            </th>
            <th scope="col">Right, up</th>
            <th scope="col">Slant</th>
            <th scope="col">ø</th>
            <th scope="col">Deep</th>
          </tr>
        </thead>
        <tbody>
          {data.drillings.map((one) => (
            <tr key={one.run}>
              <td className="text-start">
                <Button look="link" onClick={() => pick('runs', one.run)}>
                  {one.name}
                </Button>
                <div className="quiet">
                  {one.face}
                  {one.through ? ', through' : ''}
                  {one.plug ? ', plugged' : ''}
                </div>
              </td>
              <td className="text-nowrap">
                {lengthEven(one.right)}, {lengthEven(one.up)}
              </td>
              <td>{showEven(one.angle)}°</td>
              <td>{lengthEven(one.diameter)}</td>
              <td>{lengthEven(one.depth)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="quiet">
        Right and up from the corner of the face, as it is looked at.
        {data.others.length > 0 && ` Not drilled, as they bend: ${data.others.join(', ')}.`}
      </p>
    </>
  );
}
