import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { Dropdown, Modal } from 'react-bootstrap';
import { useNavigate } from 'react-router';
import { api, files } from '../api/client';
import { NameField } from '../job/NameField';
import { useWorkbench } from '../job/store';
import { tell } from '../job/tell';
import { useJob } from '../job/useJob';
import { useMe } from '../job/useMe';
import { Button } from '../ui/Button';

/** The menu of the job: its name, its file, and the other jobs. */
export function JobMenu() {
  const { state, edit } = useJob();
  const me = useMe();
  const isGuest = me.people && me.person === null;
  const jobs = useQuery({ queryKey: ['jobs'], queryFn: api.jobs, enabled: !isGuest });
  const client = useQueryClient();
  const navigate = useNavigate();
  const openPanel = useWorkbench((store) => store.open);
  const chooser = useRef<HTMLInputElement>(null);
  const [asking, setAsking] = useState(false);
  const name = state.job.name ?? '';

  const goTo = async (opening: Promise<{ id: number }>, stage: string) => {
    const { id } = await opening;
    await client.invalidateQueries({ queryKey: ['jobs'] });
    navigate(`/jobs/${id}/${stage}`);
  };
  const open = async (file: File | undefined) => {
    if (file !== undefined) {
      await goTo(api.openFile(file), 'lay');
    }
  };
  const remove = async () => {
    await api.deleteJob(state.id);
    await client.invalidateQueries({ queryKey: ['jobs'] });
    navigate('/jobs', { state: { deleted: { id: state.id, name } } });
  };

  return (
    <div className="job-name">
      <Dropdown>
        <Dropdown.Toggle size="sm" variant="primary" title={name}>
          {name}
        </Dropdown.Toggle>
        <Dropdown.Menu>
          <Dropdown.Item onClick={() => setAsking(true)}>Rename this job…</Dropdown.Item>
          <Dropdown.Item onClick={() => openPanel('lines')}>Bring in lines (DXF, CSV)…</Dropdown.Item>
          <Dropdown.Item onClick={() => openPanel('catalogue')}>Stock catalogue…</Dropdown.Item>
          <Dropdown.Item onClick={() => openPanel('sets')}>Sets of runs…</Dropdown.Item>
          <Dropdown.Item onClick={() => openPanel('benders')}>Benders…</Dropdown.Item>
          <Dropdown.Item onClick={() => openPanel('services')}>Legend of what runs carry…</Dropdown.Item>
          <Dropdown.Item onClick={() => openPanel('revisions')}>Revisions…</Dropdown.Item>
          {me.people && <Dropdown.Item onClick={() => openPanel('people')}>People of this job…</Dropdown.Item>}
          <Dropdown.Item onClick={() => openPanel('sheets')}>Title block of the drawings…</Dropdown.Item>
          <Dropdown.Item onClick={() => openPanel('values')}>Named values…</Dropdown.Item>
          <Dropdown.Item href={files.job(state)} download>
            Save the job file
          </Dropdown.Item>
          <Dropdown.Item href={files.plainJob(state.id)} download>
            Save it as plain JSON
          </Dropdown.Item>
          <Dropdown.Item onClick={() => chooser.current?.click()}>Open a job file…</Dropdown.Item>
          <Dropdown.Item onClick={() => tell(goTo(api.newJob('New job'), 'place'))}>New job</Dropdown.Item>
          <Dropdown.Item onClick={() => tell(remove())}>Delete this job</Dropdown.Item>
          <Dropdown.Divider />
          <Dropdown.Item onClick={() => navigate('/jobs')}>All jobs</Dropdown.Item>
          {(jobs.data ?? []).slice(0, 6).map((job) => (
            <Dropdown.Item key={job.id} active={job.id === state.id} onClick={() => navigate(`/jobs/${job.id}/lay`)}>
              {job.name} <span className="opacity-75">· {job.runs} runs</span>
            </Dropdown.Item>
          ))}
        </Dropdown.Menu>
      </Dropdown>
      <input
        ref={chooser}
        type="file"
        accept=".json,.bowline,application/json"
        hidden
        aria-label="Job file"
        onChange={(event) => {
          tell(open(event.target.files?.[0]));
          event.target.value = '';
        }}
      />
      <Modal show={asking} onHide={() => setAsking(false)} aria-labelledby="job-asking">
        <Modal.Header closeButton>
          <Modal.Title id="job-asking">Name of the job</Modal.Title>
        </Modal.Header>
        <Modal.Body>
          <NameField label="Name of the job" name={name} onChange={(typed) => edit([], { name: typed })} />
        </Modal.Body>
        <Modal.Footer>
          <Button look="primary" onClick={() => setAsking(false)}>
            Done
          </Button>
        </Modal.Footer>
      </Modal>
    </div>
  );
}
