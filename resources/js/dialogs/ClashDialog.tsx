import { useQueryClient } from '@tanstack/react-query';
import { Modal } from 'react-bootstrap';
import { api } from '../api/client';
import type { Edit, Header } from '../api/types';
import { type OpenClash, useWorkbench } from '../job/store';
import { tell } from '../job/tell';
import { useJob } from '../job/useJob';
import { Button } from '../ui/Button';

const WORDS: Record<string, string> = {
  od: 'outside diameter',
  min_radius: 'least radius',
  min_straight: 'straight between bends',
  at: 'place',
  stops: 'corners',
  fixed_length: 'length to hold',
};

/** Two windows changed the same thing: shows both values to choose from. */
export function ClashDialog() {
  const { clash, setClash } = useWorkbench();
  return (
    <Modal show={clash !== null} onHide={() => setClash(null)} aria-labelledby="clash-title" backdrop="static">
      {clash !== null && <Choice open={clash} />}
    </Modal>
  );
}

function Choice({ open: { list, id, clash } }: { open: OpenClash }) {
  const { state, item } = useJob();
  const { setClash, setNotice } = useWorkbench();
  const client = useQueryClient();
  const name = item(list, id)?.name ?? (clash.now as { name?: string } | null)?.name ?? (id === '' ? 'The job' : id);

  const theirs = () => {
    setClash(null);
    setNotice(null);
    void client.invalidateQueries({ queryKey: ['job', state.id] });
  };
  const yours = () => {
    setClash(null);
    const edit = { list, id, item: clash.with_yours, was: clash.now } as Edit;
    // The name and values of the job are not items of a list.
    const change =
      (list as string) === ''
        ? { edits: [], header: clash.with_yours as Header, header_was: clash.now as Header }
        : { edits: [edit] };
    tell(
      api
        .edit(state.id, { ...change, token: crypto.randomUUID() })
        .then((kept) => 'change' in kept || void client.setQueryData(['job', state.id], kept)),
    );
  };

  return (
    <>
      <Modal.Header>
        <Modal.Title id="clash-title">“{name}” was changed in another window, too</Modal.Title>
      </Modal.Header>
      <Modal.Body>
        <p>Nothing of yours is kept yet. Which shall stand?</p>
        <table className="table-plain clash-table">
          <thead>
            <tr>
              <th scope="col">What</th>
              <th scope="col">Theirs, kept now</th>
              <th scope="col">Yours</th>
            </tr>
          </thead>
          <tbody>
            {clash.places.map((place) => (
              <tr key={place.pointer}>
                <td>{worded(place.pointer)}</td>
                <td>{formatValue(place.theirs)}</td>
                <td>{formatValue(place.yours)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Modal.Body>
      <Modal.Footer>
        <Button onClick={theirs}>Keep theirs</Button>
        <Button look="primary" onClick={yours}>
          Use mine
        </Button>
      </Modal.Footer>
    </>
  );
}

function worded(pointer: string): string {
  const parts = pointer.split('/').slice(1);
  return parts.length === 0 ? 'the whole of it' : parts.map((part) => WORDS[part] ?? part).join(', ');
}

function formatValue(value: unknown): string {
  if (value === null || value === undefined) {
    return 'not there';
  }
  return typeof value === 'object' ? JSON.stringify(value) : String(value);
}
