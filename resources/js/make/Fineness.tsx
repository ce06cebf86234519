import { useQuery } from '@tanstack/react-query';
import { api } from '../api/client';
import type { Run } from '../api/types';
import { NumberField } from '../job/NumberField';
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
  const { state } = useJob();
  const change = async (typed: number | string) => {
    if (typeof typed === 'string') {
      throw new Error('Type a length here, not a named value.');
    }
    if (run !== undefined) {
      // What is too fine, too coarse or too many is refused here, and the field keeps what was typed.
      await api.triangleCount(state.id, run.id, typed, spool);
    }
    onChange(typed);
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

function Count({ chord, run, spool }: { chord: number; run: Run; spool: string | undefined }) {
  const { state } = useJob();
  const count = useQuery({
    queryKey: ['triangles', state.id, run.id, spool, chord, state.revision],
    queryFn: () => api.triangleCount(state.id, run.id, chord, spool),
    placeholderData: (before, query) => (query?.queryKey[2] === run.id ? before : undefined),
    retry: false,
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
