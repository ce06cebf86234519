import { Copy, Pencil, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { files } from '../api/client';
import type { JobList } from '../api/types';
import { NameField } from '../job/NameField';
import { IconButton } from '../ui/IconButton';

interface Props {
  job: JobList[number];
  onCopy: () => void;
  onRename: (name: string) => Promise<void>;
  onDelete: () => void;
}

/** A job in the list, with its picture. */
export function JobTile({ job, onCopy, onRename, onDelete }: Props) {
  const [renaming, setRenaming] = useState(false);
  // In the shop a job is opened as it was issued.
  const address = job.may_see ? `/jobs/${job.id}/lay` : job.issued === null ? '/jobs' : `/jobs/${job.issued}/make`;
  const when = new Date(job.saved_at).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' });
  return (
    <li className="job-tile">
      <Link to={address} aria-label={`Open ${job.name}`}>
        <img
          src={files.picture(job.may_see ? job.id : (job.issued ?? job.id), job.revision)}
          alt=""
          width={240}
          height={150}
        />
      </Link>
      <div className="about">
        {renaming ? (
          <NameField
            label="Name of the job"
            name={job.name}
            onChange={(name) => onRename(name).then(() => setRenaming(false))}
          />
        ) : (
          <Link to={address} className="name">
            {job.name}
          </Link>
        )}
        <span className="quiet">
          {job.runs} run{job.runs === 1 ? '' : 's'} · {when}
        </span>
        <span className="tools">
          <IconButton icon={Pencil} name={`Rename ${job.name}`} on={renaming} onClick={() => setRenaming(!renaming)} />
          <IconButton icon={Copy} name={`Copy ${job.name}`} onClick={onCopy} />
          <IconButton icon={Trash2} name={`Delete ${job.name}`} onClick={onDelete} />
        </span>
      </div>
    </li>
  );
}
