import { Plug } from 'lucide-react';
import { api } from '../api/client';
import { length, lengthWithUnit } from '../job/format';
import { useRounds } from '../job/rounds';
import { useWorkbench } from '../job/store';
import { tell } from '../job/tell';
import { type ItemOf, useJob } from '../job/useJob';
import { usePreferredStock } from '../job/usePreferredStock';
import { IconButton } from '../ui/IconButton';
import { Section } from '../ui/Section';

/** The holes and round ends of a body; each can be made a port. */
export function RoundEnds({ id }: { id: string }) {
  const { state, places, put } = useJob();
  const pick = useWorkbench((store) => store.pick);
  const point = useRounds((store) => store.point);
  const [stock] = usePreferredStock();
  const rounds = places.find((place) => place.list === 'surroundings' && place.id === id)?.rounds ?? [];
  if (rounds.length === 0) {
    return null;
  }
  const makePort = async (round: number) => {
    const asked = { kind: 'port' as const, surrounding: id, round, ...(stock === '' ? {} : { stock }) };
    const { item } = await api.newItem(state.id, asked);
    await put('fittings', item as unknown as ItemOf<'fittings'>, `Add ${item.name}`);
    pick('fittings', item.id);
  };
  return (
    <Section title="Holes and round ends">
      <ul className="round-ends">
        {[...rounds.entries()].map(([round, { diameter, hollow, at }]) => (
          <li key={round} onPointerEnter={() => point({ surrounding: id, round })} onPointerLeave={() => point(null)}>
            <span>{hollow ? 'Hole' : 'Outside'}</span>
            <span className="figure">ø {lengthWithUnit(diameter)}</span>
            <span className="quiet figure">{at.map((part) => length(part, 0)).join(', ')}</span>
            <IconButton
              icon={Plug}
              name={`Put a port on ${hollow ? 'hole' : 'round end'} ${round + 1}`}
              onClick={() => tell(makePort(round))}
            />
          </li>
        ))}
      </ul>
    </Section>
  );
}
