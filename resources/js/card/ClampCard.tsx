import { Vector3 } from 'three';
import type { Clamp } from '../api/types';
import { NumberField } from '../job/NumberField';
import { tell } from '../job/tell';
import { turnOf } from '../job/turnOf';
import { useJob } from '../job/useJob';
import { VectorField } from '../job/VectorField';
import { Row, Section } from '../ui/Section';
import { AxisField } from './AxisField';
import { CardHead } from './CardHead';
import { MountField } from './MountFields';
import { inFrameOf } from './mounting';

/** The card of a clamp: its place and its bore. */
export function ClampCard({ id }: { id: string }) {
  const { state, item, put, places } = useJob();
  const clamp = item('clamps', id);
  if (clamp === undefined) {
    return null;
  }
  const place = places.find((one) => one.list === 'clamps' && one.id === id);
  const host = places.find((one) => one.list === 'surroundings' && one.id === clamp.on);
  const mount = (on: string | undefined) => {
    const next = places.find((one) => one.list === 'surroundings' && one.id === on);
    const turn = place === undefined ? null : turnOf(place.pose);
    const axis = turn === null ? new Vector3(0, 0, 1) : new Vector3(0, 0, 1).applyQuaternion(turn);
    const { at, along } = inFrameOf(next, new Vector3(...(place?.pose.at ?? [0, 0, 0])), axis);
    return change({ on, at, axis: along, face: undefined, stand_off: undefined });
  };
  const change = (changed: Partial<Clamp>) => put('clamps', { ...clamp, ...changed });
  return (
    <>
      <CardHead list="clamps" item={clamp} under="clamp" />
      <Section title="Place">
        <VectorField label="At" value={clamp.at} onChange={(at) => change({ at })} />
        <AxisField label="Axis" axis={clamp.axis} onChange={(axis) => change({ axis })} />
        <MountField on={clamp.on} onChange={mount} />
        {clamp.on !== undefined && (
          <>
            <Row label="Stands on">
              <select
                className="form-select form-select-sm"
                aria-label="Stands on"
                value={clamp.stand_off === undefined ? '' : (clamp.face ?? 'front')}
                onChange={(event) =>
                  tell(
                    event.target.value === ''
                      ? change({ face: undefined, stand_off: undefined })
                      : change({ face: event.target.value, stand_off: clamp.stand_off ?? state.defaults.stand_off }),
                  )
                }
              >
                <option value="">no face of it</option>
                {host?.faces.map(({ name }) => (
                  <option key={name} value={name}>
                    its {name.replace('-', '−')} {name.length === 2 ? 'face' : ''}
                  </option>
                ))}
              </select>
            </Row>
            {clamp.stand_off !== undefined && (
              <Row label="Stand-off">
                <NumberField
                  label="Stand-off"
                  value={clamp.stand_off}
                  onChange={(stand_off) => change({ stand_off })}
                />
              </Row>
            )}
          </>
        )}
      </Section>
      <Section title="Size">
        <Row label="Bore">
          <NumberField label="Bore" value={clamp.bore} onChange={(bore) => change({ bore })} />
        </Row>
        <Row label="Width">
          <NumberField label="Width" value={clamp.width} onChange={(width) => change({ width })} />
        </Row>
      </Section>
    </>
  );
}
