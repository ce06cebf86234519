import { useReading } from '../job/reading';
import { Button } from '../ui/Button';

/** Says that a file is being read, and stops it when asked to. */
export function Reading() {
  const reading = useReading((store) => store.reading);
  return reading === null ? null : (
    <div className="notice at-work d-flex gap-3 align-items-center" role="status">
      <span className="spinner-border spinner-border-sm" aria-hidden />
      <span>Reading {reading.name}</span>
      <Button look="outline-light" onClick={reading.stop}>
        Stop
      </Button>
    </div>
  );
}
