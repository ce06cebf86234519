import { useState } from 'react';
import { Modal } from 'react-bootstrap';
import { api } from '../api/client';
import type { Edit, Lines } from '../api/types';
import { useWorkbench } from '../job/store';
import { tell } from '../job/tell';
import { freshId, useJob } from '../job/useJob';
import { usePreferredStock } from '../job/usePreferredStock';
import { Button } from '../ui/Button';
import { FileButton } from '../ui/FileButton';

interface Read extends Lines {
  file: string;
  text: string;
}

/** Imports existing lines as runs: reads a file, shows what was found, and stores it on request. */
export function BringInLines() {
  const { state, items, edit } = useJob();
  const { panel, open, pick } = useWorkbench();
  const [stock, choose] = usePreferredStock();
  const [read, setRead] = useState<Read | null>(null);
  const count = read?.routes.length ?? 0;
  const close = () => {
    setRead(null);
    open(null);
  };

  /** Lines of a bundle are trunks, which are read otherwise where more than two meet. */
  const readAs = async (file: string, text: string, of: string) => {
    const trunks = items('stock').some(({ id, kind }) => id === of && kind === 'bundle');
    setRead({ ...(await api.lines(state.id, text, trunks)), file, text });
  };
  const take = async (file: File) => readAs(file.name, await file.text(), stock);
  const make = async () => {
    const base = (read?.file ?? 'Line').replace(/\.(dxf|csv|txt)$/i, '').slice(0, 150);
    const taken = items('runs').map(({ id }) => ({ id }));
    const edits = (read?.routes ?? []).map((route, index) => {
      const name = count === 1 ? base : `${base} ${index + 1}`;
      const id = freshId(taken, name);
      taken.push({ id });
      return { list: 'runs' as const, id, item: { ...route, id, name, stock } as unknown as Edit['item'] };
    });
    await edit(edits, undefined, `Bring in ${read?.file ?? 'lines'}`);
    close();
    if (edits[0] !== undefined) {
      pick('runs', edits[0].id);
    }
  };

  return (
    <Modal show={panel === 'lines'} onHide={close} scrollable aria-labelledby="lines-title">
      <Modal.Header closeButton>
        <Modal.Title id="lines-title">Bring in existing lines</Modal.Title>
      </Modal.Header>
      <Modal.Body>
        <p>
          A DXF file: lines whose ends meet become runs, arcs between them bends. Or a CSV file: a bend table (straight,
          rotation, angle, radius) or a row a vertex.
        </p>
        <FileButton label="File of lines" accept=".dxf,.csv,.txt" onFile={(file) => tell(take(file))}>
          Choose a file…
        </FileButton>
        {read !== null && (
          <div className="mt-3" role="status">
            <strong>
              {count} run{count === 1 ? '' : 's'} in {read.file}
            </strong>
            <ul>
              {read.remarks.map((remark) => (
                <li key={remark}>{remark}</li>
              ))}
            </ul>
            <label className="d-block">
              Of stock{' '}
              <select
                className="form-select form-select-sm d-inline-block w-auto"
                value={stock}
                onChange={(event) => {
                  choose(event.target.value);
                  tell(readAs(read.file, read.text, event.target.value));
                }}
              >
                {items('stock').map((one) => (
                  <option key={one.id} value={one.id}>
                    {one.name ?? one.id}
                  </option>
                ))}
              </select>
            </label>
          </div>
        )}
      </Modal.Body>
      <Modal.Footer>
        <Button onClick={close}>Cancel</Button>
        <Button look="primary" disabled={count === 0 || stock === ''} onClick={() => tell(make())}>
          {count === 1 ? 'Make the run' : `Make ${count} runs`}
        </Button>
      </Modal.Footer>
    </Modal>
  );
}
