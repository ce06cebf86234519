import type { Stock } from '../api/types';
import { length } from '../job/format';
import { NumberField } from '../job/NumberField';
import { tell } from '../job/tell';
import { useJob } from '../job/useJob';
import { Choice } from '../ui/Choice';
import { Row } from '../ui/Section';
import { OutlineFields } from './OutlineFields';
import { SectionPicture } from './SectionPicture';

type SectionOf = Stock['section'];

const SHAPES = [
  ['round', 'round'],
  ['rectangle', 'rectangle'],
  ['arched', 'arched'],
  ['outline', 'outline of its own'],
] as const;

interface Props {
  stock: Stock;
  onChange: (section: SectionOf) => Promise<void>;
}

/** The section of a stock: its shape and its numbers, with a picture to scale. */
export function SectionFields({ stock, onChange }: Props) {
  const { state } = useJob();
  const { section } = stock;
  const facts = state.stocks[stock.id];
  if (section === undefined) {
    return null;
  }
  const toShape = (shape: string) => {
    const made = facts?.shapes[shape];
    return made === undefined ? Promise.resolve() : onChange(made);
  };
  return (
    <>
      <Row label="Shape">
        <Choice
          label="Shape of the section"
          value={section.shape}
          of={SHAPES}
          onChange={(shape) => tell(toShape(shape))}
        />
      </Row>
      {section.shape === 'round' && <Round stock={stock} section={section} onChange={onChange} />}
      {(section.shape === 'rectangle' || section.shape === 'arched') && (
        <Sides stock={stock} section={section} onChange={onChange} />
      )}
      {section.shape === 'outline' ? (
        <OutlineFields section={section} facts={facts} onChange={onChange} />
      ) : (
        section.shape !== 'round' && facts !== undefined && <SectionPicture facts={facts} />
      )}
      {facts !== undefined && section.shape !== 'round' && (
        <p className="quiet mb-0">
          {length(facts.extent[0])} wide, {length(facts.extent[1])} high, {facts.area.toFixed(1)} mm² of material
        </p>
      )}
    </>
  );
}

interface RoundProps extends Props {
  section: Extract<SectionOf, { shape: 'round' }>;
}

function Round({ stock, section, onChange }: RoundProps) {
  return (
    <>
      <Row label="Outside diameter">
        <NumberField label="Outside diameter" value={section.od} onChange={(od) => onChange({ ...section, od })} />
      </Row>
      {section.bore === undefined ? (
        <Wall stock={stock} section={section} onChange={onChange} />
      ) : (
        <Row label="Bore">
          <NumberField label="Bore" value={section.bore} onChange={(bore) => onChange({ ...section, bore })} />
        </Row>
      )}
    </>
  );
}

interface SidesProps extends Props {
  section: Extract<SectionOf, { shape: 'rectangle' | 'arched' }>;
}

function Sides({ stock, section, onChange }: SidesProps) {
  return (
    <>
      <Row label="Width">
        <NumberField label="Width" value={section.width} onChange={(width) => onChange({ ...section, width })} />
      </Row>
      <Row label="Height">
        <NumberField label="Height" value={section.height} onChange={(height) => onChange({ ...section, height })} />
      </Row>
      {section.shape === 'arched' ? (
        <Row label="Rise of the arch">
          <NumberField
            label="Rise of the arch"
            value={section.rise}
            onChange={(rise) => onChange({ ...section, rise })}
          />
        </Row>
      ) : (
        <Row label="Corner radius">
          <NumberField
            label="Corner radius outside"
            value={section.corner_radius ?? 0}
            onChange={(corner_radius) => onChange({ ...section, corner_radius })}
          />
        </Row>
      )}
      <Wall stock={stock} section={section} onChange={onChange} />
    </>
  );
}

interface WallProps extends Props {
  section: Extract<SectionOf, { shape: 'round' | 'rectangle' | 'arched' }>;
}

function Wall({ stock, section, onChange }: WallProps) {
  const { state } = useJob();
  const isSolid = section.wall === undefined;
  return (
    <>
      <Row label="Section">
        <Choice
          label="Solid or hollow"
          value={isSolid ? 'solid' : 'hollow'}
          of={[
            ['hollow', 'hollow'],
            ['solid', 'solid'],
          ]}
          onChange={(how) =>
            tell(onChange({ ...section, wall: how === 'solid' ? undefined : state.stocks[stock.id]?.hollow_wall }))
          }
        />
      </Row>
      {!isSolid && (
        <Row label="Wall">
          <NumberField label="Wall" value={section.wall} onChange={(wall) => onChange({ ...section, wall })} />
        </Row>
      )}
    </>
  );
}
