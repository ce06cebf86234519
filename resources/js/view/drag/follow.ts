interface Following {
  move: (event: PointerEvent) => void;
  drop: (event: PointerEvent) => void;
  /** Escape: back to how it was. */
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
