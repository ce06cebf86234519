import { useState } from 'react';
import { files } from '../api/client';
import { SaveButton } from './SaveButton';

const FORMATS = [
  ['step', 'STEP', 'exact surfaces, for other engineering programs'],
  ['3mf', '3MF', 'triangles, for printing'],
  ['glb', 'GLB', 'triangles, for viewing'],
  ['obj', 'OBJ', 'triangles'],
  ['stl', 'STL', 'triangles without colours and names'],
] as const;

interface Props {
  job: number;

  /** Id of the run; all runs of the job without it. */
  run?: string;

  /** Mark of the spool; the whole run without it. */
  spool?: string;

  /** Body of several runs, or block with channels, in place of a run. */
  joined?: { id: string; name?: string };

  /** Chord tolerance of triangles, mm. */
  chord: number;
}

/** Saves the bodies of a run or of the job, in every format there is. */
export function BodyFiles({ job, run, spool, joined, chord }: Props) {
  const [around, setAround] = useState(false);
  const [stepOn, setStepOn] = useState<string | null>(null);
  return (
    <fieldset className="body-files">
      <legend>
        {joined !== undefined
          ? `Body of ${joined.name ?? joined.id}`
          : run === undefined
            ? 'Bodies of all runs'
            : spool === undefined
              ? 'Body of this run'
              : `Body of ${spool}`}
      </legend>
      {FORMATS.map(([ending, word, what]) => (
        <SaveButton
          key={ending}
          address={
            joined === undefined
              ? files.body(job, run, ending, chord, spool, around)
              : files.joined(job, joined.id, ending, chord)
          }
          title={`Save as ${word}: ${what}`}
          onSaved={(on) => setStepOn(ending === 'step' ? on : null)}
        >
          {word}
        </SaveButton>
      ))}
      {(stepOn === 'splines' || stepOn === 'triangles') && (
        <p className="quiet mb-0 w-100" role="status">
          {stepOn === 'splines'
            ? 'The STEP file has it on B-splines within 0.02 mm of its surface.'
            : 'The STEP file has it in triangles: it has edges that are not rounded, or needs too many faces.'}
        </p>
      )}
      {run === undefined && joined === undefined && (
        <label className="d-flex gap-2 align-items-center w-100">
          <input type="checkbox" checked={around} onChange={(event) => setAround(event.target.checked)} />
          with equipment and surroundings
        </label>
      )}
    </fieldset>
  );
}
