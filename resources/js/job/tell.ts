import { useWorkbench } from './store';

/** Does something that may be refused, and shows the refusal where no field can. */
export function tell(doing: Promise<unknown>): void {
  const { setNotice } = useWorkbench.getState();
  doing.then(
    () => setNotice(null),
    (error: unknown) => setNotice(sentence(error instanceof Error ? error.message : 'This did not work.')),
  );
}

/** Reasons follow a pointer elsewhere; by itself a reason begins with a capital. */
const sentence = (reason: string) => reason.charAt(0).toUpperCase() + reason.slice(1);
