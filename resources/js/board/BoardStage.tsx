import { Maximize2, ZoomIn, ZoomOut } from 'lucide-react';
import { useLayoutEffect, useRef, useState } from 'react';
import type { Harness } from '../api/types';
import { useBoard } from '../job/useBoard';
import { Button } from '../ui/Button';
import { IconButton } from '../ui/IconButton';
import { BoardPicture } from './BoardPicture';

const ZOOM = 1.4;

/** Largest and least scale, pixels a millimetre. */
const SCALES = [0.02, 12] as const;

/** The board of a harness in place of the view: looked at, and turned by hand. */
export function BoardStage({ harness }: { harness: Harness }) {
  const board = useBoard(harness);
  const room = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState({ width: 0, height: 0 });
  /** How many times as large as what fits. */
  const [zoom, setZoom] = useState(1);
  useLayoutEffect(() => {
    const watching = new ResizeObserver(([entry]) => {
      if (entry !== undefined) {
        setSize({ width: entry.contentRect.width, height: entry.contentRect.height });
      }
    });
    if (room.current !== null) {
      watching.observe(room.current);
    }
    return () => watching.disconnect();
  }, []);
  const fit = board.data === undefined ? 0 : Math.min(size.width / board.data.width, size.height / board.data.height);
  const scale = Math.min(SCALES[1], Math.max(SCALES[0], fit * zoom));
  return (
    <section className="board-stage" aria-label="Board" aria-busy={board.isFetching}>
      <div className="board-tools">
        <IconButton icon={ZoomOut} name="Smaller" disabled={zoom <= 1} onClick={() => setZoom(zoom / ZOOM)} />
        <IconButton icon={Maximize2} name="All of the board" onClick={() => setZoom(1)} />
        <IconButton
          icon={ZoomIn}
          name="Larger"
          disabled={fit * zoom >= SCALES[1]}
          onClick={() => setZoom(zoom * ZOOM)}
        />
        <span className="quiet">Drag the end of a branch to turn it.</span>
      </div>
      <div className="board-room" ref={room}>
        {board.isError ? (
          <div className="board-state" role="alert">
            <p>The board cannot be laid: {board.error.message}</p>
            <Button onClick={() => void board.refetch()}>Try again</Button>
          </div>
        ) : board.data === undefined ? (
          <p className="board-state quiet">Laying it flat…</p>
        ) : harness.trunks.length === 0 ? (
          <p className="board-state quiet">There are no trunks in this harness yet, so there is nothing to lay flat.</p>
        ) : (
          size.width > 0 && <BoardPicture harness={harness} board={board.data} scale={scale} />
        )}
      </div>
    </section>
  );
}
