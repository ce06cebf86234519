/** A place on the picture, px, with y downwards. */
export type Flat = readonly [number, number];

const COS = Math.cos(Math.PI / 6);

/** Looks at a place from the right, the front and above, all axes shortened alike. */
export const flat = ([x = 0, y = 0, z = 0]: readonly number[]): Flat => [(x - y) * COS, (x + y) / 2 - z];

/** The window that holds some places, with a margin of a share of it. */
export function windowOf(places: readonly Flat[], margin = 0.06) {
  const [xs, ys] = [places.map(([x]) => x), places.map(([, y]) => y)];
  const [left, top] = [Math.min(...xs), Math.min(...ys)];
  const [width, height] = [Math.max(...xs) - left, Math.max(...ys) - top];
  const room = Math.max(width, height, 1) * margin;
  return { left: left - room, top: top - room, width: width + 2 * room, height: height + 2 * room };
}

/** Points of an SVG polyline. */
export const line = (places: readonly (readonly number[])[]) =>
  places
    .map(flat)
    .map(([x, y]) => `${x.toFixed(1)},${y.toFixed(1)}`)
    .join(' ');
