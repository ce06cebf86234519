import { X } from 'lucide-react';
import { useLaying } from '../../job/laying';
import { NumberField } from '../../job/NumberField';
import { allPorts } from '../../job/newItems';
import { useJob } from '../../job/useJob';
import { usePreferredStock } from '../../job/usePreferredStock';
import { Choice, named } from '../../ui/Choice';
import { IconButton } from '../../ui/IconButton';

/** Says over the view what is being laid, and the keys. */
export function LayingBar() {
  const { state, items, item } = useJob();
  const { choosing, start, run, stock, standOff, set } = useLaying();
  const [preferred, choose] = usePreferredStock();
  if (!choosing && start === null) {
    return null;
  }
  const from = allPorts(state.places, items('fittings')).find((port) => port.name === start?.port)?.label;
  const chosen = start === null ? preferred : stock;
  return (
    <div className="laying-bar" role="region" aria-label="Laying">
      <div>
        <strong>{start === null ? 'Lay a run: click a port to begin' : `From ${from ?? ''}`}</strong>{' '}
        {run === null ? (
          <Choice
            label="Stock to lay"
            value={chosen}
            of={named(items('stock'))}
            onChange={(value) => {
              choose(value);
              set({ stock: value });
            }}
          />
        ) : (
          <span>{item('stock', stock)?.name ?? stock}</span>
        )}
      </div>
      {standOff !== null && (
        <div
          className="stand-off"
          onKeyDown={(event) => {
            if (event.key === 'Enter' && event.target instanceof HTMLElement) {
              event.target.blur();
            }
          }}
        >
          <NumberField
            label="Stand-off"
            value={standOff.distance}
            onChange={async (distance) => set({ standOff: { ...standOff, distance } })}
          />
          <span>off {standOff.name}</span>
          <IconButton icon={X} name="Let go of the stand-off (o)" onClick={() => set({ standOff: null })} />
        </div>
      )}
      {start !== null && (
        <div className="hints">
          <kbd>x</kbd> <kbd>y</kbd> <kbd>z</kbd> axis · <kbd>a</kbd> port axis · <kbd>f</kbd> face · <kbd>o</kbd> keep
          off a face · digits: length · <kbd>Enter</kbd> place · <kbd>⌫</kbd> take back · <kbd>e</kbd> end at a port
          {' · '}
          <kbd>Esc</kbd> stop
        </div>
      )}
    </div>
  );
}
