import { Plus } from 'lucide-react';
import { useState } from 'react';
import { Dropdown } from 'react-bootstrap';
import type { List } from '../api/types';
import { IconButton } from '../ui/IconButton';
import { NewRun } from './NewRun';
import { useAdding } from './useAdding';

/** The plus beside a list of the locker. */
export function AddMenu({ list }: { list: List }) {
  const [asking, setAsking] = useState(false);
  const choices = useAdding().filter((adding) => adding.list === list);
  const [only] = choices;

  if (list === 'runs') {
    return (
      <>
        <IconButton icon={Plus} name="Add a run" onClick={() => setAsking(true)} />
        <NewRun show={asking} onClose={() => setAsking(false)} />
      </>
    );
  }
  if (choices.length === 1 && only !== undefined) {
    return <IconButton icon={Plus} name={only.name} onClick={only.run} />;
  }
  return (
    <Dropdown align="end">
      <Dropdown.Toggle
        as="button"
        bsPrefix="icon-button"
        aria-label={`Add to the ${list}`}
        title={`Add to the ${list}`}
      >
        <Plus size={15} aria-hidden />
      </Dropdown.Toggle>
      <Dropdown.Menu>
        {choices.map(({ name, run }) => (
          <Dropdown.Item key={name} onClick={run}>
            {name.replace(/^Add an? /, '').replace(/^./, (letter) => letter.toUpperCase())}
          </Dropdown.Item>
        ))}
      </Dropdown.Menu>
    </Dropdown>
  );
}
