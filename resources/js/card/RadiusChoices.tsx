import { api } from '../api/client';
import type { SolvedRun, Stock } from '../api/types';
import { tell } from '../job/tell';
import { useJob } from '../job/useJob';

interface Props {
  run: string;
  solved: SolvedRun;
  stock: Stock | undefined;
  /** The corner; null for all of them. */
  vertex: number | null;
}

/** Two radii without a number: the largest that the legs have room for, the smallest that the stock allows. */
export function RadiusChoices({ run, solved, stock, vertex }: Props) {
  const { state, lay } = useJob();
  const set = (radius: number | string) => lay(run, { do: 'set-corner', vertex, corner: { radius } });

  const largest = async () => {
    // A radius of the length of the run is more than fits; the answer is held at what fits.
    const radius = solved.length;
    const { amount } = await api.previewRun(state.id, {
      run,
      change: { do: 'set-corner', vertex, corner: { radius } },
      hold: 1,
    });
    await set(amount);
  };
  const least = stock?.bend.min_radius;
  const elbow = solved.legs.find((leg) => leg.vertex === vertex)?.elbow ?? null;
  return (
    <span className="radius-choices">
      <button type="button" onClick={() => tell(largest())}>
        largest that fits
      </button>
      {least !== undefined && Number(least) !== 0 && (
        <button type="button" onClick={() => tell(set(least))}>
          smallest this stock takes
        </button>
      )}
      {vertex !== null && stock?.kind === 'pipe' && (
        <button
          type="button"
          onClick={() =>
            tell(lay(run, { do: 'set-corner', vertex, corner: { elbow: elbow === null ? 'long' : 'short' } }))
          }
        >
          {elbow === null ? 'an elbow' : 'a short elbow'}
        </button>
      )}
    </span>
  );
}
