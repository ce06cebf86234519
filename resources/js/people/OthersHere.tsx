import { usePresence } from '../job/presence';
import { useWorkbench } from '../job/store';
import { useJob } from '../job/useJob';

/** Who else is in the job; each shows what they have picked. */
export function OthersHere() {
  const others = usePresence((store) => store.others);
  const { item } = useJob();
  const pick = useWorkbench((store) => store.pick);
  if (others.length === 0) {
    return null;
  }
  return (
    <ul className="others-here" aria-label="Who else is here">
      {others.map(({ name, window, picked }) => {
        const list = picked?.list as Parameters<typeof item>[0] | undefined;
        const one = list === undefined || picked === null ? undefined : item(list, picked.id);
        const words = one === undefined ? name : `${name}, at ${one.name ?? one.id}`;
        return (
          <li key={window}>
            <button
              type="button"
              title={words}
              aria-label={words}
              onClick={() => list !== undefined && one !== undefined && pick(list, one.id)}
            >
              {name
                .split(/\s+/)
                .map((part) => part.charAt(0))
                .join('')
                .slice(0, 2)
                .toUpperCase()}
            </button>
          </li>
        );
      })}
    </ul>
  );
}
