import type { Run } from '../api/types';
import { NumberField } from '../job/NumberField';
import { tell } from '../job/tell';
import { Choice } from '../ui/Choice';
import { Row } from '../ui/Section';

interface Props {
  run: Run;
  onChange: (changed: Partial<Run>) => Promise<void>;
}

/** How a section that is not round is turned about the path. */
export function PlacementFields({ run, onChange }: Props) {
  return (
    <>
      <Row label="Section">
        <Choice
          label="How the section goes along the path"
          value={run.section_up ?? 'path'}
          of={[
            ['path', 'turns with the path'],
            ['upright', 'stays upright'],
          ]}
          onChange={(up) => tell(onChange({ section_up: up === 'upright' ? 'upright' : undefined }))}
        />
      </Row>
      <Row label="Turned by">
        <NumberField
          label="Section turned by"
          unit="°"
          plain
          value={run.section_turn ?? 0}
          onChange={(section_turn) => onChange({ section_turn })}
        />
      </Row>
    </>
  );
}
