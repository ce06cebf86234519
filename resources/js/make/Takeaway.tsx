import { useState } from 'react';
import { api } from '../api/client';
import { tell } from '../job/tell';
import { Button } from '../ui/Button';

/** Copies a table as CSV, or saves it. */
export function Takeaway({ path, label }: { path: string; label: string }) {
  const [copied, setCopied] = useState(false);
  const copy = async () => {
    await navigator.clipboard.writeText(await api.text(path.replace('/api/', '')));
    setCopied(true);
  };
  return (
    <span className="d-flex gap-1 text-none">
      <Button title={`Copy the ${label} as CSV`} onClick={() => tell(copy())}>
        {copied ? 'Copied' : 'Copy'}
      </Button>
      <Button title={`Save the ${label} as CSV`} href={path} download>
        CSV
      </Button>
    </span>
  );
}
