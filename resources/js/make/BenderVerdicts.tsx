import { useQuery } from '@tanstack/react-query';
import { api } from '../api/client';
import type { Benders, Run, SolvedRun, SolvedSpool } from '../api/types';
import { Mark } from '../job/Mark';
import { useWorkbench } from '../job/store';
import { useJob } from '../job/useJob';

/** Which benders can bend the run, or one spool of it, from which end, and what prevents the others. */
export function BenderVerdicts({ run, solved, spool }: { run: Run; solved: SolvedRun; spool?: SolvedSpool }) {
  const { state } = useJob();
  const benders = useQuery({
    queryKey: ['benders', state.id, run.id, state.revision, spool?.mark],
    queryFn: () => api.benders(state.id, run.id, spool?.mark),
    placeholderData: (before) => before,
  });
  if (benders.isError) {
    return <p className="text-danger">{benders.error.message}</p>;
  }
  if (benders.data === undefined) {
    return <p className="quiet">Asking the benders…</p>;
  }
  const first = spool?.first_bend ?? 0;
  const behind = first + (spool ?? solved).bends.length;
  const bent = solved.legs.filter(
    ({ bend, elbow }) => bend !== null && bend >= first && bend < behind && elbow === null,
  ).length;
  const otherEnd =
    spool === undefined && solved.spools.length > 0 ? 'a spool from the other end' : 'start from the other end';
  return (
    <ul className="benders">
      {benders.data.map((bender) => (
        <Verdict key={bender.id} bender={bender} run={run} first={first} bends={bent} otherEnd={otherEnd} />
      ))}
    </ul>
  );
}

type Judged = {
  bender: Benders[number];
  run: Run;
  /** Number in the run of the first bend judged, and how many are bent. */
  first: number;
  bends: number;
  /** Words for a tube that is put in the other way. */
  otherEnd: string;
};

function Verdict({ bender, run, first, bends, otherEnd }: Judged) {
  const pick = useWorkbench((store) => store.pick);
  const words = bends === 0 ? 'nothing to bend' : bender.from_other_end ? otherEnd : 'can bend it';
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
            <button type="button" onClick={() => pick('runs', run.id, { bend: first + bend })}>
              {message}
            </button>
          )}{' '}
          {fix}
        </div>
      ))}
    </li>
  );
}
