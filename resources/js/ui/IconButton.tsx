import type { LucideIcon } from 'lucide-react';

/** A small square button with an icon and an accessible name, shown on hover. */
export function IconButton({
  icon: Icon,
  name,
  onClick,
  disabled,
  on,
}: {
  icon: LucideIcon;
  name: string;
  onClick: () => void;
  disabled?: boolean;
  on?: boolean;
}) {
  return (
    <button
      type="button"
      className={`icon-button${on ? ' on' : ''}`}
      aria-label={name}
      title={name}
      onClick={onClick}
      disabled={disabled}
    >
      <Icon size={15} aria-hidden />
    </button>
  );
}
