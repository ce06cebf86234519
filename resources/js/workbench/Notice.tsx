import { useWorkbench } from '../job/store';

/** A refusal that belongs to no field. */
export function Notice() {
  const { notice, setNotice } = useWorkbench();
  if (notice === null) {
    return null;
  }
  return (
    <div className="notice d-flex gap-3 align-items-start" role="alert">
      <span>{notice}</span>
      <button type="button" className="btn-close btn-close-white" aria-label="Close" onClick={() => setNotice(null)} />
    </div>
  );
}
