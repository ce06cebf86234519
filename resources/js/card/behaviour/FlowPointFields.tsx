import { Compass, MoveVertical, Trash2 } from 'lucide-react';
import { useState } from 'react';
import type { FlowPoint } from '../../api/types';
import { atOf, putAt } from '../../job/flowPoints';
import { NumberField } from '../../job/NumberField';
import { usePointing } from '../../job/pointing';
import { tell } from '../../job/tell';
import { useJob } from '../../job/useJob';
import { VectorField } from '../../job/VectorField';
import { IconButton } from '../../ui/IconButton';
import { Row } from '../../ui/Section';
import { AxisField } from '../AxisField';
import { WayThrough } from './ThroughFields';

interface Props {
  number: number;
  point: FlowPoint;
  points: readonly FlowPoint[];
  /** Id of the run. */
  run: string;
  onChange: (point: FlowPoint | null) => Promise<void>;
}

/** A point of a smooth run: its place, what it is level with, its direction. */
export function FlowPointFields({ number, point, points, run, onChange }: Props) {
  const { item, lay } = useJob();
  const [levelling, setLevelling] = useState(false);
  const at = atOf(point);
  const name = `Point ${number}`;
  if (at === null) {
    const gate = Array.isArray(point) || !('clamp' in point) ? null : point;
    return gate === null ? null : (
      <div className="d-flex gap-1 align-items-center mb-1">
        <span className="flex-grow-1">
          {number} · {item('clamps', gate.clamp)?.name ?? gate.clamp}
        </span>
        <WayThrough gate={gate} onChange={(way) => onChange({ ...gate, ...way })} />
        <IconButton icon={Trash2} name={`Take point ${number} out`} onClick={() => tell(onChange(null))} />
      </div>
    );
  }
  const held = Array.isArray(point) || 'clamp' in point ? null : point;
  return (
    <fieldset className="mb-1">
      <legend className="visually-hidden">{name}</legend>
      <div className="d-flex align-items-center">
        <div className="flex-grow-1">
          <VectorField label={name} value={at} onChange={(next) => onChange(putAt(point, next))} />
        </div>
        <IconButton
          icon={MoveVertical}
          name={`Level ${name} with something`}
          onClick={() => setLevelling(!levelling)}
        />
        <IconButton
          icon={Compass}
          name={
            held?.along === undefined
              ? `Hold a direction at point ${number}`
              : `Let go of the direction at point ${number}`
          }
          onClick={() => tell(lay(run, { do: 'hold-direction', point: number - 1, hold: held?.along === undefined }))}
        />
        <IconButton icon={Trash2} name={`Take point ${number} out`} onClick={() => tell(onChange(null))} />
      </div>
      {levelling && (
        <LevelFields
          number={number}
          points={points}
          onLevel={(axis, with_) =>
            lay(run, { do: 'level-point', point: number - 1, axis, with: with_ }).then(() => setLevelling(false))
          }
        />
      )}
      {held?.along !== undefined && (
        <>
          <AxisField label="Goes" of={name} axis={held.along} onChange={(along) => onChange({ ...held, along })} />
          <Row label="Pull">
            <NumberField
              label={`Pull at point ${number}`}
              unit="×"
              plain
              value={held.pull ?? 1}
              onChange={(pull) => onChange({ ...held, pull })}
            />
          </Row>
        </>
      )}
    </fieldset>
  );
}

interface LevelProps {
  number: number;
  points: readonly FlowPoint[];
  /** Makes it level along an axis with another point, counted from 0, or with a port or clamp by its name. */
  onLevel: (axis: 'x' | 'y' | 'z', with_: number | string) => Promise<void>;
}

/** Makes a point level, along one axis, with another or with what is pointed at. */
function LevelFields({ number, points, onLevel }: LevelProps) {
  const { state } = useJob();
  const ask = usePointing((store) => store.ask);
  const [axis, setAxis] = useState(['x', 'y', 'z'].indexOf(state.job.up ?? 'z'));
  const level = (with_: number | string) => onLevel((['x', 'y', 'z'] as const)[axis] ?? 'z', with_);
  const others = points.flatMap((other, i) => {
    const place = atOf(other);
    return i + 1 === number || place === null ? [] : [i + 1];
  });
  return (
    <div className="d-flex gap-1 mb-1">
      <select
        className="form-select form-select-sm w-auto"
        aria-label={`Level point ${number} in`}
        value={axis}
        onChange={(event) => setAxis(Number(event.target.value))}
      >
        {['x', 'y', 'z'].map((one, i) => (
          <option key={one} value={i}>
            in {one}
          </option>
        ))}
      </select>
      <select
        className="form-select form-select-sm"
        aria-label={`Level point ${number} with`}
        value=""
        onChange={(event) => {
          if (event.target.value !== 'pointed') {
            tell(level(Number(event.target.value) - 1));
          } else {
            ask({
              words: `Level point ${number} with which port or clamp?`,
              kinds: ['port', 'clamp'],
              take: async ({ anchor }) => {
                if (typeof anchor === 'string') {
                  await level(anchor);
                }
              },
            });
          }
        }}
      >
        <option value="" disabled>
          with …
        </option>
        {others.map((other) => (
          <option key={other} value={other}>
            point {other}
          </option>
        ))}
        <option value="pointed">a port or clamp, pointed at…</option>
      </select>
    </div>
  );
}
