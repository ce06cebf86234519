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
import { FrozenBanner } from './FrozenBanner';
import { RoleBanner } from './RoleBanner';

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
  const joining = usePieces((store) => store.pieces !== null);
  const label =
    stage === 'check'
      ? 'Findings'
      : stage === 'make'
        ? 'Make'
        : stage === 'lay' && joining
          ? 'Straight pieces'
          : 'Card';
  return (
    <aside className="card-panel" aria-label={label}>
      <FrozenBanner />
      <RoleBanner />
      {label === 'Findings' ? (
        <Findings />
      ) : label === 'Make' ? (
        <MakePanel />
      ) : label === 'Straight pieces' ? (
        <PiecesPanel />
      ) : (
        <Card />
      )}
    </aside>
  );
}

function Findings() {
  return useComparing((store) => store.sides !== null) ? <ComparePanel /> : <CheckPanel />;
}

function Card() {
  const picked = useWorkbench((store) => store.picked);
  if (picked === null) {
    return (
      <>
        <h2>Nothing picked</h2>
        <p className="quiet mt-2">
          Place fittings with their ports, add a stock, then lay a run from port to port. The plus beside each list adds
          to it.
        </p>
      </>
    );
  }
  const OfList = CARDS[picked.list];
  return (
    <FieldHome value={`${picked.list}/${picked.id}`}>
      <OfList key={picked.id} id={picked.id} />
    </FieldHome>
  );
}
