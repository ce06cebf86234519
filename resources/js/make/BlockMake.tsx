import { type BlockItem, channelsIn } from '../job/blocks';
import { useJob } from '../job/useJob';
import { Section } from '../ui/Section';
import { BodyFiles } from './BodyFiles';
import { JoinedWeight } from './BodyWeight';
import { DrillingTable } from './DrillingTable';

/** A block with its channels: what it weighs and holds, and its files. */
export function BlockMake({ block, chord }: { block: BlockItem; chord: number }) {
  const { state, items } = useJob();
  const fault = state.bodies.find(({ id }) => id === block.id)?.fault ?? null;
  return (
    <Section title={`Block: ${block.name}`}>
      <p className="quiet">
        Without{' '}
        {channelsIn(block.id, items('runs'))
          .map(({ id, name }) => name ?? id)
          .join(', ')}
        , as one closed body.
      </p>
      {fault === null ? (
        <>
          <JoinedWeight body={block.id} />
          <DrillingTable block={block.id} />
          <BodyFiles job={state.id} joined={block} chord={chord} />
        </>
      ) : (
        <p className="text-danger">{fault}</p>
      )}
    </Section>
  );
}
