import { queryOptions, useQuery, useQueryClient } from '@tanstack/react-query';
import { api } from '../api/client';
import type { Run } from '../api/types';
import { NumberField } from '../job/NumberField';
import { plainNumber } from '../job/plainNumber';
import { useJob } from '../job/useJob';
import { Row } from '../ui/Section';

interface Props {
  /** Chord tolerance of saved triangles, mm. */
  chord: number;
  onChange: (chord: number) => void;
  /** Its triangles are counted; those of no run without it. */
  run?: Run;
  /** Mark of the spool; the whole run without it. */
  spool?: string;
}

/** How far the triangles of saved bodies may stand off the true surface, and how many that makes of a run. */
export function Fineness({ chord, onChange, run, spool }: Props) {
  const client = useQueryClient();
  const countOf = useTriangleCount(spool);
  const change = async (typed: number | string) => {
    const next = plainNumber(typed);
    if (run !== undefined) {
      // What is too fine, too coarse or too many is refused here, and the field keeps what was typed.
      await client.fetchQuery(countOf(run, next));
    }
    onChange(next);
  };
  return (
    <>
      <Row label="Triangles stand off by">
        <NumberField label="Triangles stand off by" value={chord} onChange={change} />
      </Row>
      {run !== undefined && <Count chord={chord} run={run} spool={spool} />}
    </>
  );
}

/** Returns the query for the triangles of a run at a chord tolerance, or of one spool of it. */
function useTriangleCount(spool: string | undefined) {
  const { state } = useJob();
  return (run: Run, chord: number) =>
    queryOptions({
      queryKey: ['triangles', state.id, run.id, spool, chord, state.revision],
      queryFn: () => api.triangleCount(state.id, run.id, chord, spool),
      // Another revision of the job is another question.
      staleTime: Number.POSITIVE_INFINITY,
      retry: false,
    });
}

function Count({ chord, run, spool }: { chord: number; run: Run; spool: string | undefined }) {
  const countOf = useTriangleCount(spool);
  const count = useQuery({
    ...countOf(run, chord),
    placeholderData: (before, query) => (query?.queryKey[2] === run.id ? before : undefined),
  });
  if (count.isError) {
    return <p className="text-danger">{count.error.message}</p>;
  }
  return (
    <Row label="Triangles">
      <span className="figure">{count.data?.triangles.toLocaleString('en-GB') ?? '…'}</span>
    </Row>
  );
}
