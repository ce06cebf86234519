import { useWorkbench } from '../../job/store';
import { useJob } from '../../job/useJob';
import { colourOf, signalsOf } from '../../job/wireColours';
import { useWires } from '../../job/wires';

/** What the colours of the wires mean, where they are seen in their trunks: each wire in words; one is seen alone. */
export function WireLegend() {
  const { items } = useJob();
  const pick = useWorkbench((store) => store.pick);
  const { inside, alone, isolate, followed, follow } = useWires();
  if (!inside) {
    return null;
  }
  return (
    <section className="legend wire-legend" aria-label="Wires in the trunks" onMouseLeave={() => follow(null)}>
      {items('harnesses').map((harness) => {
        const wires = harness.wires ?? [];
        const signals = signalsOf(wires);
        return wires.map((wire) => {
          const isAlone = alone?.harness === harness.id && alone.wire === wire.id;
          return (
            <button
              key={`${harness.id} ${wire.id}`}
              type="button"
              className={followed === wire.id ? 'followed' : ''}
              aria-pressed={isAlone}
              title={isAlone ? 'Show all wires again' : 'Show this wire by itself'}
              onMouseEnter={() => {
                pick('harnesses', harness.id);
                follow(wire.id);
              }}
              onClick={() => isolate(isAlone ? null : { harness: harness.id, wire: wire.id })}
            >
              <span className="swatch" style={{ background: colourOf(wire, signals) }} />
              {wire.id} {wire.signal} {wire.colour !== undefined && <span className="quiet">{wire.colour}</span>}
            </button>
          );
        });
      })}
    </section>
  );
}
