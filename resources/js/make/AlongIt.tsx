import type { SolvedRun } from '../api/types';
import { length } from '../job/format';
import { Row, Section } from '../ui/Section';

/** What is bought for the joints of a run, and what repeats along it, with how many of each. */
export function AlongIt({ solved }: { solved: SolvedRun }) {
  const bought = new Map<string, number>();
  for (const { kind, gasket, sleeve } of solved.joints) {
    const words =
      gasket !== null
        ? `Gasket ø ${length(gasket.inner)} / ø ${length(gasket.outer)} × ${length(gasket.thickness)}`
        : sleeve !== null
          ? `${kind.replace(/^./, (letter) => letter.toUpperCase())} ø ${length(sleeve.od)} × ${length(sleeve.length)}`
          : null;
    if (words !== null) {
      bought.set(words, (bought.get(words) ?? 0) + 1);
    }
  }
  if (bought.size === 0 && solved.repeats.length === 0) {
    return null;
  }
  return (
    <Section title="Along it">
      {[...bought].map(([words, count]) => (
        <Row key={words} label={words} wide>
          <span className="figure">{count} ×</span>
        </Row>
      ))}
      {solved.repeats.map((repeat, index) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: it is its number in the run
        <Row key={index} label={repeat.words}>
          <span className="figure">
            first at {length(repeat.places[0]?.along ?? 0)}
            {repeat.places[1] !== undefined && `, then ${length(repeat.places[1].along)} …`}
          </span>
        </Row>
      ))}
    </Section>
  );
}
