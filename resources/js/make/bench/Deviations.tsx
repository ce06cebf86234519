import type { PartReport } from '../../api/types';
import { lengthEven, showEven } from '../../job/format';
import { Mark } from '../../job/Mark';
import { units } from '../../job/units';
import { flat, line, windowOf } from './project';

/** How large the farthest corner is drawn off, as a part of the picture. */
const SHOWN = 0.08;

/** A bent part beside its design: where it is off, drawn larger, and the figures of its bends and straights. */
export function Deviations({ report }: { report: PartReport }) {
  return (
    <>
      <Picture report={report} />
      <table className="table table-sm figures mb-2" aria-label="Bends and straights as measured">
        <thead>
          <tr>
            <th scope="col">What</th>
            <th scope="col">wanted</th>
            <th scope="col">set</th>
            <th scope="col">got</th>
            <th scope="col">off</th>
          </tr>
        </thead>
        <tbody>
          {report.straights.map((straight, i) => {
            const bend = report.bends[i];
            return [
              // biome-ignore lint/suspicious/noArrayIndexKey: a straight is its place
              <tr key={`straight ${i}`} className={straight.in ? '' : 'violation'}>
                <th scope="row">straight {i + 1}</th>
                <td>{lengthEven(straight.wanted)}</td>
                <td />
                <td>{lengthEven(straight.got)}</td>
                <td>{signedLength(straight.got - straight.wanted)}</td>
              </tr>,
              bend !== undefined && (
                // biome-ignore lint/suspicious/noArrayIndexKey: a bend is its place
                <tr key={`bend ${i}`} className={bend.in ? '' : 'violation'}>
                  <th scope="row">bend {i + 1}</th>
                  <td>{bend.wanted.toFixed(2)}°</td>
                  <td>{bend.set.toFixed(2)}°</td>
                  <td>{bend.got.toFixed(2)}°</td>
                  <td>{signed(bend.got - bend.wanted)}°</td>
                </tr>
              ),
            ];
          })}
        </tbody>
      </table>
    </>
  );
}

function Picture({ report: { design, part, off } }: { report: PartReport }) {
  const { left, top, width, height } = windowOf(design.map(flat), 0.18);
  const size = Math.max(width, height);
  const farthest = Math.max(...off.map(({ by }) => by), 1e-6);
  // A round number of times, so that it can be said.
  const times = Math.max(1, Number(((SHOWN * size) / farthest).toPrecision(1)));
  const drawn = design.map((point, i) =>
    point.map((value, axis) => value + times * ((part[i]?.[axis] ?? value) - value)),
  );
  return (
    <figure className="deviations">
      <svg viewBox={`${left} ${top} ${width} ${height}`} role="img" aria-label="The part beside its design">
        <polyline points={line(design)} className="design" style={{ strokeWidth: size / 90 }} />
        <polyline points={line(drawn)} className="part" style={{ strokeWidth: size / 180 }} />
        {drawn.map((point, i) => {
          const [x, y] = flat(point);
          const place = off[i];
          // Figures of neighbours go to both sides, where they do not lie on each other.
          const isLeft = i % 2 === 1;
          return (
            // biome-ignore lint/suspicious/noArrayIndexKey: a corner is its place
            <g key={i} className={place?.in === false ? 'place out' : 'place'}>
              <circle cx={x} cy={y} r={size / 70} />
              <text
                x={x + (isLeft ? -size : size) / 50}
                y={y + (isLeft ? size / 25 : -size / 60)}
                textAnchor={isLeft ? 'end' : 'start'}
                fontSize={size / 24}
              >
                {place !== undefined && lengthEven(place.by, 2)}
              </text>
            </g>
          );
        })}
      </svg>
      <figcaption className="quiet">
        Grey as designed, the line as measured; {units().word} off at start, corners and end, drawn {times} times.
      </figcaption>
    </figure>
  );
}

/** The verdict on a part, with what to do about it. */
export function Verdict({ report }: { report: PartReport }) {
  return (
    <>
      <p className="mb-1">
        <Mark status={report.good ? 'good' : 'violation'} /> {report.advice}
      </p>
      {report.reasons.length > 0 && (
        <ul className="part-reasons">
          {report.reasons.map((reason) => (
            <li key={reason}>{reason}</li>
          ))}
        </ul>
      )}
    </>
  );
}

const sign = (value: number) => (value < 0 ? '−' : '+');

const signed = (value: number) => `${sign(value)}${showEven(Math.abs(value), 2)}`;

const signedLength = (value: number) => `${sign(value)}${lengthEven(Math.abs(value), 2)}`;
