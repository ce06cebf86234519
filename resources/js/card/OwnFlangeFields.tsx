import type { BoltHoles, FlangeFace, FlangeNeck, Run, ShapeFlange } from '../api/types';
import type { OwnFlange } from '../job/flanges';
import { NumberField } from '../job/NumberField';
import { tell } from '../job/tell';
import { useJob } from '../job/useJob';
import { Choice } from '../ui/Choice';
import { Row } from '../ui/Section';
import type { FlangePlace } from './FlangeFields';
import { KeptFlange } from './KeptFlange';

interface Props {
  title: string;
  run: Run;
  place: FlangePlace;
  flange: OwnFlange;
  onChange: (flange: OwnFlange) => Promise<void>;
}

/** A number of a flange: where it is told, and what it is called. */
interface Measure {
  key: string;
  label: string;
  unit?: string;
}

const PLATES = {
  round: [{ key: 'od', label: 'Outside diameter' }],
  rectangle: [
    { key: 'width', label: 'Width' },
    { key: 'height', label: 'Height' },
    { key: 'corner_radius', label: 'Corners, R' },
  ],
  oval: [
    { key: 'od', label: 'Middle, ø' },
    { key: 'end_radius', label: 'Ends, R' },
  ],
} as const satisfies Record<string, readonly Measure[]>;

const THICKNESS: Measure = { key: 'thickness', label: 'Thickness' };

/** Of one that the tube goes into; to a neck it is welded. */
const BORE: Measure = { key: 'bore', label: 'Bore' };

const FACE: readonly Measure[] = [
  { key: 'diameter', label: 'Face, ø' },
  { key: 'height', label: 'Face, height' },
];

const HUB: readonly Measure[] = [
  { key: 'diameter', label: 'Neck at plate, ø' },
  { key: 'length', label: 'Neck, length' },
  { key: 'radius', label: 'Fillet, R' },
  { key: 'land', label: 'Land' },
];

const HOLES: readonly Measure[] = [
  { key: 'circle', label: 'Bolt circle' },
  { key: 'diameter', label: 'Bolt holes, ø' },
  { key: 'start', label: 'First hole at', unit: '°' },
];

/** Plate, bore, bolt holes, face and neck of a flange with measures of its own. */
export function OwnFlangeFields({ title, run, place, flange, onChange }: Props) {
  const { lay } = useJob();
  const shape = (changed: Pick<ShapeFlange, 'plate' | 'face' | 'neck'>) =>
    tell(lay(run.id, { do: 'shape-flange', ...place, ...changed }));
  const plate = flange.plate ?? 'round';
  const neck = flange.neck === undefined ? 'none' : flange.neck.diameter === undefined ? 'fillet' : 'hub';
  const set = (changed: Partial<OwnFlange>) => onChange({ ...flange, ...changed } as OwnFlange);
  return (
    <>
      <Row label="Plate">
        <Choice
          label={`${title}, flange: plate`}
          value={plate}
          of={[
            ['round', 'round'],
            ['rectangle', 'square or rectangular'],
            ['oval', 'oval, two bolts'],
          ]}
          onChange={(value) => shape({ plate: value as 'round' | 'rectangle' | 'oval' })}
        />
      </Row>
      <Measures
        title={title}
        of={[...PLATES[plate], THICKNESS, ...(neck === 'hub' ? [] : [BORE])]}
        values={flange}
        onChange={set}
      />
      {plate !== 'oval' && (
        <Row label="Number of holes">
          <NumberField
            label={`${title}, flange: number of holes`}
            unit=""
            plain
            value={flange.holes?.count ?? 0}
            onChange={(count) => lay(run.id, { do: 'drill-flange', ...place, count })}
          />
        </Row>
      )}
      {flange.holes !== undefined && flange.holes.count !== 0 && (
        <Measures
          title={title}
          of={plate === 'oval' ? HOLES.slice(0, 2) : HOLES}
          values={flange.holes}
          placeholder="astride"
          onChange={(changed) => set({ holes: { ...flange.holes, ...changed } as BoltHoles })}
        />
      )}
      <Row label="Face">
        <Choice
          label={`${title}, flange: face`}
          value={flange.face?.kind ?? 'flat'}
          of={[
            ['flat', 'flat'],
            ['raised', 'raised'],
            ['recess', 'recess'],
            ['spigot', 'spigot'],
          ]}
          onChange={(value) => shape({ face: value as FlangeFace['kind'] })}
        />
      </Row>
      {flange.face !== undefined && flange.face.kind !== 'flat' && (
        <Measures
          title={title}
          of={FACE}
          values={flange.face}
          onChange={(changed) => set({ face: { ...flange.face, ...changed } as FlangeFace })}
        />
      )}
      <Row label="Joined">
        <Choice
          label={`${title}, flange: joined to the tube`}
          value={neck}
          of={[
            ['none', 'square'],
            ['fillet', 'with a fillet'],
            ['hub', 'with a neck'],
          ]}
          onChange={(value) => shape({ neck: value as 'none' | 'fillet' | 'hub' })}
        />
      </Row>
      {flange.neck !== undefined && (
        <Measures
          title={title}
          of={neck === 'hub' ? HUB : HUB.slice(2, 3)}
          values={flange.neck}
          onChange={(changed) => set({ neck: { ...flange.neck, ...changed } as FlangeNeck })}
        />
      )}
      <Measures
        title={title}
        of={[{ key: 'turn', label: 'Turned by', unit: '°' }]}
        values={{ turn: flange.turn ?? 0 }}
        onChange={set}
      />
      <KeptFlange title={title} flange={flange} onNumber={(part_number) => set({ part_number })} />
      <label className="row-field">
        <span>Blind</span>
        <input
          type="checkbox"
          className="form-check-input"
          aria-label={`${title}, flange: blind`}
          checked={flange.blind === true}
          onChange={(event) => tell(set({ blind: event.target.checked ? true : undefined }))}
        />
      </label>
    </>
  );
}

interface MeasuresProps {
  title: string;
  of: readonly Measure[];
  values: object;
  placeholder?: string;
  onChange: (changed: Record<string, number | string>) => Promise<void>;
}

/** A row for each of some numbers. */
function Measures({ title, of, values, placeholder, onChange }: MeasuresProps) {
  const numbers = values as Record<string, number | string | undefined>;
  return of.map(({ key, label, unit }) => (
    <Row key={key} label={label}>
      <NumberField
        label={`${title}, flange: ${label.toLowerCase()}`}
        unit={unit}
        plain={unit !== undefined}
        value={numbers[key]}
        placeholder={unit === '°' ? placeholder : undefined}
        onChange={(value) => onChange({ [key]: value })}
      />
    </Row>
  ));
}
