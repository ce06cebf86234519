import { useState } from 'react';
import { files } from '../api/client';
import type { Run } from '../api/types';
import { useWorkbench } from '../job/store';
import { useJob } from '../job/useJob';
import { Button } from '../ui/Button';
import { Section } from '../ui/Section';
import { DrawingDialog } from './DrawingDialog';

/** The bend sheet of a run, or of a spool of it, small; it is looked at and saved in a dialog. */
export function BendSheetSection({ run, spool }: { run: Run; spool: string | undefined }) {
  const { state } = useJob();
  const open = useWorkbench((store) => store.open);
  const [isOpen, setIsOpen] = useState(false);
  const name = spool ?? run.name ?? run.id;
  return (
    <Section title="Bend sheet" tools={<Button onClick={() => open('sheets')}>Title block</Button>}>
      <button type="button" className="sheet-small" onClick={() => setIsOpen(true)} title="Look at it and save it">
        <img
          src={files.drawing(state.id, 'bend-sheet', 'svg', { run: run.id, spool }, state.revision, 0)}
          alt={`Bend sheet of ${name}`}
        />
      </button>
      <div className="made-list">
        <Button onClick={() => setIsOpen(true)}>Look at the bend sheet</Button>
        <Button href={files.drawing(state.id, 'bend-sheet', 'pdf', { run: run.id, spool }, state.revision)} download>
          Save it as PDF
        </Button>
      </div>
      {isOpen && (
        <DrawingDialog
          kind="bend-sheet"
          title={`Bend sheet: ${name}`}
          run={run.id}
          spool={spool}
          onClose={() => setIsOpen(false)}
        />
      )}
    </Section>
  );
}
