import { ClampCard } from '../card/ClampCard';
import { FittingCard } from '../card/FittingCard';
import { HarnessCard } from '../card/HarnessCard';
import { RunCard } from '../card/RunCard';
import { StockCard } from '../card/StockCard';
import { SurroundingCard } from '../card/SurroundingCard';
import { CheckPanel } from '../check/CheckPanel';
import { ComparePanel } from '../check/ComparePanel';
import { useComparing } from '../job/comparing';
import { FieldHome } from '../job/NumberField';
import { usePieces } from '../job/pieces';
import { type Stage, useWorkbench } from '../job/store';
import { MakePanel } from '../make/MakePanel';
import { PiecesPanel } from '../view/pieces/PiecesPanel';

const CARDS = {
  runs: RunCard,
  fittings: FittingCard,
  clamps: ClampCard,
  surroundings: SurroundingCard,
  stock: StockCard,
  harnesses: HarnessCard,
} as const;

/** The right panel: the selected item edited in place; in Check all findings; in Make the downloads. */
export function CardPanel({ stage }: { stage: Stage }) {
  const picked = useWorkbench((store) => store.picked);
  const isComparing = useComparing((store) => store.sides !== null);
  const joining = usePieces((store) => store.pieces !== null);
  if (stage === 'check') {
    return (
      <aside className="card-panel" aria-label="Findings">
        {isComparing ? <ComparePanel /> : <CheckPanel />}
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
