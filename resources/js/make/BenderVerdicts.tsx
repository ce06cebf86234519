import { useQuery } from '@tanstack/react-query';
import { api } from '../api/client';
import type { Benders, Run, SolvedRun } from '../api/types';
import { Mark } from '../job/Mark';
import { useWorkbench } from '../job/store';
import { useJob } from '../job/useJob';

/** Which benders can bend the run, from which end, and what prevents the others. */
export function BenderVerdicts({ run, solved }: { run: Run; solved: SolvedRun }) {
  const { state } = useJob();
  const benders = useQuery({
    queryKey: ['benders', state.id, run.id, state.revision],
    queryFn: () => api.benders(state.id, run.id),
    placeholderData: (before) => before,
  });
  if (benders.isError) {
    return <p className="text-danger">{benders.error.message}</p>;
  }
  if (benders.data === undefined) {
    return <p className="quiet">Asking the benders…</p>;
  }
  const bent = solved.legs.filter((leg) => leg.bend !== null && leg.elbow === null).length;
  return (
    <ul className="benders">
      {benders.data.map((bender) => (
        <Verdict key={bender.id} bender={bender} run={run} bends={bent} />
      ))}
    </ul>
  );
}

function Verdict({ bender, run, bends }: { bender: Benders[number]; run: Run; bends: number }) {
  const pick = useWorkbench((store) => store.pick);
  const words = bends === 0 ? 'nothing to bend' : bender.from_other_end ? 'start from the other end' : 'can bend it';
  return (
    <li>
      <div className="verdict">
        <Mark status={bender.can ? (bender.from_other_end ? 'warning' : 'good') : 'violation'} />
        <strong>{bender.name}</strong>
        <span className="mono">{bender.can ? words : 'cannot bend it'}</span>
      </div>
      {bender.obstacles.map(({ bend, message, fix }) => (
        <div key={message} className="obstacle">
          {bend === null ? (
            message
          ) : (
            <button type="button" onClick={() => pick('runs', run.id, { bend })}>
              {message}
            </button>
          )}{' '}
          {fix}
        </div>
      ))}
    </li>
  );
}
