import { usePointing } from '../../job/pointing';

/** Says over the view what is to be pointed at, and what is under the pointer. */
export function PointingBar() {
  const { pointing, target, ask } = usePointing();
  if (pointing === null) {
    return null;
  }
  return (
    <div className="laying-bar" role="region" aria-label="Pointing">
      <div>
        <strong>{pointing.words}</strong> <span role="status">{target?.name ?? ''}</span>
      </div>
      <div className="hints">
        click it · <kbd>Tab</kbd> the next one · <kbd>Enter</kbd> take it · <kbd>Esc</kbd>{' '}
        <button type="button" className="bare" onClick={() => ask(null)}>
          leave it
        </button>
      </div>
    </div>
  );
}
