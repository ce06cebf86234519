import { useEffect, useRef } from 'react';
import { useLaying } from '../job/laying';
import { type Stage, useWorkbench } from '../job/store';
import { isKey, isTyping } from './keys';
import { useActions } from './useActions';

/** Handles the keys that work anywhere on the workbench. */
export function ActionKeys({ stage }: { stage: Stage }) {
  const actions = useActions();
  const now = useRef({ actions, stage });
  now.current = { actions, stage };

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const typing = isTyping(event) || useWorkbench.getState().panel !== null;
      // While a run is being laid, plain keys belong to laying.
      const laying = useLaying.getState().start !== null && !event.ctrlKey && !event.altKey;
      const action = now.current.actions.find(
        (one) =>
          one.key !== undefined &&
          isKey(event, one.key) &&
          (one.stage === undefined || one.stage === now.current.stage) &&
          (one.always || !(typing || (laying && one.key.length === 1))),
      );
      if (action !== undefined && (action.isOpen ?? true)) {
        event.preventDefault();
        action.run();
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key === 'Escape' && useLaying.getState().choosing) {
        useLaying.getState().stop();
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
  return null;
}
