import type { Follow, Hinge, Surrounding } from '../api/types';
import { show } from '../job/format';
import { NumberField } from '../job/NumberField';
import { tell } from '../job/tell';
import { useJob } from '../job/useJob';
import { useTriangles } from '../job/useTriangles';
import { VectorField } from '../job/VectorField';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { Row, Section } from '../ui/Section';
import { AxisField } from './AxisField';
import { CardHead } from './CardHead';
import { ChannelList } from './ChannelList';
import { PoseFields } from './PoseFields';
import { RoundEnds } from './RoundEnds';
import { ShapeFields } from './ShapeFields';

/** The card of a surrounding: a block, a panel, a panel on its hinge, a mesh. */
export function SurroundingCard({ id }: { id: string }) {
  const { item, put } = useJob();
  const surrounding = item('surroundings', id);
  if (surrounding === undefined) {
    return null;
  }
  const change = (changed: Partial<Surrounding>) => put('surroundings', { ...surrounding, ...changed });
  return (
    <>
      <CardHead
        list="surroundings"
        item={surrounding}
        under={surrounding.hinge === undefined ? 'stands around' : 'swings on its hinge'}
      />
      <PoseFields pose={surrounding.pose} onChange={(pose) => change({ pose })} />
      {surrounding.shape === 'mesh' ? (
        <>
          <MeshFacts mesh={surrounding.mesh ?? ''} />
          <RoundEnds id={id} />
        </>
      ) : surrounding.shape === 'panel' ? (
        <Section title="Panel">
          {(['width', 'height', 'thickness'] as const).map((side) => (
            <Row key={side} label={side.replace(/^./, (letter) => letter.toUpperCase())}>
              <NumberField
                label={side}
                value={surrounding[side] ?? 2}
                onChange={(value) => change({ [side]: value })}
              />
            </Row>
          ))}
        </Section>
      ) : (
        <ShapeFields
          title="Shape"
          shape={{ ...surrounding, shape: surrounding.shape }}
          onChange={(shape) => change(shape)}
        />
      )}
      <WayFields surrounding={surrounding} />
      <ChannelList block={id} ports={[]} density={surrounding.density} onDensity={(density) => change({ density })} />
      <HingeFields surrounding={surrounding} onChange={(hinge) => change({ hinge })} />
    </>
  );
}

/** How runs that lay themselves go by it: along it, or around a box that it becomes. */
function WayFields({ surrounding: { hinge: _, ...surrounding } }: { surrounding: Surrounding }) {
  const { state, edit } = useJob();
  const { id, name = id } = surrounding;
  const follow = state.job.follow ?? [];
  const others = follow.filter(({ of }) => of !== id);
  const own = follow.find(({ of }) => of === id);
  const set = (changed: Follow | null, step: string) =>
    edit([], { follow: changed === null ? others : [...others, changed] }, step);
  const makeKeepOut = () =>
    edit(
      [{ list: 'surroundings', id, item: null }],
      {
        keep_outs: [
          ...(state.job.keep_outs ?? []),
          { id, name, pose: surrounding.pose, size: surrounding.size ?? [] },
        ] as never,
      },
      `Make ${name} a keep-out`,
    );
  return (
    <Section title="Runs that lay themselves">
      <Row label="Go along it">
        <Choice
          label="Go along it"
          value={own === undefined ? 'no' : 'yes'}
          of={[
            ['no', 'no more than elsewhere'],
            ['yes', 'rather than elsewhere'],
          ]}
          onChange={(value) =>
            tell(value === 'no' ? set(null, `Follow ${name} no more`) : set({ of: id }, `Let runs go along ${name}`))
          }
        />
      </Row>
      {own !== undefined && (
        <Row label="Off its faces">
          <NumberField
            label="Off its faces"
            value={own.stand_off}
            placeholder="as near as may be"
            onChange={(stand_off) => set({ of: id, stand_off }, `Stand-off along ${name}`)}
          />
        </Row>
      )}
      {surrounding.shape === 'box' && <Button onClick={() => tell(makeKeepOut())}>Make it a box to stay out of</Button>}
    </Section>
  );
}

function HingeFields({
  surrounding,
  onChange,
}: {
  surrounding: Surrounding;
  onChange: (hinge: Hinge | undefined) => Promise<void>;
}) {
  const { hinge } = surrounding;
  const edge = -Number(surrounding.width ?? surrounding.size?.[0] ?? 0) / 2 || 0;
  return (
    <Section title="Hinge">
      <Row label="Swings">
        <select
          className="form-select form-select-sm"
          aria-label="Swings"
          value={hinge === undefined ? 'no' : 'yes'}
          onChange={(event) =>
            tell(onChange(event.target.value === 'no' ? undefined : { at: [edge, 0, 0], axis: '+y', angle: 0 }))
          }
        >
          <option value="no">no, it is fixed</option>
          <option value="yes">on a hinge</option>
        </select>
      </Row>
      {hinge !== undefined && (
        <>
          <Row label="Open by">
            <NumberField
              label="Hinge angle"
              unit="°"
              plain
              value={hinge.angle}
              onChange={(angle) => onChange({ ...hinge, angle })}
            />
          </Row>
          <VectorField label="Line at" of="Hinge" value={hinge.at} onChange={(at) => onChange({ ...hinge, at })} />
          <AxisField label="along" of="Hinge" axis={hinge.axis} onChange={(axis) => onChange({ ...hinge, axis })} />
        </>
      )}
    </Section>
  );
}

function MeshFacts({ mesh }: { mesh: string }) {
  const loaded = useTriangles(mesh);
  return (
    <Section title="Mesh">
      {loaded === null ? (
        <p className="quiet mb-0">Its triangles are not here. Bring its file in again, or wait until they have come.</p>
      ) : (
        <Row label="Triangles">
          <span className="figure">{show(loaded.geometry.getAttribute('position').count / 3, 0)}</span>
        </Row>
      )}
    </Section>
  );
}
