import type { SweptRun } from '../api/types';
import { lengthWithUnit, show } from '../job/format';
import { placeOf } from '../job/placeOf';
import { useWorkbench } from '../job/store';
import { useJob } from '../job/useJob';
import { Button } from '../ui/Button';
import { Row, Section } from '../ui/Section';

/** The extremes of a run over its movement; each leads to its position. */
export function MovementFacts({ movement }: { movement: SweptRun }) {
  const { item } = useJob();
  const { film, showFilm, setMoment } = useWorkbench();
  const look = (index: number) => {
    setMoment(index);
    showFilm(true);
  };
  const at = (index: number | null) => (index === null ? undefined : movement.positions[index]);
  const tightest = at(movement.tightest);
  const tautest = at(movement.tautest);
  const nearest = at(movement.nearest);
  const twisted = at(movement.most_twisted);
  const [shortest = 0, longest = 0] = movement.lengths;
  const rows: [string, string, number | null][] = [];
  if (tightest !== undefined) {
    const { min_radius: radius } = tightest;
    rows.push(['Tightest', radius === null ? 'straight' : `R ${lengthWithUnit(radius)}`, movement.tightest]);
  }
  if (tautest !== undefined) {
    rows.push(['Stretched to', `${show((tautest.taut ?? 0) * 100, 1)} %`, movement.tautest]);
    if (movement.slack !== null) {
      rows.push(['Slack left', lengthWithUnit(movement.slack), movement.tautest]);
    }
  } else {
    rows.push(['Length', `${lengthWithUnit(shortest, 0)} to ${lengthWithUnit(longest, 0)}`, null]);
  }
  if (nearest?.nearest) {
    const name =
      (item('surroundings', nearest.nearest.id) ?? item('fittings', nearest.nearest.id))?.name ?? nearest.nearest.id;
    rows.push([`Off ${name}`, lengthWithUnit(nearest.nearest.distance), movement.nearest]);
  }
  if (twisted !== undefined) {
    const twist = Math.abs(twisted.twist ?? 0);
    rows.push(['Twist', twist < 0.05 ? 'none' : `${show(twist, 1)}°`, twist < 0.05 ? null : movement.most_twisted]);
  }
  for (const index of movement.snaps) {
    rows.push(['Snaps over', '', index]);
  }
  return (
    <Section
      title="Over its movement"
      tools={
        <Button onClick={() => showFilm(!film)} title="Frame by frame, with all that it sweeps over in the view">
          {film ? 'Hide' : 'Show'}
        </Button>
      }
    >
      <Row label="Needs, moving">
        <span className="figure">R {lengthWithUnit(movement.needed)}</span>
      </Row>
      {rows.map(([label, said, index]) => {
        const position = at(index);
        return (
          <Row key={`${label}${index ?? ''}`} label={label}>
            <span className="figure text-nowrap">
              {said}
              {index !== null && position !== undefined && (
                <>
                  {' '}
                  <Button look="link" onClick={() => look(index)}>
                    {`at ${placeOf(position)}`}
                  </Button>
                </>
              )}
            </span>
          </Row>
        );
      })}
    </Section>
  );
}
