import { api } from '../api/client';
import { BodyProgress } from '../job/BodyProgress';
import { lengthWithUnit } from '../job/format';
import { useJob } from '../job/useJob';
import { useWorked } from '../job/useWorked';
import { useWallShown } from '../job/wallShown';
import { Button } from '../ui/Button';
import { WALL_COLOURS } from './wallColours';

/** Chord of a body whose wall is shown, mm. */
const CHORD = 0.4;

/** The triangles of the body whose wall is shown, with the wall at each vertex. */
export function useWallMap(body: string | null) {
  const { state } = useJob();
  return useWorked(['wall map', state.id, body, state.revision], () => api.wallMap(state.id, body ?? '', CHORD), {
    enabled: body !== null,
  });
}

/** What the colours of a wall mean, from the least to the greatest. */
export function WallScale() {
  const { body, show } = useWallShown();
  const { answer: map, work, error } = useWallMap(body);
  if (body === null) {
    return null;
  }
  return (
    <section className="legend wall-legend" aria-label="Scale of the wall">
      <div>Wall</div>
      {error !== null ? (
        <p className="text-danger mb-1">{error.message}</p>
      ) : work !== null ? (
        <BodyProgress work={work} doing="Measuring it all over…" />
      ) : map === undefined ? (
        <p className="quiet mb-1">Measuring it all over…</p>
      ) : (
        <>
          <div className="wall-scale" style={{ background: `linear-gradient(to right, ${WALL_COLOURS.join(', ')})` }} />
          <div className="d-flex justify-content-between figure">
            <span>{lengthWithUnit(map.least)}</span>
            <span>{lengthWithUnit(map.most)}</span>
          </div>
        </>
      )}
      <Button look="link" onClick={() => show(null)}>
        Show it plain again
      </Button>
    </section>
  );
}
