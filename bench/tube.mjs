import { CurvePath, LineCurve3, QuadraticBezierCurve3, TubeGeometry, Vector3 } from 'three';

/*
 * Triangles and median time (ms) of three's TubeGeometry for both walls of the tube of bench/bodies.php, at a chord of
 * 0.05 mm: it divides a path evenly, so straights are divided as finely as the bends need. node bench/tube.mjs
 */
const BENDS = 20;
const LEG = 1000;
const RADIUS = 70;
// Along the path and round it: a facet stands off by the sum.
const CHORD = 0.05 / 2;
const WALLS = [14, 12];

const step = (radius) => 2 * Math.acos(1 - CHORD / radius);

const corners = [new Vector3()];
for (let i = 0; i <= BENDS; i++) {
  corners.push(corners[i].clone().add(i % 2 === 0 ? new Vector3(0, 0, LEG) : new Vector3(LEG, 0, 0)));
}
const path = new CurvePath();
let from = corners[0];
for (let i = 1; i <= BENDS; i++) {
  const [before, at, after] = [corners[i - 1], corners[i], corners[i + 1]];
  const into = at.clone().addScaledVector(at.clone().sub(before).normalize(), -RADIUS);
  const out = at.clone().addScaledVector(after.clone().sub(at).normalize(), RADIUS);
  path.add(new LineCurve3(from, into));
  path.add(new QuadraticBezierCurve3(into, at, out));
  from = out;
}
path.add(new LineCurve3(from, corners[BENDS + 1]));

let triangles = 0;
const times = [];
for (let i = 0; i < 7; i++) {
  const start = performance.now();
  triangles = 0;
  for (const radius of WALLS) {
    const piece = step(RADIUS + radius) * RADIUS;
    const tube = new TubeGeometry(
      path,
      Math.ceil(path.getLength() / piece),
      radius,
      Math.ceil((2 * Math.PI) / step(radius)),
    );
    triangles += tube.index.count / 3;
  }
  times.push(performance.now() - start);
}
times.sort((one, other) => one - other);
console.log(triangles, times[3]);
