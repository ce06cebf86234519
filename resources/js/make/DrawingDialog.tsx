import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Modal } from 'react-bootstrap';
import { api, type DrawingOptions, files } from '../api/client';
import { PAPERS } from '../job/papers';
import { units } from '../job/units';
import { useJob } from '../job/useJob';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { SaveButton } from './SaveButton';

const VIEWS = [
  ['', 'from all sides'],
  ['above', 'from above'],
  ['front', 'from the front'],
  ['right', 'from the right'],
  ['angle', 'at an angle'],
] as const;

/** Coordinates along which views look, that can be cut. */
const AXES: Readonly<Record<string, string>> = { above: 'height', front: 'depth', right: 'side' };

const OF_JOB = ['', 'paper of the job'] as const;

interface Props {
  /** Word of the kind of drawing. */
  kind: string;
  title: string;
  /** The run that it is of, and the mark of the spool; the whole job without them. */
  run?: string;
  spool?: string;
  /** Whether a tape at full size may follow, to lay along what is bent. */
  mayHaveTape?: boolean;
  onClose: () => void;
}

/** A drawing page by page, to be looked at and saved. */
export function DrawingDialog({ kind, title, run, spool, mayHaveTape = false, onClose }: Props) {
  const { state } = useJob();
  const [paper, setPaper] = useState('');
  const [tape, setTape] = useState(false);
  const [page, setPage] = useState(0);
  const [view, setView] = useState('');
  const [cut, setCut] = useState('');
  const [entered, setEntered] = useState('');
  const isArrangement = kind === 'arrangement';
  // Of what is seen at an angle, or from all sides, there is no section.
  const axis = AXES[view];
  const options: DrawingOptions = { run, spool, paper, tape, view, cut: axis === undefined ? '' : cut };
  const { data, error } = useQuery({
    queryKey: ['drawing', state.id, state.revision, kind, options],
    queryFn: () => api.drawingPages(state.id, kind, options),
    retry: false,
    placeholderData: (before) => before,
  });
  const pages = data?.pages ?? 0;
  const shown = Math.min(page, Math.max(0, pages - 1));
  const address = (format: 'pdf' | 'svg' | 'dxf') =>
    files.drawing(state.id, kind, format, options, state.revision, format === 'svg' ? shown : undefined);
  return (
    <Modal show onHide={onClose} size="xl" scrollable aria-labelledby="drawing-title" dialogClassName="drawing-dialog">
      <Modal.Header closeButton>
        <Modal.Title id="drawing-title">{title}</Modal.Title>
      </Modal.Header>
      <Modal.Body>
        {error !== null ? (
          <p className="text-danger">{error.message}</p>
        ) : pages === 0 ? (
          <p className="quiet">Drawing it…</p>
        ) : (
          <img
            className="drawing-page"
            src={address('svg')}
            alt={`${title}, sheet ${shown + 1} of ${pages}`}
            key={address('svg')}
          />
        )}
      </Modal.Body>
      <Modal.Footer className="drawing-foot">
        <div className="d-flex gap-2 align-items-center">
          <Button disabled={shown === 0} onClick={() => setPage(shown - 1)}>
            Previous
          </Button>
          <span className="figure">{pages === 0 ? 'sheet –' : `sheet ${shown + 1} of ${pages}`}</span>
          <Button disabled={shown >= pages - 1} onClick={() => setPage(shown + 1)}>
            Next
          </Button>
        </div>
        <div className="d-flex gap-2 align-items-center">
          {isArrangement && <Choice label="Drawn from" value={view} of={VIEWS} onChange={setView} />}
          {isArrangement && axis !== undefined && (
            <input
              className="form-control form-control-sm section-at"
              aria-label={`Section at ${axis}, ${units().word}`}
              placeholder={`section at ${axis}, ${units().word}`}
              inputMode="decimal"
              value={entered}
              onChange={(event) => setEntered(event.target.value)}
              onBlur={() => setCut(entered.trim().replace('−', '-'))}
              onKeyDown={(event) => {
                if (event.key === 'Enter') {
                  setCut(entered.trim().replace('−', '-'));
                }
              }}
            />
          )}
          {mayHaveTape && (
            <label className="text-nowrap d-flex gap-1 align-items-center">
              <input type="checkbox" checked={tape} onChange={(event) => setTape(event.target.checked)} />
              with a full-size tape
            </label>
          )}
          <Choice label="Paper" value={paper} of={[OF_JOB, ...PAPERS]} onChange={setPaper} />
          <SaveButton address={address('pdf')}>Save as PDF</SaveButton>
          <SaveButton address={address('svg')} title="Save this sheet as SVG">
            SVG
          </SaveButton>
          <SaveButton address={address('dxf')} title="Save all sheets as DXF">
            DXF
          </SaveButton>
        </div>
      </Modal.Footer>
    </Modal>
  );
}
