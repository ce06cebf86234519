import { useWorkbench } from './store';

/** Does something that may be refused, and says so where no field can. */
export function tell(doing: Promise<unknown>): void {
  const { setNotice } = useWorkbench.getState();
  doing.then(
    () => setNotice(null),
    (error: unknown) => setNotice(sentence(error instanceof Error ? error.message : 'This did not work.')),
  );
}

/** Reasons stand behind a pointer elsewhere; by itself one begins like a sentence. */
const sentence = (reason: string) => reason.charAt(0).toUpperCase() + reason.slice(1);
