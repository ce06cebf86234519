import { CheckPanel } from '../check/CheckPanel';
import { MakePanel } from '../make/MakePanel';
import { FieldHome } from '../ui/NumberField';
import { PiecesPanel } from '../view/pieces/PiecesPanel';
import { usePieces } from '../view/pieces/store';
import { type Stage, useWorkbench } from '../workbench/store';
import { ClampCard } from './ClampCard';
import { FittingCard } from './FittingCard';
import { RunCard } from './RunCard';
import { StockCard } from './StockCard';
import { SurroundingCard } from './SurroundingCard';

const CARDS = {
  runs: RunCard,
  fittings: FittingCard,
  clamps: ClampCard,
  surroundings: SurroundingCard,
  stock: StockCard,
} as const;

/** The right side: what is picked, edited in place; all findings in Check; what is taken away in Make. */
export function CardPanel({ stage }: { stage: Stage }) {
  const picked = useWorkbench((store) => store.picked);
  const joining = usePieces((store) => store.pieces !== null);
  if (stage === 'check') {
    return (
      <aside className="card-panel" aria-label="Findings">
        <CheckPanel />
      </aside>
    );
  }
  if (stage === 'make') {
    return (
      <aside className="card-panel" aria-label="Make">
        <MakePanel />
      </aside>
    );
  }
  if (stage === 'lay' && joining) {
    return (
      <aside className="card-panel" aria-label="Straight pieces">
        <PiecesPanel />
      </aside>
    );
  }
  if (picked === null) {
    return (
      <aside className="card-panel" aria-label="Card">
        <h2>Nothing picked</h2>
        <p className="quiet mt-2">
          Place fittings with their ports, add a stock, then lay a run from port to port. The plus beside each list adds
          to it.
        </p>
      </aside>
    );
  }
  const Card = CARDS[picked.list];
  return (
    <aside className="card-panel" aria-label="Card">
      <FieldHome value={`${picked.list}/${picked.id}`}>
        <Card key={picked.id} id={picked.id} />
      </FieldHome>
    </aside>
  );
}
