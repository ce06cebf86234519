import { useWorkbench } from './store';

/** Does something that may be refused, and says so where no field can. */
export function tell(doing: Promise<unknown>): void {
  const { setNotice } = useWorkbench.getState();
  doing.then(
    () => setNotice(null),
    (error: unknown) => setNotice(error instanceof Error ? error.message : 'This did not work.'),
  );
}
