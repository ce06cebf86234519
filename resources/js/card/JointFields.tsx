import { Scissors, Trash2 } from 'lucide-react';
import type { Run, Sleeve, SolvedJoint, SolvedRun, SpoolJoint } from '../api/types';
import { length } from '../job/format';
import { NumberField } from '../job/NumberField';
import { useWorkbench } from '../job/store';
import { tell } from '../job/tell';
import { units } from '../job/units';
import { useJob } from '../job/useJob';
import { Button } from '../ui/Button';
import { Choice, named } from '../ui/Choice';
import { IconButton } from '../ui/IconButton';
import { Row, Section } from '../ui/Section';
import { FlangeFields } from './FlangeFields';

interface Props {
  run: Run;
  solved: SolvedRun;
  onChange: (changed: Partial<Run>) => Promise<void>;
}

const KINDS: [SpoolJoint['kind'], string][] = [
  ['flanges', 'flanges'],
  ['weld', 'weld'],
  ['coupling', 'coupling'],
  ['union', 'union'],
];

/** Where a run is broken into spools, and what of. */
export function JointFields({ run, solved, onChange }: Props) {
  const { lay } = useJob();
  const part = useWorkbench((store) => (store.picked?.id === run.id ? store.picked.part : null));
  const leg = part != null && 'leg' in part ? part.leg : null;
  const joints = run.joints ?? [];
  return (
    <Section
      title="Spools"
      tools={
        <Button
          title={leg === null ? 'Break it in the middle of its longest straight' : `Break leg ${leg} in its middle`}
          onClick={() => tell(lay(run.id, { do: 'break-run', ...(leg === null ? {} : { vertex: leg }) }))}
        >
          <Scissors size={14} aria-hidden /> {leg === null ? 'Break' : `Break leg ${leg}`}
        </Button>
      }
    >
      {joints.length === 0 && <p className="quiet mb-0">It is made in one piece.</p>}
      {solved.spools.length > 0 && (
        <ul className="spools">
          {solved.spools.map((spool) => (
            <li key={spool.mark}>
              <span>{spool.mark}</span>
              <span className="figure">
                {length(spool.cut_length)} {units().word}
              </span>
            </li>
          ))}
        </ul>
      )}
      {solved.joints.map((place) => {
        const joint = joints[place.joint];
        return (
          joint !== undefined && (
            <OneJoint
              key={place.joint}
              run={run}
              joint={joint}
              solved={place}
              onChange={(changed) =>
                onChange({ joints: joints.map((one, i) => (i === place.joint ? { ...one, ...changed } : one)) })
              }
            />
          )
        );
      })}
    </Section>
  );
}

interface OneProps {
  run: Run;
  joint: SpoolJoint;
  solved: SolvedJoint;
  onChange: (changed: Partial<SpoolJoint>) => Promise<void>;
}

function OneJoint({ run, joint, solved, onChange }: OneProps) {
  const { lay, items, item } = useJob();
  const own = item('stock', run.stock);
  const number = solved.joint + 1;
  const title = `Joint ${number}`;
  const { at } = joint;
  return (
    <fieldset className="joint">
      <legend>
        {title}
        <IconButton
          icon={Trash2}
          name={`Take out joint ${number}`}
          onClick={() => tell(lay(run.id, { do: 'take-out-joint', joint: solved.joint }))}
        />
      </legend>
      <Row label="Kind">
        <Choice
          label={`${title}: kind`}
          value={joint.kind}
          of={KINDS}
          onChange={(kind) =>
            tell(lay(run.id, { do: 'join-by', joint: solved.joint, kind: kind as SpoolJoint['kind'] }))
          }
        />
      </Row>
      {'leg' in at ? (
        <Row label={`On leg ${at.leg}, from its corner`}>
          <NumberField
            label={`${title}: from the corner`}
            value={at.from_start}
            onChange={(from_start) => onChange({ at: { ...at, from_start } })}
          />
        </Row>
      ) : (
        <Row label="From the start">
          <NumberField
            label={`${title}: from the start`}
            value={at.length}
            onChange={(along) => onChange({ at: { length: along } })}
          />
        </Row>
      )}
      {joint.kind === 'weld' && 'leg' in at && (
        <Row label="Goes on as">
          <Choice
            label={`${title}: goes on as`}
            value={joint.stock ?? ''}
            of={[['', 'it is'], ...named(items('stock').filter((one) => one.kind === own?.kind))]}
            onChange={(stock) => tell(onChange({ stock: stock === '' ? undefined : stock }))}
          />
        </Row>
      )}
      {joint.sleeve !== undefined && <SleeveFields title={title} sleeve={joint.sleeve} onChange={onChange} />}
      <Row label={joint.kind === 'flanges' ? 'Gasket, thick' : 'Gap'}>
        <NumberField label={`${title}: gap`} value={joint.gap ?? solved.gap} onChange={(gap) => onChange({ gap })} />
      </Row>
      {solved.flange?.flange != null && (
        <FlangeFields
          title={title}
          run={run}
          place={{ joint: solved.joint }}
          flange={joint.flange ?? null}
          solved={solved.flange}
          onChange={(flange) => onChange({ flange: (flange ?? undefined) as SpoolJoint['flange'] })}
        />
      )}
    </fieldset>
  );
}

interface SleeveProps {
  title: string;
  sleeve: Sleeve;
  onChange: (changed: Partial<SpoolJoint>) => Promise<void>;
}

/** The sleeve of a coupling or a union. */
function SleeveFields({ title, sleeve, onChange }: SleeveProps) {
  const measures = [
    ['length', 'Sleeve, length'],
    ['od', 'Sleeve, ø'],
  ] as const;
  return measures.map(([key, label]) => (
    <Row key={key} label={label}>
      <NumberField
        label={`${title}: ${label.toLowerCase()}`}
        value={sleeve[key]}
        onChange={(value) => onChange({ sleeve: { ...sleeve, [key]: value } })}
      />
    </Row>
  ));
}
