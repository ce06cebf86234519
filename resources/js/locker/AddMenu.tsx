import { Plus } from 'lucide-react';
import { useState } from 'react';
import { Dropdown } from 'react-bootstrap';
import type { List } from '../api/types';
import { IconButton } from '../ui/IconButton';
import { useWorkbench } from '../workbench/store';
import { tell } from '../workbench/tell';
import { freshId, type ItemOf, useJob } from '../workbench/useJob';
import { NewRun } from './NewRun';
import { newBox, newCylinder, newFitting, newStock } from './newItems';

const newClamp = (id: string, name: string): ItemOf<'clamps'> => ({
  id,
  name,
  at: [0, 0, 0],
  axis: '+x',
  bore: 12,
  width: 12,
});

/** The plus beside a list of the locker. */
export function AddMenu({ list }: { list: List }) {
  const { items, put } = useJob();
  const pick = useWorkbench((store) => store.pick);
  const [asking, setAsking] = useState(false);

  const add = <L extends List>(to: L, name: string, make: (id: string, name: string) => ItemOf<L>) => {
    const id = freshId(items(to), name);
    tell(put(to, make(id, name)).then(() => pick(to, id)));
  };

  if (list === 'runs') {
    return (
      <>
        <IconButton icon={Plus} name="Add a run" onClick={() => setAsking(true)} />
        <NewRun show={asking} onClose={() => setAsking(false)} />
      </>
    );
  }
  if (list === 'surroundings') {
    return (
      <Dropdown align="end">
        <Dropdown.Toggle
          as="button"
          bsPrefix="icon-button"
          aria-label="Add to the surroundings"
          title="Add to the surroundings"
        >
          <Plus size={15} aria-hidden />
        </Dropdown.Toggle>
        <Dropdown.Menu>
          <Dropdown.Item onClick={() => add('surroundings', 'Box', newBox)}>Box</Dropdown.Item>
          <Dropdown.Item onClick={() => add('surroundings', 'Cylinder', newCylinder)}>Cylinder</Dropdown.Item>
        </Dropdown.Menu>
      </Dropdown>
    );
  }
  const actions = {
    fittings: { name: 'Add a fitting', run: () => add('fittings', 'Fitting', newFitting) },
    clamps: { name: 'Add a clamp', run: () => add('clamps', 'Clamp', newClamp) },
    stock: { name: 'Add a stock', run: () => add('stock', 'Tube 12 × 1.5', newStock) },
  } as const;
  return <IconButton icon={Plus} name={actions[list].name} onClick={actions[list].run} />;
}
