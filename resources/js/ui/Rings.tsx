export interface Ring {
  key: string;
  size: number;
  fill: string;
}

/** Concentric circles to scale, the largest first. */
export function Rings({ rings, label }: { rings: readonly Ring[]; label: string }) {
  const largest = Math.max(1e-9, ...rings.map(({ size }) => size));
  return (
    <svg viewBox="-52 -52 104 104" width="96" height="96" role="img" aria-label={label}>
      {[...rings]
        .sort((a, b) => b.size - a.size)
        .map(({ key, size, fill }) => (
          <circle key={key} r={(50 * size) / largest} fill={fill} stroke="#fffdf7" strokeWidth="0.7" />
        ))}
    </svg>
  );
}
