import { Copy, Trash2 } from 'lucide-react';
import type { List } from '../api/types';
import { NameField } from '../job/NameField';
import { useWorkbench } from '../job/store';
import { tell } from '../job/tell';
import { freshId, type ItemOf, useJob } from '../job/useJob';
import { IconButton } from '../ui/IconButton';
import { Row } from '../ui/Section';

/** The head of every card: the name, which can be edited, with copy and delete. */
export function CardHead<L extends List>({ list, item, under }: { list: L; item: ItemOf<L>; under?: string }) {
  const { items, put, edit } = useJob();
  const { pick, unpick } = useWorkbench();
  const name = item.name ?? item.id;

  const copy = () => {
    const copied = { ...structuredClone(item), name: `${name.slice(0, 190)}, copy`, id: freshId(items(list), name) };
    tell(put(list, copied).then(() => pick(list, copied.id)));
  };
  const remove = () => tell(edit([{ list, id: item.id, item: null }]).then(unpick));

  return (
    <>
      <div className="card-head">
        <h2>{name}</h2>
        <span className="text-nowrap">
          <IconButton icon={Copy} name={`Copy ${name}`} onClick={copy} />
          <IconButton icon={Trash2} name={`Delete ${name}`} onClick={remove} />
        </span>
      </div>
      {under !== undefined && <div className="under">{under}</div>}
      <Row label="Name" wide>
        <NameField label="Name" name={name} onChange={(typed) => put(list, { ...item, name: typed })} />
      </Row>
    </>
  );
}
