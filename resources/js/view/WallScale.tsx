import { useQuery } from '@tanstack/react-query';
import { api } from '../api/client';
import { lengthWithUnit } from '../job/format';
import { useJob } from '../job/useJob';
import { useWallShown } from '../job/wallShown';
import { Button } from '../ui/Button';
import { WALL_COLOURS } from './wallColours';

/** Chord of a body whose wall is shown, mm. */
const CHORD = 0.4;

/** The triangles of the body whose wall is shown, with the wall at each vertex. */
export function useWallMap(body: string | null) {
  const { state } = useJob();
  return useQuery({
    queryKey: ['wall map', state.id, body, state.revision],
    queryFn: () => api.wallMap(state.id, body ?? '', CHORD),
    enabled: body !== null,
    retry: false,
  });
}

/** What the colours of a wall mean, from the least to the greatest. */
export function WallScale() {
  const { body, show } = useWallShown();
  const { data, isError, error } = useWallMap(body);
  if (body === null) {
    return null;
  }
  return (
    <section className="legend wall-legend" aria-label="Scale of the wall">
      <div>Wall</div>
      {isError ? (
        <p className="text-danger mb-1">{error.message}</p>
      ) : data === undefined ? (
        <p className="quiet mb-1">Measuring it all over…</p>
      ) : (
        <>
          <div className="wall-scale" style={{ background: `linear-gradient(to right, ${WALL_COLOURS.join(', ')})` }} />
          <div className="d-flex justify-content-between figure">
            <span>{lengthWithUnit(data.least)}</span>
            <span>{lengthWithUnit(data.most)}</span>
          </div>
        </>
      )}
      <Button look="link" onClick={() => show(null)}>
        Show it plain again
      </Button>
    </section>
  );
}
