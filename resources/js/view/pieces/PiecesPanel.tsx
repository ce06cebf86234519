import { Plus, Trash2 } from 'lucide-react';
import type { Joint, Run, Vector } from '../../api/types';
import { length, lengthWithUnit } from '../../job/format';
import { Mark } from '../../job/Mark';
import { type Piece, usePieces } from '../../job/pieces';
import { useWorkbench } from '../../job/store';
import { tell } from '../../job/tell';
import { freshId, useJob } from '../../job/useJob';
import { VectorField } from '../../job/VectorField';
import { Button } from '../../ui/Button';
import { Choice, named } from '../../ui/Choice';
import { IconButton } from '../../ui/IconButton';
import { Row } from '../../ui/Section';

/** The straight pieces in order, the state of each joint, and the button that makes them a run. */
export function PiecesPanel() {
  const { items, put } = useJob();
  const pick = useWorkbench((store) => store.pick);
  const { pieces, joined, refused, stock, begun, set, stop } = usePieces();
  if (pieces === null) {
    return null;
  }
  const change = (index: number, changed: Partial<Piece>) =>
    set({ pieces: pieces.map((piece, i) => (i === index ? { ...piece, ...changed } : piece)) });
  const add = () => {
    const last = pieces.at(-1)?.to ?? [0, 0, 0];
    const from = last.map(Number) as Vector;
    set({ pieces: [...pieces, { from, to: [Number(from[0]) + 200, Number(from[1]), Number(from[2])] }] });
  };
  const make = async () => {
    if (joined !== null) {
      const name = `Run ${items('runs').length + 1}`;
      const id = freshId(items('runs'), name);
      await put('runs', { ...(joined.item as unknown as Run), id, name }, `Join pieces into ${name}`);
      stop();
      pick('runs', id);
    }
  };

  return (
    <section className="pieces-panel">
      <header>
        <h2 className="flex-grow-1">Straight pieces first</h2>
        <IconButton icon={Plus} name="Add a piece" onClick={add} />
      </header>
      <Row label="Stock" wide>
        <Choice
          label="Stock of the pieces"
          value={stock}
          of={named(items('stock'))}
          onChange={(value) => set({ stock: value })}
        />
      </Row>
      <p className="quiet mb-1 mt-2">
        {begun === null ? 'Click where a piece begins, then where it ends.' : 'Click where this piece ends.'}
      </p>
      <ol>
        {pieces.map((piece, index) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a piece is its number
          <li key={index}>
            <div className="d-flex gap-1 align-items-start">
              <div className="flex-grow-1">
                <VectorField
                  label="From"
                  of={`Piece ${index + 1}`}
                  value={piece.from}
                  onChange={async (from) => change(index, { from })}
                />
                <VectorField
                  label="To"
                  of={`Piece ${index + 1}`}
                  value={piece.to}
                  onChange={async (to) => change(index, { to })}
                />
              </div>
              <IconButton
                icon={Trash2}
                name={`Take out piece ${index + 1}`}
                onClick={() => set({ pieces: pieces.filter((_, i) => i !== index) })}
              />
            </div>
            {index < pieces.length - 1 && (
              <JointState
                joint={joined?.joints[index]}
                onPull={(pull) => change(pull.piece, { from: pull.from as Vector, to: pull.to as Vector })}
              />
            )}
          </li>
        ))}
      </ol>
      {refused !== null && (
        <p className="text-danger" role="alert">
          {refused}
        </p>
      )}
      <footer>
        <span className="figure flex-grow-1" role="status">
          {joined === null ? '' : `${lengthWithUnit(joined.solution.length)} in all`}
        </span>
        <Button onClick={stop}>Leave them</Button>
        <Button look="primary" disabled={joined === null || refused !== null} onClick={() => tell(make())}>
          Join into a run
        </Button>
      </footer>
    </section>
  );
}

type Pull = NonNullable<Joint['pull']>;

function JointState({ joint, onPull }: { joint: Joint | undefined; onPull: (pull: Pull) => void }) {
  if (joint === undefined) {
    return <div className="joint quiet">…</div>;
  }
  const words = ['goes straight on', 'one corner', 'two corners'][joint.corners.length] ?? 'corners';
  const { pull } = joint;
  return (
    <div className="joint">
      <Mark status={joint.has_room ? 'good' : 'violation'} />
      <span className="flex-grow-1">
        {words}
        {joint.has_room ? ', has room' : `, ${lengthWithUnit(joint.short)} short for its bends`}
      </span>
      {!joint.has_room && pull !== null && (
        <Button onClick={() => onPull(pull)}>
          {pull.by > 0 ? 'Lengthen' : 'Shorten'} piece {pull.piece + 1} at its {pull.at_end ? 'end' : 'start'} by{' '}
          {length(Math.abs(pull.by))}
        </Button>
      )}
      {!joint.has_room && pull === null && <span className="quiet">no pull of one piece makes room</span>}
    </div>
  );
}
