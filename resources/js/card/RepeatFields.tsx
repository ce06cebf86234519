import { Trash2 } from 'lucide-react';
import type { Repeat, Run, SolvedRun } from '../api/types';
import { NumberField } from '../job/NumberField';
import { tell } from '../job/tell';
import { useJob } from '../job/useJob';
import { Choice } from '../ui/Choice';
import { IconButton } from '../ui/IconButton';
import { Row, Section } from '../ui/Section';
import { OutlineTable } from './OutlineFields';

interface Props {
  run: Run;
  solved: SolvedRun;
  onChange: (changed: Partial<Run>) => Promise<void>;
}

const KINDS: [Repeat['kind'], string][] = [
  ['clip', 'clips'],
  ['tie', 'ties'],
  ['rib', 'ribs'],
  ['ring', 'rings'],
  ['mark', 'printed marks'],
];

/** What comes again and again along a run. */
export function RepeatFields({ run, solved, onChange }: Props) {
  const { lay } = useJob();
  const repeats = run.repeats ?? [];
  const keep = (changed: Repeat[]) => onChange({ repeats: changed.length === 0 ? undefined : changed });
  return (
    <Section
      title="Along it"
      tools={
        <Choice
          narrow
          label="Put along it"
          value=""
          of={[['', 'add …'], ...KINDS]}
          onChange={(kind) => tell(lay(run.id, { do: 'repeat-along', kind: kind as Repeat['kind'] }))}
        />
      }
    >
      {repeats.length === 0 && <p className="quiet mb-0">Nothing repeats along it.</p>}
      {repeats.map((repeat, index) => (
        <OneRepeat
          // biome-ignore lint/suspicious/noArrayIndexKey: it is its number in the run
          key={index}
          run={run}
          index={index}
          repeat={repeat}
          words={solved.repeats[index]?.words ?? repeat.kind}
          onChange={(changed) => keep(repeats.map((one, i) => (i === index ? { ...one, ...changed } : one)))}
          onRemove={() => tell(keep(repeats.filter((_, i) => i !== index)))}
        />
      ))}
    </Section>
  );
}

interface OneProps {
  run: Run;
  index: number;
  repeat: Repeat;
  words: string;
  onChange: (changed: Partial<Repeat>) => Promise<void>;
  onRemove: () => void;
}

function OneRepeat({ run, index, repeat, words, onChange, onRemove }: OneProps) {
  const { lay } = useJob();
  const title = `Repeat ${index + 1}`;
  const isCounted = repeat.count !== undefined;
  const measures = [
    ['from', 'From the start'],
    ['to', 'From the end'],
    ['width', 'Width along it'],
    ['height', 'Height over it'],
  ] as const;
  return (
    <fieldset className="joint">
      <legend>
        {words}
        <IconButton icon={Trash2} name={`Take out: ${words}`} onClick={onRemove} />
      </legend>
      <Row label="Spaced by">
        <select
          className="form-select form-select-sm"
          aria-label={`${title}: spaced by`}
          value={isCounted ? 'count' : repeat.fit === true ? 'fit' : 'pitch'}
          onChange={({ target: { value } }) =>
            tell(
              (value === 'count') === isCounted
                ? onChange({ fit: value === 'fit' ? true : undefined })
                : lay(run.id, { do: 'repeat-along', kind: repeat.kind, repeat: index }),
            )
          }
        >
          <option value="fit">a pitch, fitted</option>
          <option value="pitch">a pitch</option>
          <option value="count">their number</option>
        </select>
      </Row>
      <Row label={isCounted ? 'Number' : 'Pitch'}>
        <NumberField
          label={`${title}: ${isCounted ? 'number' : 'pitch'}`}
          unit={isCounted ? '' : undefined}
          plain={isCounted}
          value={isCounted ? repeat.count : repeat.pitch}
          onChange={(value) => onChange(isCounted ? { count: value } : { pitch: value })}
        />
      </Row>
      {measures.map(([key, label]) => (
        <Row key={key} label={label}>
          <NumberField
            label={`${title}: ${label.toLowerCase()}`}
            value={repeat[key]}
            onChange={(value) => onChange({ [key]: value })}
          />
        </Row>
      ))}
      <Row label="Shape">
        <Choice
          label={`${title}: shape`}
          value={repeat.outline === undefined ? 'round' : 'outline'}
          of={[
            ['round', 'round'],
            ['outline', 'an outline'],
          ]}
          onChange={() => tell(lay(run.id, { do: 'outline-repeat', repeat: index }))}
        />
      </Row>
      {repeat.outline !== undefined && (
        <OutlineTable
          name={`${title}: outline`}
          outline={repeat.outline}
          onChange={(outline) => onChange({ outline })}
          onDelete={undefined}
        />
      )}
      <label className="row-field">
        <span>On straights only</span>
        <input
          type="checkbox"
          className="form-check-input"
          aria-label={`${title}: on straights only`}
          checked={repeat.straights === true}
          onChange={(event) => tell(onChange({ straights: event.target.checked ? true : undefined }))}
        />
      </label>
    </fieldset>
  );
}
