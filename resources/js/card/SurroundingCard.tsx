import type { Hinge, Surrounding } from '../api/types';
import { show } from '../job/format';
import { NumberField } from '../job/NumberField';
import { tell } from '../job/tell';
import { useJob } from '../job/useJob';
import { useTriangles } from '../job/useTriangles';
import { VectorField } from '../job/VectorField';
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
      <ChannelList block={id} ports={[]} density={surrounding.density} onDensity={(density) => change({ density })} />
      <HingeFields surrounding={surrounding} onChange={(hinge) => change({ hinge })} />
    </>
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
