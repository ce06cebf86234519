import { type BufferGeometry, CylinderGeometry, EdgesGeometry } from 'three';
import { expect, it } from 'vitest';
import { rims, SIDES } from '../../resources/js/view/BodyEdges';

/** The segments of a geometry, in any order and either way round. */
const segments = (geometry: BufferGeometry) => {
  const { array } = geometry.getAttribute('position');
  const ends = Array.from({ length: array.length / 3 }, (_, point) =>
    [...array.slice(3 * point, 3 * point + 3)].map((place) => (Math.round(place * 1e3) + 0) / 1e3).join(' '),
  );
  return Array.from({ length: ends.length / 2 }, (_, number) =>
    [ends[2 * number], ends[2 * number + 1]].sort().join(' – '),
  ).sort();
};

it.each([
  [20, 100],
  [150, 8],
])('draws the rims of a cylinder of radius %d, %d high, where its faces meet at more than 25°', (radius, height) => {
  const solid = new CylinderGeometry(radius, radius, height, SIDES);
  const own = segments(rims(radius, height));
  expect(own).toHaveLength(2 * SIDES);
  expect(own).toEqual(segments(new EdgesGeometry(solid, 25)));
});
