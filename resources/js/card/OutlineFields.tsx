import { Plus, Trash2 } from 'lucide-react';
import type { OutlineSection, StockFacts } from '../api/types';
import { NumberField } from '../job/NumberField';
import { tell } from '../job/tell';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { IconButton } from '../ui/IconButton';
import { type Handle, SectionPicture } from './SectionPicture';

type Outline = OutlineSection['outer'];
type Entry = Outline[number];
type Point = Exclude<Entry, { to: unknown }>;

interface Props {
  section: OutlineSection;
  facts: StockFacts | undefined;
  onChange: (section: OutlineSection) => Promise<void>;
}

const isPoint = (entry: Entry): entry is Point => Array.isArray(entry);

const endOf = (entry: Entry): Point => (isPoint(entry) ? entry : entry.to);

/** The outlines of a section: points typed in rows or dragged in a picture, straights and arcs between them. */
export function OutlineFields({ section, facts, onChange }: Props) {
  const outlines: [string, Outline][] = [
    ['Outside', section.outer],
    ...(section.holes ?? []).map((hole, index): [string, Outline] => [`Hole ${index + 1}`, hole]),
  ];
  const changed = (number: number, outline: Outline | null) => {
    if (number === 0) {
      return onChange({ ...section, outer: outline ?? section.outer });
    }
    const holes = section.holes ?? [];
    return onChange({
      ...section,
      holes: outline === null ? holes.toSpliced(number - 1, 1) : holes.with(number - 1, outline),
    });
  };
  const handles = outlines.flatMap(([name, outline], number) => handlesOf(name, outline, number));
  const onDrop = (key: string, at: [number, number]) => {
    const [number = 0, index = 0, which] = key.split(' ').map(Number);
    const outline = outlines[number]?.[1];
    const entry = outline?.[index];
    if (outline !== undefined && entry !== undefined) {
      const next = isPoint(entry) ? at : which === 1 ? { ...entry, through: at } : { ...entry, to: at };
      tell(changed(number, outline.with(index, next)));
    }
  };
  return (
    <>
      {facts !== undefined && <SectionPicture facts={facts} handles={handles} onDrop={onDrop} />}
      {outlines.map(([name, outline], number) => (
        <OutlineTable
          key={name}
          name={name}
          outline={outline}
          onChange={(next) => changed(number, next)}
          onDelete={number === 0 ? undefined : () => tell(changed(number, null))}
        />
      ))}
      {facts !== undefined && (
        <Button onClick={() => tell(onChange({ ...section, holes: [...(section.holes ?? []), facts.hole] }))}>
          <Plus size={13} aria-hidden /> Hole
        </Button>
      )}
    </>
  );
}

function handlesOf(name: string, outline: Outline, number: number): Handle[] {
  const plain = ([x, y]: Point): [number, number] | null =>
    typeof x === 'number' && typeof y === 'number' ? [x, y] : null;
  return outline.flatMap((entry, index) => {
    const points = isPoint(entry) ? [entry] : [entry.to, entry.through];
    return points.flatMap((point, which) => {
      const at = plain(point);
      return at === null ? [] : [{ key: `${number} ${index} ${which}`, name: `${name}, point ${index + 1}`, at }];
    });
  });
}

interface TableProps {
  name: string;
  outline: Outline;
  onChange: (outline: Outline) => Promise<void>;
  onDelete: (() => void) | undefined;
}

/** The points of one outline, typed in rows. */
export function OutlineTable({ name, outline, onChange, onDelete }: TableProps) {
  const addPoint = () => {
    const [first, last] = [outline[0], outline.at(-1)];
    if (first !== undefined && last !== undefined) {
      const middle = (axis: 0 | 1) => (Number(endOf(first)[axis]) + Number(endOf(last)[axis])) / 2;
      tell(onChange([...outline, [middle(0), middle(1)]]));
    }
  };
  const setKind = (index: number, entry: Entry, kind: string) => {
    const before = outline[index - 1];
    if (before === undefined) {
      return;
    }
    const [from, to] = [endOf(before), endOf(entry)];
    const middle = (axis: 0 | 1) => (Number(from[axis]) + Number(to[axis])) / 2;
    tell(onChange(outline.with(index, kind === 'arc' ? { through: [middle(0), middle(1)], to } : to)));
  };
  return (
    <div className="outline-table">
      <b>{name}</b>
      {outline.map((entry, index) => {
        const what = `${name}, point ${index + 1}`;
        return (
          // biome-ignore lint/suspicious/noArrayIndexKey: a point is its number
          <div className="outline-row" key={index}>
            <span className="quiet">{index + 1}</span>
            <Pair
              label={what}
              value={endOf(entry)}
              onChange={(to) => onChange(outline.with(index, isPoint(entry) ? to : { ...entry, to }))}
            />
            {index === 0 ? (
              <span className="quiet">start</span>
            ) : (
              <Choice
                label={`How the outline comes to point ${index + 1}`}
                narrow
                value={isPoint(entry) ? 'straight' : 'arc'}
                of={[
                  ['straight', 'straight'],
                  ['arc', 'arc through'],
                ]}
                onChange={(kind) => setKind(index, entry, kind)}
              />
            )}
            {index > 0 && (
              <IconButton
                icon={Trash2}
                name={`Delete point ${index + 1}`}
                onClick={() => tell(onChange(outline.toSpliced(index, 1)))}
              />
            )}
            {!isPoint(entry) && (
              <Pair
                label={`${what}, through`}
                value={entry.through}
                onChange={(through) => onChange(outline.with(index, { ...entry, through }))}
              />
            )}
          </div>
        );
      })}
      <span className="d-flex gap-1">
        <Button onClick={addPoint}>
          <Plus size={13} aria-hidden /> Point
        </Button>
        {onDelete !== undefined && <Button onClick={onDelete}>Delete this hole</Button>}
      </span>
    </div>
  );
}

interface PairProps {
  label: string;
  value: Point;
  onChange: (value: Point) => Promise<void>;
}

function Pair({ label, value, onChange }: PairProps) {
  return (
    <>
      <NumberField label={`${label} x`} unit="x" value={value[0]} onChange={(x) => onChange([x, value[1] ?? 0])} />
      <NumberField label={`${label} y`} unit="y" value={value[1]} onChange={(y) => onChange([value[0] ?? 0, y])} />
    </>
  );
}
