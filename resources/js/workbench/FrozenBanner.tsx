import { Link } from 'react-router';
import { useJob } from '../job/useJob';

/** Says that this is an issued revision, and where the job is that goes on. */
export function FrozenBanner() {
  const { state } = useJob();
  const { frozen } = state;
  if (frozen === null) {
    return null;
  }
  return (
    <p className="frozen-banner" role="status">
      Revision {frozen.name}, issued by {frozen.by}
      {frozen.issued_at !== null &&
        ` on ${new Date(frozen.issued_at).toLocaleDateString('en-GB', { dateStyle: 'medium' })}`}
      : it does not change. <Link to={`/jobs/${frozen.job}/lay`}>Go to the job</Link>
    </p>
  );
}
