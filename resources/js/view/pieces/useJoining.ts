import { useEffect, useMemo } from 'react';
import { api } from '../../api/client';
import type { JoinPieces } from '../../api/types';
import { newest } from '../../job/newest';
import { usePieces } from '../../job/pieces';
import { useJob } from '../../job/useJob';

/** Requests the joined run whenever a piece has changed. */
export function useJoining(): void {
  const { state } = useJob();
  const pieces = usePieces((store) => store.pieces);
  const stock = usePieces((store) => store.stock);
  const { id, revision } = state;
  const asking = useMemo(
    () =>
      newest(
        (asked: JoinPieces) => api.pieces(id, asked),
        (joined) => usePieces.getState().set({ joined, refused: null }),
        (refused) => usePieces.getState().set({ refused }),
      ),
    [id],
  );
  useEffect(() => () => asking.stop(), [asking]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: what stands around may have changed with the job
  useEffect(() => {
    if (pieces !== null && pieces.length > 0 && stock !== '') {
      asking.want({ stock, pieces: [...pieces] as JoinPieces['pieces'] });
    } else {
      usePieces.getState().set({ joined: null });
    }
  }, [pieces, stock, asking, revision]);
}
