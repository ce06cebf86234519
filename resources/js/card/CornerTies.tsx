import { Link2, Unlink, X } from 'lucide-react';
import { Dropdown } from 'react-bootstrap';
import { Vector3 } from 'three';
import type { Anchor, Run, SolvedRun, Tie, Vector } from '../api/types';
import { direction } from '../job/format';
import { Mark } from '../job/Mark';
import { NumberField } from '../job/NumberField';
import { type TargetKind, usePointing } from '../job/pointing';
import { tell } from '../job/tell';
import { directionToJson } from '../job/tracks';
import { useJob } from '../job/useJob';
import { IconButton } from '../ui/IconButton';

interface Offer {
  name: string;
  kinds: readonly TargetKind[];
  /** Returns the tie to what was pointed at; its amount is measured by the server, so that the corner stays. */
  make: (anchor: Anchor) => Tie;
  measured?: true;
}

const POINTS = ['port', 'clamp', 'corner'] as const;
const AXES = ['x', 'y', 'z'] as const;

/** The ways to tie a corner, in the order in which they are offered. */
const OFFERS: readonly Offer[] = [
  ...AXES.map(
    (axis): Offer => ({
      name: `Level with… along ${axis.toUpperCase()}`,
      kinds: [...POINTS, 'face'],
      make: (anchor) => ({ level: `+${axis}`, with: anchor }),
    }),
  ),
  ...AXES.map(
    (axis): Offer => ({
      name: `This far from… along ${axis.toUpperCase()}`,
      kinds: [...POINTS, 'face'],
      make: (anchor) => ({ level: `+${axis}`, with: anchor }),
      measured: true,
    }),
  ),
  { name: 'Off a face…', kinds: ['face'], make: (anchor) => ({ away: 0, from: anchor }), measured: true },
  { name: 'This far from…', kinds: POINTS, make: (anchor) => ({ away: 0, from: anchor }), measured: true },
  { name: 'On the axis of…', kinds: ['port', 'clamp'], make: (anchor) => ({ on_axis: anchor }) },
  { name: 'Leg along…', kinds: ['port', 'clamp', 'face'], make: (anchor) => ({ parallel: anchor }) },
  { name: 'Leg square to…', kinds: ['port', 'clamp', 'face'], make: (anchor) => ({ square: anchor }) },
  {
    name: 'Leg at an angle to…',
    kinds: ['port', 'clamp', 'face'],
    make: (anchor) => ({ angle: 0, to: anchor }),
    measured: true,
  },
];

/** The ties of a corner with their amounts, the free directions, and further ties to add. */
export function CornerTies({ run, solved, vertex }: { run: Run; solved: SolvedRun; vertex: number }) {
  const { lay, put } = useJob();
  const ask = usePointing((store) => store.ask);
  const corner = solved.corners[vertex];
  if (corner === undefined) {
    return null;
  }
  const stop = corner.stop === null ? undefined : run.route.stops?.[corner.stop];
  const said: readonly Tie[] = stop !== undefined && 'ties' in stop ? (stop.ties ?? []) : [];
  const canTie = corner.place === 'stop' && stop !== undefined && !('clamp' in stop);

  const setTie = (index: number, tie: Tie) =>
    put('runs', {
      ...run,
      route: {
        ...run.route,
        stops: (run.route.stops ?? []).map((other, number) =>
          number === corner.stop ? { ...other, ties: said.map((one, i) => (i === index ? tie : one)) } : other,
        ),
      },
    });
  const begin = (offer: Offer) =>
    ask({
      words: `${offer.name.replace('…', ' what?')} Corner ${vertex}`,
      kinds: offer.kinds,
      take: async ({ anchor }) => {
        if (anchor !== null) {
          await lay(run.id, { do: 'tie', vertex, tie: offer.make(anchor), measured: offer.measured });
        }
      },
    });

  return (
    <div className="ties">
      <div className="d-flex align-items-center gap-1">
        <span className="flex-grow-1">
          Corner {vertex}: <span className="quiet">{freeWords(corner.free, corner.place)}</span>
        </span>
        {canTie && (
          <Dropdown align="end">
            <Dropdown.Toggle as="button" bsPrefix="icon-button" aria-label={`Tie corner ${vertex}`} title="Tie it to…">
              <Link2 size={15} aria-hidden />
            </Dropdown.Toggle>
            <Dropdown.Menu>
              {OFFERS.map((offer) => (
                <Dropdown.Item key={offer.name} onClick={() => begin(offer)}>
                  {offer.name}
                </Dropdown.Item>
              ))}
            </Dropdown.Menu>
          </Dropdown>
        )}
        {said.length > 1 && (
          <IconButton
            icon={Unlink}
            name={`Let go of all relations of corner ${vertex}`}
            onClick={() => tell(lay(run.id, { do: 'untie', vertex }))}
          />
        )}
      </div>
      <ul>
        {corner.ties.map((held, index) => {
          const tie = said[index];
          return (
            // biome-ignore lint/suspicious/noArrayIndexKey: a tie is its number
            <li key={index}>
              <Mark status={held.holds ? 'good' : 'violation'} />
              <span className="flex-grow-1">{held.words}</span>
              {tie !== undefined && <Amount tie={tie} index={index} vertex={vertex} onChange={setTie} />}
              <IconButton
                icon={X}
                name={`Let go of “${held.words}”`}
                onClick={() => tell(lay(run.id, { do: 'untie', vertex, tie: index }))}
              />
            </li>
          );
        })}
      </ul>
    </div>
  );
}

/** The amount of a tie, edited in place. */
function Amount({
  tie,
  index,
  vertex,
  onChange,
}: {
  tie: Tie;
  index: number;
  vertex: number;
  onChange: (index: number, tie: Tie) => Promise<void>;
}) {
  const label = `Relation ${index + 1} of corner ${vertex}`;
  if ('away' in tie) {
    return <NumberField label={label} value={tie.away} onChange={(away) => onChange(index, { ...tie, away })} />;
  }
  if ('level' in tie) {
    return (
      <NumberField
        label={label}
        value={tie.distance ?? 0}
        onChange={(distance) => onChange(index, { ...tie, distance })}
      />
    );
  }
  return 'angle' in tie ? (
    <NumberField
      label={label}
      unit="°"
      plain
      value={tie.angle}
      onChange={(angle) => onChange(index, { ...tie, angle })}
    />
  ) : null;
}

function freeWords(free: readonly Vector[] | readonly (readonly number[])[], place: string): string {
  if (place === 'from' || place === 'to') {
    return 'stays at its end';
  }
  if (place === 'like') {
    return 'follows another';
  }
  if (free.length === 0) {
    return 'nothing free, it is bound';
  }
  if (free.length === 3) {
    return 'free every way';
  }
  const ways = free.map((along) =>
    direction(directionToJson(vector(along as readonly number[])) as never).replace('+', ''),
  );
  return `free along ${ways.join(' and ')}`;
}

const vector = (point: readonly number[] | undefined) => new Vector3(point?.[0], point?.[1], point?.[2]);
