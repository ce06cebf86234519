import { useRouteError } from 'react-router';
import { Button } from '../ui/Button';
import { FullState } from '../ui/FullState';

/** What stands in place of a page that failed to draw: nothing of the job is lost, as every edit is kept at once. */
export function Broken() {
  const error = useRouteError();
  return (
    <FullState title="This page has failed">
      <p>Everything up to your last edit is kept. Load the page again to go on.</p>
      <p className="quiet">{error instanceof Error ? error.message : String(error)}</p>
      <Button onClick={() => window.location.reload()}>Load it again</Button>
    </FullState>
  );
}
