import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Modal, ProgressBar } from 'react-bootstrap';
import { api, files } from '../api/client';
import type { NewPack, Pack } from '../api/types';
import { useJob } from '../job/useJob';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { Row } from '../ui/Section';

type Kind = NewPack['kinds'][number];

const KINDS: readonly (readonly [Kind, string, string])[] = [
  ['arrangement', 'Arrangement', 'the whole job from four sides'],
  ['isometric', 'Isometrics', 'one for each pipe and tube with corners'],
  ['bend-sheet', 'Bend and cut sheets', 'one for each spool, hose and cable'],
  ['harness', 'Harnesses', 'the board of each at full size, and its lists'],
  ['lists', 'Lists', 'materials, cuts, welds, supports, valves, hoses: those that have something in them'],
];

/** How often it is asked how far the pack is, ms. */
const LOOK = 300;

/** Drawings and lists of the job bound together: chosen, made on the queue, stopped, and saved. */
export function PackDialog({ onClose }: { onClose: () => void }) {
  const { state } = useJob();
  const [kinds, setKinds] = useState<readonly Kind[]>(KINDS.map(([kind]) => kind));
  const [format, setFormat] = useState<NewPack['format']>('pdf');
  const [set, setSet] = useState('');
  const [asked, setAsked] = useState<Pack | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const { data, error } = useQuery({
    queryKey: ['pack', state.id, asked?.id],
    queryFn: () => api.pack(state.id, asked?.id ?? 0),
    enabled: asked !== null,
    refetchInterval: ({ state: { data: last } }) => (last === undefined || isInWork(last) ? LOOK : false),
  });
  const pack = data ?? asked;
  const works = pack !== null && isInWork(pack);
  const attempt = async (what: () => Promise<Pack>) => {
    setFault(null);
    try {
      setAsked(await what());
    } catch (reason) {
      setFault(reason instanceof Error ? reason.message : String(reason));
    }
  };
  const make = () =>
    attempt(() =>
      api.newPack(state.id, { kinds: [...kinds] as NewPack['kinds'], format, ...(set === '' ? {} : { set }) }),
    );
  const toggle = (kind: Kind, isChosen: boolean) =>
    setKinds(KINDS.map(([one]) => one).filter((one) => (one === kind ? isChosen : kinds.includes(one))));
  const sets = state.job.sets ?? [];
  return (
    <Modal show onHide={onClose} scrollable aria-labelledby="pack-title">
      <Modal.Header closeButton>
        <Modal.Title id="pack-title">Drawings and lists in one</Modal.Title>
      </Modal.Header>
      <Modal.Body>
        <fieldset disabled={works} className="pack-kinds">
          <legend className="visually-hidden">What is bound</legend>
          {KINDS.map(([kind, name, what]) => (
            <label key={kind}>
              <input
                type="checkbox"
                checked={kinds.includes(kind)}
                onChange={(event) => toggle(kind, event.target.checked)}
              />
              <span>
                {name}
                <small className="quiet d-block">{what}</small>
              </span>
            </label>
          ))}
        </fieldset>
        {sets.length > 0 && (
          <Row label="Of" wide>
            <Choice
              label="Of which runs"
              value={set}
              of={[['', 'all runs'], ...sets.map(({ id, name }): [string, string] => [id, `the set ${name ?? id}`])]}
              onChange={setSet}
            />
          </Row>
        )}
        <Row label="As" wide>
          <Choice
            label="As one file or many"
            value={format}
            of={[
              ['pdf', 'one PDF with a table of contents'],
              ['zip', 'a ZIP of PDF and CSV files'],
            ]}
            onChange={(value) => setFormat(value as NewPack['format'])}
          />
        </Row>
        {(fault ?? error?.message ?? pack?.problem) !== null && (
          <p className="text-danger mb-1" role="alert">
            {fault ?? error?.message ?? pack?.problem}
          </p>
        )}
        {works && <ProgressBar now={pack.part * 100} aria-label="How far the pack is" className="mb-2" />}
        {pack?.state === 'stopped' && <p className="quiet mb-1">Stopped. Nothing was kept of it.</p>}
        {pack?.state === 'done' && (
          <p className="mb-1">
            It is made.{' '}
            <Button look="primary" href={files.pack(state.id, pack.id)} download>
              Save the {pack.format === 'pdf' ? 'PDF' : 'ZIP'}
            </Button>
          </p>
        )}
      </Modal.Body>
      <Modal.Footer>
        {works ? (
          <Button onClick={() => attempt(() => api.stopPack(state.id, pack.id))}>Stop</Button>
        ) : (
          <Button look={pack?.state === 'done' ? undefined : 'primary'} disabled={kinds.length === 0} onClick={make}>
            {pack === null ? 'Make it' : 'Make it again'}
          </Button>
        )}
      </Modal.Footer>
    </Modal>
  );
}

/** Whether a pack waits to be made, or is being made. */
const isInWork = (pack: Pack) => pack.state === 'waiting' || pack.state === 'working';
