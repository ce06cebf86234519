import { useState } from 'react';
import { files } from '../api/client';
import type { Run } from '../api/types';
import { useWorkbench } from '../job/store';
import { useJob } from '../job/useJob';
import { Button } from '../ui/Button';
import { Section } from '../ui/Section';
import { DrawingDialog } from './DrawingDialog';

interface Props {
  run: Run;
  spool: string | undefined;
  /** Whether it is of bends; else it tells what to cut. */
  isOfBends: boolean;
}

/** The bend or cut sheet of a run, or of a spool of it, small; it is looked at and saved in a dialog. */
export function BendSheetSection({ run, spool, isOfBends }: Props) {
  const { state } = useJob();
  const open = useWorkbench((store) => store.open);
  const [shown, setShown] = useState<'bend-sheet' | 'isometric' | null>(null);
  const name = spool ?? run.name ?? run.id;
  const sheet = isOfBends ? 'Bend sheet' : 'Cut sheet';
  return (
    <Section title="Drawings" tools={<Button onClick={() => open('sheets')}>Title block</Button>}>
      <button
        type="button"
        className="sheet-small"
        onClick={() => setShown('bend-sheet')}
        title="Look at it and save it"
      >
        <img
          // Another picture is another element: the sheet of the run before would stay until this one has come.
          key={`${run.id} ${spool}`}
          src={files.drawing(state.id, 'bend-sheet', 'svg', { run: run.id, spool }, state.revision, 0)}
          alt={`${sheet} of ${name}`}
        />
      </button>
      <div className="made-list">
        <Button onClick={() => setShown('bend-sheet')}>Look at the {sheet.toLowerCase()}</Button>
        {run.route.kind === 'corners' && (
          <Button onClick={() => setShown('isometric')}>Look at the isometric drawing</Button>
        )}
        <Button href={files.drawing(state.id, 'bend-sheet', 'pdf', { run: run.id, spool }, state.revision)} download>
          Save it as PDF
        </Button>
      </div>
      {shown !== null && (
        <DrawingDialog
          kind={shown}
          title={shown === 'bend-sheet' ? `${sheet}: ${name}` : `Isometric: ${run.name ?? run.id}`}
          run={run.id}
          spool={shown === 'bend-sheet' ? spool : undefined}
          mayHaveTape={shown === 'bend-sheet' && isOfBends}
          onClose={() => setShown(null)}
        />
      )}
    </Section>
  );
}
