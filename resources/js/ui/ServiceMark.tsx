interface Props {
  colour: string;
  bands: number;
}

/** A piece of pipe in a colour with so many bands. */
export function ServiceMark({ colour, bands }: Props) {
  return (
    <svg width="34" height="12" aria-hidden="true" className="service-mark">
      <rect width="34" height="12" fill={colour} />
      {Array.from({ length: bands }, (_, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a band is its number
        <rect key={i} x={17 + (i - (bands - 1) / 2) * 6 - 1.5} width="3" height="12" fill="#fffdf7" />
      ))}
    </svg>
  );
}
