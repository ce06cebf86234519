import { Pause, Play } from 'lucide-react';
import { useEffect, useState } from 'react';
import type { Bench, FilmFrame } from '../../api/types';
import { lengthEven } from '../../job/format';
import { IconButton } from '../../ui/IconButton';
import { flat, line, windowOf } from './project';

/** Time of a frame while it plays, ms. */
const PACE = 130;

/** Length of the bed that is shown, and how far down it goes, mm. */
const BED = 320;

const DEEP = 120;

/** The bending of a tube, frame by frame: slid by hand, or played. */
export function BendFilm({ bench, od }: { bench: Bench; od: number }) {
  const { film, space, steps } = bench;
  const [at, setAt] = useState(film.length - 1);
  const [plays, setPlays] = useState(false);
  const shown = Math.min(at, film.length - 1);
  const isOver = shown >= film.length - 1;
  useEffect(() => {
    if (!plays) {
      return;
    }
    const timer = setTimeout(() => {
      setAt(Math.min(shown + 1, film.length - 1));
      setPlays(shown + 1 < film.length - 1);
    }, PACE);
    return () => clearTimeout(timer);
  }, [plays, shown, film.length]);
  const frame = film[shown];
  if (frame === undefined) {
    return null;
  }
  const { half_width: wide, top, front } = space;
  const bed = [
    [front, -wide, top],
    [front, wide, top],
    [front - BED, wide, top],
    [front - BED, -wide, top],
  ];
  const side = [
    [front, -wide, top],
    [front, wide, top],
    [front, wide, top - DEEP],
    [front, -wide, top - DEEP],
  ];
  // Of the tube behind the die only as much as of the bed.
  const clipped = (points: FilmFrame['points']) =>
    points.map((point, i) => (i === 0 ? [Math.max(point[0] ?? 0, front - BED), 0, 0] : point));
  const places = [...bed, ...side, ...film.flatMap(({ points }) => clipped(points))].map(flat);
  const { left, top: up, width, height } = windowOf(places);
  const die = steps[frame.step]?.die ?? [];
  const hit = bench.hits.find(({ step }) => step === frame.step);
  return (
    <figure className="bend-film" aria-label="How it is bent">
      <svg viewBox={`${left} ${up} ${width} ${height}`} role="img" aria-label={captionOf(frame, bench)}>
        <polygon points={line(bed)} className="bed" />
        <polygon points={line(side)} className="bed" />
        <polygon points={line(die)} className="die" />
        {/* As thick as it is, and never so thin that it is not seen. */}
        {(['tube', 'tube thin'] as const).map((look) => (
          <polyline
            key={look}
            points={line(clipped(frame.points))}
            className={hit === undefined ? look : `${look} hits`}
            style={look === 'tube' ? { strokeWidth: od } : undefined}
          />
        ))}
      </svg>
      <div className="d-flex gap-2 align-items-center">
        <IconButton
          icon={plays ? Pause : Play}
          name={plays ? 'Hold the film' : 'Play the bending'}
          onClick={() => {
            if (!plays && isOver) {
              setAt(0);
            }
            setPlays(!plays);
          }}
        />
        <input
          type="range"
          className="form-range"
          aria-label="Moment of the bending"
          min={0}
          max={film.length - 1}
          value={shown}
          onChange={(event) => {
            setPlays(false);
            setAt(Number(event.target.value));
          }}
        />
      </div>
      <figcaption className="figure">{captionOf(frame, bench)}</figcaption>
    </figure>
  );
}

function captionOf({ step, phase, amount }: FilmFrame, { steps }: Bench): string {
  const what =
    phase === 'feed'
      ? `fed ${lengthEven(amount)}`
      : phase === 'turn'
        ? `turned ${amount.toFixed(1)}° of ${(steps[step]?.turn ?? 0).toFixed(1)}°`
        : `bent ${amount.toFixed(1)}° of ${(steps[step]?.set ?? 0).toFixed(2)}°`;
  return `bend ${step + 1} of ${steps.length}: ${what}`;
}
