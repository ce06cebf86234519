import { type PointerEvent, useState } from 'react';
import { api } from '../api/client';
import type { Board, Harness } from '../api/types';
import { follow } from '../job/follow';
import { newest } from '../job/newest';
import { tell } from '../job/tell';
import { type BoardTurn, turnedOn } from '../job/useBoard';
import { useJob } from '../job/useJob';
import { degreesAt, endAt, handleOf, isSameTurn, pointOf, type Turning } from './turning';

interface Props {
  harness: Harness;
  board: Board;
  /** Pixels a millimetre. */
  scale: number;
}

/** Scale from which what is written on the board can be read, pixels a millimetre. */
const READABLE = 2.2;

/** Step of an angle by hand, degrees; with Shift 1. */
const STEP = 5;

/** The picture of the board with a handle at the end of each branch. */
export function BoardPicture({ harness, board, scale }: Props) {
  const { state, item, put } = useJob();
  const [turning, setTurning] = useState<Turning | null>(null);
  const nameOf = (turn: BoardTurn) =>
    `${item('runs', turn.run)?.name ?? turn.run}${turn.towards === null ? '' : ` towards its ${turn.towards}`}`;
  const store = (turn: BoardTurn, angle: number | undefined) =>
    put(
      'harnesses',
      turnedOn(harness, turn, angle),
      angle === undefined ? `Leave ${nameOf(turn)} to itself on the board` : `Turn ${nameOf(turn)} on the board`,
    );

  const onDown = (turn: BoardTurn) => (down: PointerEvent<SVGElement>) => {
    const svg = down.currentTarget.ownerSVGElement;
    if (svg === null || down.button !== 0) {
      return;
    }
    down.preventDefault();
    let good: number | null = null;
    const asking = newest(
      (angle: number) =>
        api.turnBoard(state.id, harness.id, { run: turn.run, angle, towards: turn.towards ?? undefined }),
      (answer, angle) => {
        const now = answer.turns.find((one) => isSameTurn(one, turn));
        const inWay = now === undefined ? 'the edge of the board' : now.in_way;
        if (inWay === null) {
          good = angle;
        }
        setTurning((last) => ({
          turn,
          wanted: last?.wanted ?? angle,
          inWay,
          shown: inWay === null && now !== undefined ? { board: answer, at: now.at } : (last?.shown ?? null),
        }));
      },
    );
    follow({
      move: (event) => {
        const step = event.shiftKey ? 1 : STEP;
        const angle = degreesAt(turn, pointOf(svg, event, scale), step);
        setTurning((last) => ({ turn, wanted: angle, inWay: last?.inWay ?? null, shown: last?.shown ?? null }));
        asking.want(angle);
      },
      drop: () =>
        void tell(
          asking
            .settled()
            .then(() => (good === null || good === Math.round(turn.angle) ? undefined : store(turn, good)))
            .finally(() => setTurning(null)),
        ),
      cancel: () => {
        asking.stop();
        setTurning(null);
      },
    });
  };

  const shown = turning?.shown?.board ?? board;
  // What is turned stays where it was under the hand, however large the board becomes.
  const [x, y] =
    turning?.shown == null
      ? [0, 0]
      : [turning.turn.at[0] - turning.shown.at[0], turning.turn.at[1] - turning.shown.at[1]];
  return (
    <div className="board-sheet" style={{ width: board.width * scale, height: board.height * scale }}>
      <img
        src={`data:image/svg+xml;utf8,${encodeURIComponent(shown.picture)}`}
        alt={`${harness.name ?? harness.id}, laid flat`}
        draggable={false}
        style={{ left: x * scale, top: y * scale, width: shown.width * scale, height: shown.height * scale }}
      />
      <svg viewBox={`0 0 ${board.width} ${board.height}`} aria-label="Branches to turn" role="group">
        {board.turns.map((turn) => (
          <TurnHandle
            key={`${turn.run} ${turn.towards}`}
            turn={turn}
            name={nameOf(turn)}
            radius={7 / scale}
            turnedTo={turning !== null && isSameTurn(turning.turn, turn) ? turning.wanted : null}
            onDown={onDown(turn)}
            onTurn={(angle) => tell(store(turn, angle))}
          />
        ))}
        {/* At full size the names that are drawn can be read. */}
        {scale < READABLE &&
          board.turns.map((turn) => {
            if (turning !== null && isSameTurn(turning.turn, turn)) {
              return null;
            }
            const [x, y] = handleOf(turn);
            return (
              <text
                key={`${turn.run} ${turn.towards}`}
                className="board-name"
                x={x + 12 / scale}
                y={y + 4 / scale}
                fontSize={12 / scale}
                strokeWidth={4 / scale}
              >
                {nameOf(turn)}
              </text>
            );
          })}
        {turning !== null && <Wanted turning={turning} name={nameOf(turning.turn)} scale={scale} />}
      </svg>
    </div>
  );
}

interface HandleProps {
  turn: BoardTurn;
  name: string;
  /** Millimetres of the board. */
  radius: number;
  /** Angle at which the hand holds it, degrees. */
  turnedTo: number | null;
  onDown: (down: PointerEvent<SVGElement>) => void;
  onTurn: (angle: number | undefined) => void;
}

function TurnHandle({ turn, name, radius, turnedTo, onDown, onTurn }: HandleProps) {
  const words = `${Math.round(turn.angle)}°${turn.told ? '' : ', by itself'}`;
  const [x, y] = handleOf(turnedTo === null ? turn : { ...turn, end: endAt(turn, turnedTo) });
  return (
    <circle
      className={`board-handle${turn.told ? ' told' : ''}${turnedTo !== null ? ' turned' : ''}`}
      cx={x}
      cy={y}
      r={radius}
      strokeWidth={radius / 4}
      role="slider"
      tabIndex={0}
      aria-label={`Turn ${name}`}
      aria-valuenow={Math.round(turn.angle)}
      aria-valuemin={-180}
      aria-valuemax={180}
      aria-valuetext={words}
      onPointerDown={onDown}
      onKeyDown={(event) => {
        const step = event.shiftKey ? 1 : STEP;
        const by = { ArrowLeft: step, ArrowUp: step, ArrowRight: -step, ArrowDown: -step }[event.key];
        const isDelete = event.key === 'Delete' || event.key === 'Backspace';
        if (by === undefined && !isDelete) {
          return;
        }
        // Not of the whole harness.
        event.preventDefault();
        event.stopPropagation();
        if (by !== undefined) {
          onTurn(Math.round(turn.angle) + by);
        } else if (turn.told) {
          onTurn(undefined);
        }
      }}
    >
      <title>{`${name}: ${words}${turn.told ? '. Delete leaves it to itself' : ''}`}</title>
    </circle>
  );
}

/** Where the hand would have a branch, with its angle, or what is in its way. */
function Wanted({ turning: { turn, wanted, inWay }, name, scale }: { turning: Turning; name: string; scale: number }) {
  const [x, y] = endAt(turn, wanted);
  return (
    <g className={`board-wanted${inWay === null ? '' : ' held'}`} fontSize={13 / scale}>
      <line x1={turn.at[0]} y1={turn.at[1]} x2={x} y2={y} strokeWidth={1.5 / scale} strokeDasharray={`${5 / scale}`} />
      <text x={x + 12 / scale} y={y - 12 / scale} strokeWidth={4 / scale}>
        {inWay === null ? `${name} ${wanted}°` : `${wanted}°: no room, ${inWay} lies there`}
      </text>
    </g>
  );
}
