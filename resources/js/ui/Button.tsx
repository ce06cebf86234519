import type { ComponentType, ReactNode } from 'react';
import { Button as BootstrapButton } from 'react-bootstrap';

interface Props {
  children: ReactNode;
  onClick?: () => void;
  look?: 'primary' | 'outline-primary' | 'outline-light' | 'outline-danger' | 'link';
  type?: 'button' | 'submit';
  href?: string;
  download?: boolean;
  disabled?: boolean;
  title?: string;
}

/** React-Bootstrap's button with plain props: its own do not type-check beside react-three-fiber. */
const Plain = BootstrapButton as unknown as ComponentType<Record<string, unknown>>;

export function Button({ look = 'outline-primary', download, ...props }: Props) {
  const extra = download ? { download: true } : {};
  return <Plain size="sm" variant={look} {...props} {...extra} />;
}
