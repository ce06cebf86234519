import type { PointerEvent as ReactPointerEvent } from 'react';
import { useRef, useState } from 'react';
import type { StockFacts } from '../api/types';
import { follow } from '../job/follow';

export interface Handle {
  key: string;
  name: string;
  at: readonly [number, number];
}

interface Props {
  facts: StockFacts;

  /** Points of it that can be dragged. */
  handles?: readonly Handle[];
  onDrop?: (key: string, at: [number, number]) => void;
}

/** Largest width and height of the picture, px. */
const SIZE = [230, 150] as const;

/** Room round the section, as a share of it. */
const ROOM = 1.16;

const path = (points: readonly (readonly number[])[]) => `M${points.map(([x = 0, y = 0]) => `${x},${-y}`).join('L')}Z`;

/** A section to scale, the path of the run at the cross; its points can be dragged where that is asked for. */
export function SectionPicture({ facts, handles = [], onDrop }: Props) {
  const svg = useRef<SVGSVGElement>(null);
  const [dragged, setDragged] = useState<Handle | null>(null);
  const reach = (axis: 0 | 1) =>
    ROOM * Math.max(1e-6, ...facts.outlines.flat().map((point) => Math.abs(point[axis] ?? 0)));
  const [across, up] = [reach(0), reach(1)];
  const unit = Math.max((2 * across) / SIZE[0], (2 * up) / SIZE[1]);

  const start = (handle: Handle) => (event: ReactPointerEvent) => {
    event.preventDefault();
    const place = ({ clientX, clientY }: PointerEvent): [number, number] => {
      const box = svg.current?.getBoundingClientRect() ?? new DOMRect();
      const step = 10 ** Math.floor(Math.log10(Math.max(across, up) / 40));
      const onGrid = (value: number) => Math.round(value / step) * step;
      return [
        onGrid((clientX - box.left - box.width / 2) * unit),
        onGrid(-(clientY - box.top - box.height / 2) * unit),
      ];
    };
    follow({
      move: (moved) => setDragged({ ...handle, at: place(moved) }),
      drop: (dropped) => {
        setDragged(null);
        onDrop?.(handle.key, place(dropped));
      },
      cancel: () => setDragged(null),
    });
  };

  return (
    <svg
      ref={svg}
      className="section-picture"
      viewBox={`${-across} ${-up} ${2 * across} ${2 * up}`}
      width={(2 * across) / unit}
      height={(2 * up) / unit}
      role="img"
      aria-label="Section to scale"
    >
      <path d={facts.outlines.map(path).join('')} fillRule="evenodd" strokeWidth={unit} />
      <path className="cross" d={`M${-6 * unit},0H${6 * unit}M0,${-6 * unit}V${6 * unit}`} strokeWidth={unit} />
      {handles.map((handle) => {
        const [x, y] = dragged?.key === handle.key ? dragged.at : handle.at;
        return (
          <circle key={handle.key} cx={x} cy={-y} r={4 * unit} strokeWidth={unit} onPointerDown={start(handle)}>
            <title>{handle.name}</title>
          </circle>
        );
      })}
    </svg>
  );
}
