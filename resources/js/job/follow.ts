import { useHover } from './hover';
import { useWorkbench } from './store';
import { tell } from './tell';

interface Following {
  move: (event: PointerEvent) => void;
  drop: (event: PointerEvent) => void;
  /** Escape: restores the start. */
  cancel: () => void;
}

/** Follows the pointer from a press to its release, or until Escape. */
export function follow({ move, drop, cancel }: Following): void {
  const end = () => {
    window.removeEventListener('pointermove', move);
    window.removeEventListener('pointerup', onUp);
    window.removeEventListener('keydown', onKey, true);
  };
  const onUp = (event: PointerEvent) => {
    end();
    drop(event);
  };
  const onKey = (event: KeyboardEvent) => {
    if (event.key === 'Escape') {
      event.stopPropagation();
      end();
      cancel();
    }
  };
  window.addEventListener('pointermove', move);
  window.addEventListener('pointerup', onUp);
  window.addEventListener('keydown', onKey, true);
}

interface Trying {
  move: (event: PointerEvent) => void;
  asking: { settled: () => Promise<void>; stop: () => void };
  setTurning: (enabled: boolean) => void;
  /** Stores what was previewed last; null when nothing has moved. */
  keep: () => Promise<unknown> | null;
}

/** Follows a drag that is previewed at every move and stored on release. */
export function followTrying({ move, asking, setTurning, keep }: Trying): void {
  const { setTrying } = useWorkbench.getState();
  const release = () => {
    setTurning(true);
    useHover.getState().setHover(null);
  };
  setTurning(false);
  follow({
    move,
    drop: async () => {
      release();
      await asking.settled();
      asking.stop();
      // The last answer may have come after the release.
      useHover.getState().setHover(null);
      const keeping = keep();
      if (keeping === null) {
        setTrying(null);
      } else {
        tell(keeping.finally(() => setTrying(null)));
      }
    },
    cancel: () => {
      release();
      asking.stop();
      setTrying(null);
    },
  });
}
