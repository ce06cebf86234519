import { useQuery } from '@tanstack/react-query';
import { api } from '../api/client';
import type { Edit, Finding, SolvedRun } from '../api/types';
import { tell } from '../job/tell';
import { useJob } from '../job/useJob';
import { Button } from '../ui/Button';

/** Where clamps would go on a run that is supported too seldom, and the button that puts them there. */
export function SupportClamps({ run, finding }: { run: SolvedRun; finding: Finding }) {
  const [from] = finding.span;
  const { state, edit, item } = useJob();
  const { data, error } = useQuery({
    queryKey: ['supports', state.id, state.revision, run.id, from],
    queryFn: () => api.supports(state.id, run.id, from),
    retry: false,
  });
  if (data === undefined) {
    return (
      <div className="quiet" role="status">
        {error === null ? 'Looking for places for clamps…' : error.message}
      </div>
    );
  }
  const clamps = data.places.length === 1 ? 'a clamp' : `${data.places.length} clamps`;
  return (
    <>
      <ul className="list-unstyled quiet mb-1" aria-label="Where clamps would go">
        {data.places.map((place) => (
          <li key={place}>{place}</li>
        ))}
      </ul>
      <div className="remedies">
        <Button
          look="primary"
          onClick={() =>
            tell(edit(data.edits as Edit[], undefined, `Put ${clamps} on ${item('runs', run.id)?.name ?? run.id}`))
          }
        >
          Put {clamps} there
        </Button>
      </div>
    </>
  );
}
