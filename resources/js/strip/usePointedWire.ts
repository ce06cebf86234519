import { api } from '../api/client';
import type { Harness, Wire } from '../api/types';
import { usePointing } from '../job/pointing';
import { useJob } from '../job/useJob';

/** A name that no wire has yet: W1, W2 … */
function freshWire(wires: readonly Wire[]): string {
  let number = wires.length + 1;
  while (wires.some(({ id }) => id === `W${number}`)) {
    number++;
  }
  return `W${number}`;
}

/** Returns what begins a wire between two connectors that are pointed at in the view, at the first free pin of each. */
export function usePointedWire(harness: Harness, onAdd: (wire: Wire) => Promise<void>): () => void {
  const { state, items } = useJob();
  const ask = usePointing((store) => store.ask);
  const wires = harness.wires ?? [];
  const used = new Set(wires.flatMap(({ from, to }) => [from, to]));
  const pinAt = (port: string): string => {
    const [fitting, name] = port.split('.');
    const pins = items('fittings')
      .find(({ id }) => id === fitting)
      ?.ports?.find(({ id }) => id === name)?.pins;
    if (pins === undefined || pins.length === 0) {
      return port;
    }
    const marks = pins.map((pin) => `${port}.${typeof pin === 'string' ? pin : pin.id}`);
    const free = marks.find((mark) => !used.has(mark));
    if (free === undefined) {
      throw new Error(`Every pin of ${port} has a wire already. Type the one that this wire shares.`);
    }
    return free;
  };
  const add = async (from: string, to: string) => {
    const row = [freshWire(wires), pinAt(from), pinAt(to)].join('\t');
    const { wires: read, refused } = await api.pastedWires(state.id, harness.id, row);
    const [wire] = read;
    if (wire === undefined) {
      throw new Error(refused[0]?.why ?? 'This wire cannot be made.');
    }
    await onAdd(wire);
  };
  return () =>
    ask({
      words: 'From which connector?',
      kinds: ['port'],
      take: async ({ anchor: from, name }) => {
        if (typeof from === 'string') {
          ask({
            words: `From ${name} to which?`,
            kinds: ['port'],
            take: async ({ anchor: to }) => {
              if (typeof to === 'string') {
                await add(from, to);
              }
            },
          });
        }
      },
    });
}
