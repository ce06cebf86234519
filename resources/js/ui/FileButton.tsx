import { type ReactNode, useRef } from 'react';
import { Button } from './Button';

interface Props {
  /** Accessible name of the file input. */
  label: string;
  accept: string;
  onFile: (file: File) => void;
  children: ReactNode;
}

/** A button that opens a file dialog; the same file can be chosen again. */
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
