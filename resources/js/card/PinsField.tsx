import type { Port } from '../api/types';
import { Field } from '../job/Field';

type Pin = NonNullable<Port['pins']>[number];

/** Most pins of a connector that a range may stand for. */
const MOST = 400;

const markOf = (pin: Pin) => (typeof pin === 'string' ? pin : pin.id);

/** Returns the marks of pins as typed: “1-12, PE” stands for thirteen. */
export function pinsOf(typed: string): string[] {
  const marks = typed
    .split(/[,;\s]+/)
    .filter((mark) => mark !== '')
    .flatMap((mark) => {
      const [, from, to] = /^(\d+)[-–](\d+)$/.exec(mark) ?? [];
      const [first, last] = [Number(from), Number(to)];
      return from === undefined || last < first || last - first >= MOST
        ? [mark]
        : Array.from({ length: last - first + 1 }, (_, i) => String(first + i));
    });
  const twice = marks.find((mark, i) => marks.indexOf(mark) !== i);
  if (twice !== undefined) {
    throw new Error(`There are two pins ${twice}.`);
  }
  return marks;
}

/** Writes marks that follow each other as a range. */
export function pinsInWords(pins: readonly Pin[]): string {
  const words: string[] = [];
  const marks = pins.map(markOf);
  for (let i = 0; i < marks.length; i++) {
    let last = i;
    while (
      /^\d+$/.test(marks[i] ?? '') &&
      marks[last + 1] !== undefined &&
      marks[last + 1] === String(Number(marks[last]) + 1)
    ) {
      last++;
    }
    words.push(last > i + 1 ? `${marks[i]}-${marks[last]}` : (marks[i] ?? ''));
    i = last > i + 1 ? last : i;
  }
  return words.join(', ');
}

interface Props {
  label: string;
  pins: readonly Pin[] | undefined;
  onChange: (pins: Pin[] | undefined) => Promise<void>;
}

/** The pins of a connector, told by their marks; what one is for is kept as long as its mark is there. */
export function PinsField({ label, pins = [], onChange }: Props) {
  const enter = async (typed: string) => {
    const marks = pinsOf(typed);
    const next = marks.map((mark) => pins.find((pin) => markOf(pin) === mark) ?? mark);
    await onChange(next.length === 0 ? undefined : next);
  };
  return <Field label={label} kind="text" placeholder="none, or 1-12, PE" text={pinsInWords(pins)} onEnter={enter} />;
}
