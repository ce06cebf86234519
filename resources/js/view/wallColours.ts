import { BufferAttribute, type BufferGeometry, Color } from 'three';
import type { WallMap } from '../api/types';
import { bytesOf, indexedGeometry } from './bodyMesh';

/** From the least wall to the greatest: from red over paper to blue, which differ in lightness too. */
export const WALL_COLOURS = ['#a3271f', '#e08b54', '#f2ead2', '#7fb0c4', '#1d4e68'] as const;

/** Where no wall is. */
const NONE = '#c9cfcc';

/** Returns the triangles of a body with the colour of the wall at each vertex. */
export function wallGeometry(map: WallMap): BufferGeometry {
  const geometry = indexedGeometry(map);
  const walls = wallsOf(map);
  const colours = new Float32Array(walls.length * 3);
  walls.forEach((wall, vertex) => {
    const { r, g, b } = colourOf(wall, map.least, map.most);
    colours.set([r, g, b], vertex * 3);
  });
  geometry.setAttribute('color', new BufferAttribute(colours, 3));
  geometry.computeVertexNormals();
  return geometry;
}

export const wallsOf = (map: WallMap): Float32Array => new Float32Array(bytesOf(map.walls));

/** Returns the colour of a wall between the least and the greatest, mm. */
export function colourOf(wall: number, least: number, most: number): Color {
  if (Number.isNaN(wall)) {
    return new Color(NONE);
  }
  const last = WALL_COLOURS.length - 1;
  // A wall that is even all over is neither thin nor thick.
  const part = most - least > 1e-3 ? ((wall - least) / (most - least)) * last : last / 2;
  const step = Math.max(0, Math.min(last - 1, Math.floor(part)));
  return new Color(WALL_COLOURS[step]).lerp(new Color(WALL_COLOURS[step + 1]), Math.min(1, part - step));
}
