import { type ReactNode, useState } from 'react';
import { api } from '../api/client';
import type { BodyWork } from '../api/types';
import { BodyProgress } from '../job/BodyProgress';
import { tell } from '../job/tell';
import { useBodyWork } from '../job/useWorked';
import { Button } from '../ui/Button';

interface Props {
  address: string;
  title?: string;
  children: ReactNode;

  /** Is told on what a body was written: `exact` surfaces, `splines` or `triangles`. */
  onSaved?: (on: string | null) => void;
}

/** Downloads a file, once the bodies in it are found; a refusal is shown instead of a broken download. */
export function SaveButton({ address, title, children, onSaved }: Props) {
  const [begun, setBegun] = useState<BodyWork | null>(null);
  const save = async () => {
    const { answer, work } = await api.file(address);
    setBegun(work);
    if (answer !== null) {
      const link = document.createElement('a');
      link.href = URL.createObjectURL(answer.content);
      link.download = answer.name;
      link.click();
      URL.revokeObjectURL(link.href);
      onSaved?.(answer.on);
    }
  };
  const work = useBodyWork(begun, () => tell(save()));
  return work === null ? (
    <Button title={title} onClick={() => tell(save())}>
      {children}
    </Button>
  ) : (
    <BodyProgress work={work} doing="Finding the body to save…" />
  );
}
