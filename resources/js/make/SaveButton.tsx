import type { ReactNode } from 'react';
import { api } from '../api/client';
import { tell } from '../job/tell';
import { Button } from '../ui/Button';

interface Props {
  address: string;
  title?: string;
  children: ReactNode;
}

/** Downloads a file; a refusal is shown instead of a broken download. */
export function SaveButton({ address, title, children }: Props) {
  const save = async () => {
    const { name, content } = await api.file(address);
    const link = document.createElement('a');
    link.href = URL.createObjectURL(content);
    link.download = name;
    link.click();
    URL.revokeObjectURL(link.href);
  };
  return (
    <Button title={title} onClick={() => tell(save())}>
      {children}
    </Button>
  );
}
