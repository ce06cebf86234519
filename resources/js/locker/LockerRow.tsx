import { Eye, EyeOff } from 'lucide-react';
import type { ReactNode } from 'react';
import type { List } from '../api/types';
import { useWorkbench } from '../job/store';
import { IconButton } from '../ui/IconButton';

interface Props {
  list: List;
  id: string;
  name: string;
  aside: string;
  mark: ReactNode;
}

/** One item of the job: selected by its name, hidden by its eye. */
export function LockerRow({ list, id, name, aside, mark }: Props) {
  const { picked, pick, hidden, toggleHidden } = useWorkbench();
  const isPicked = picked?.list === list && picked.id === id;
  const isHidden = hidden.has(`${list}/${id}`);
  return (
    <li className={`locker-row${isPicked ? ' picked' : ''}${isHidden ? ' is-hidden' : ''}`}>
      <button type="button" className="pick" aria-pressed={isPicked} title={name} onClick={() => pick(list, id)}>
        {mark}
        <span className="label">{name}</span>
        <span className="state">{aside}</span>
      </button>
      {list !== 'stock' && list !== 'harnesses' && (
        <IconButton
          icon={isHidden ? EyeOff : Eye}
          name={`${isHidden ? 'Show' : 'Hide'} ${name}`}
          on={isHidden}
          onClick={() => toggleHidden(list, id)}
        />
      )}
    </li>
  );
}
