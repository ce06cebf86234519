import { type ReactNode, useRef } from 'react';
import { Button } from './Button';

interface Props {
  /** Read out for the file itself, not for the button. */
  label: string;
  accept: string;
  onFile: (file: File) => void;
  children: ReactNode;
}

/** A button that asks for a file; the same one can be chosen again. */
export function FileButton({ label, accept, onFile, children }: Props) {
  const chooser = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button onClick={() => chooser.current?.click()}>{children}</Button>
      <input
        ref={chooser}
        type="file"
        accept={accept}
        hidden
        aria-label={label}
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file !== undefined) {
            onFile(file);
          }
          event.target.value = '';
        }}
      />
    </>
  );
}
