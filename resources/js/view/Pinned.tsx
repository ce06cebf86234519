import { Html } from '@react-three/drei';
import { createContext, type ReactNode, type RefObject, useContext } from 'react';
import type { Vector3 } from 'three';

/** The element over the scene that holds pinned elements. */
export const PinBoard = createContext<RefObject<HTMLElement | null> | null>(null);

interface Props {
  at: Vector3 | [number, number, number];
  children: ReactNode;
  /** Stacking order, from 1 up. */
  rank?: number;
  /** Places its corner instead of its centre. */
  beside?: boolean;
}

/** An HTML element pinned to a place in the scene, accessible like any other. */
export function Pinned({ at, children, rank = 2, beside = false }: Props) {
  const board = useContext(PinBoard);
  return (
    <Html
      position={at}
      center={!beside}
      zIndexRange={[rank, 0]}
      portal={board as RefObject<HTMLElement>}
      wrapperClass="pin"
    >
      {children}
    </Html>
  );
}
