import { lazy, Suspense, useEffect, useState } from 'react';
import { useWorkbench } from '../job/store';

const AllDialogs = lazy(async () => ({ default: (await import('./AllDialogs')).AllDialogs }));

/** Loads the dialogs when the first of them is opened. */
export function Dialogs() {
  const isAsked = useWorkbench(({ panel, clash }) => panel !== null || clash !== null);
  const [isLoaded, setLoaded] = useState(false);
  useEffect(() => {
    if (isAsked) {
      setLoaded(true);
    }
  }, [isAsked]);
  return isLoaded ? (
    <Suspense fallback={null}>
      <AllDialogs />
    </Suspense>
  ) : null;
}
