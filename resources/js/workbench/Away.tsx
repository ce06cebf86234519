import { WifiOff } from 'lucide-react';
import { useWorkbench } from '../job/store';

/** An overlay saying that the server does not answer and that nothing is lost. */
export function Away() {
  const away = useWorkbench((store) => store.away);
  return away ? (
    <div className="away" role="alert">
      <WifiOff size={16} aria-hidden /> Bowline’s server does not answer. What you change is kept here and goes on when
      it is back.
    </div>
  ) : null;
}
