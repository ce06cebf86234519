import { Box3, OrthographicCamera, Vector3 } from 'three';
import { expect, test } from 'vitest';
import { newest } from '../../resources/js/job/newest';
import { axisTracks, directionToJson, onTrack, type Project, stepFor, withTrack } from '../../resources/js/job/tracks';
import { withRoom } from '../../resources/js/view/camera';
import { aimAt, forward } from '../../resources/js/view/laying/aiming';
import { catchable, caughtAt } from '../../resources/js/view/laying/catching';

/* The geometry of the hand, without a page: a camera from the front right and above, 2 mm to a pixel. */
const camera = new OrthographicCamera(-800, 800, 500, -500, 1, 20000);
camera.up.set(0, 0, 1);
camera.position.set(3000, -5000, 3500);
camera.lookAt(0, 0, 0);
camera.updateMatrixWorld();
const project: Project = (point) => {
  const seen = point.clone().project(camera);
  return { x: (seen.x + 1) * 400, y: (1 - seen.y) * 250 };
};
const ORIGIN = new Vector3();
const aim = (hand: { x: number; y: number }, more: object = {}) =>
  aimAt({
    hand,
    last: ORIGIN,
    tracks: axisTracks(),
    held: null,
    before: null,
    caught: null,
    free: null,
    project,
    ...more,
  });

test('takes the axis that the hand follows, as far as the hand has gone along it', () => {
  for (const track of axisTracks()) {
    const there = aim(project(track.along.clone().multiplyScalar(300)));
    expect(there?.track?.name).toBe(track.name);
    expect(there?.length).toBe(300);
  }
});

test('is reluctant to jump to another track, but does when the hand clearly leaves the first', () => {
  const [x, y] = [project(new Vector3(300, 0, 0)), project(new Vector3(0, 300, 0))];
  const before = axisTracks()[0];
  const between = (part: number) => ({ x: x.x + (y.x - x.x) * part, y: x.y + (y.y - x.y) * part });
  expect(aim(between(0.02), { before })?.track?.name).toBe('+X');
  expect(aim(between(0.9), { before })?.track?.name).toBe('+Y');
});

test('goes until level with what is caught while a track is held, and straight to it while none is', () => {
  const caught = { kind: 'corner' as const, name: 'Engine, corner', at: new Vector3(240, 130, 90) };
  const held = axisTracks()[0];
  expect(aim(project(caught.at), { held, caught })).toMatchObject({ level: true, length: 240 });
  const free = aim(project(caught.at), { caught });
  expect(free?.track?.name).toBe('to Engine, corner');
  expect(free?.point.distanceTo(caught.at)).toBeLessThan(1e-6);
});

test('offers no track back along the leg it came, and none that is seen end on', () => {
  expect(forward(axisTracks(), new Vector3(0, 0, 1), 179.5).map(({ name }) => name)).not.toContain('−Z');
  // A leg that turns by as much can still be bent round (docs/job-file.md, `reversal`).
  const turned = (degrees: number) => {
    const along = new Vector3(0, 0, 1).applyAxisAngle(new Vector3(1, 0, 0), (degrees * Math.PI) / 180);
    return forward([{ name: 'leg', along }], new Vector3(0, 0, 1), 179.5).length;
  };
  expect([179.4, 179.49, 179.51, 180].map(turned)).toEqual([1, 1, 0, 0]);
  const away = camera.position.clone().normalize();
  expect(onTrack({ name: 'away', along: away }, ORIGIN, { x: 10, y: 10 }, project)).toBeNull();
});

test('catches ports before corners before edges, each by its name', () => {
  const place = {
    list: 'fittings' as const,
    id: 'pump',
    pose: { at: [0, 0, 0] as [number, number, number], about: [0, 0, 1] as [number, number, number], angle: 90 },
    bodies: [
      {
        shape: 'box' as const,
        pose: { at: [0, 0, 0] as [number, number, number], about: [0, 0, 1] as [number, number, number], angle: 0 },
        size: [200, 100, 60] as [number, number, number],
      },
    ],
    faces: [],
    foot: null,
    hinge: null,
    rounds: [],
    ports: [
      {
        id: 'out',
        name: 'pump.out',
        title: 'Outlet',
        at: [0, 0, 30] as [number, number, number],
        axis: [0, 0, 1] as [number, number, number],
        size: null,
      },
    ],
  };
  const all = catchable([place], [], () => 'Pump');
  // Turned by 90°, the corner (100, 50, 30) of its own stands at (−50, 100, 30).
  expect(caughtAt(project(new Vector3(-50, 100, 30)), all, project, ORIGIN)?.name).toBe('Pump, corner');
  expect(caughtAt(project(new Vector3(0, 0, 30)), all, project, ORIGIN)).toMatchObject({
    kind: 'port',
    place: 'pump.out',
  });
  const onEdge = caughtAt(project(new Vector3(-50, 60, 30)), all, project, ORIGIN);
  expect(onEdge?.name).toBe('Pump, edge');
  expect(onEdge?.at.distanceTo(new Vector3(-50, 60, 30))).toBeLessThan(1e-6);
  expect(caughtAt(project(new Vector3(0, 0, 700)), all, project, ORIGIN)?.name).toBe('Pump, axis of out');
});

test('tells directions as the job file does, and rounds to steps that can be seen', () => {
  expect(directionToJson(new Vector3(0, -1, 0))).toBe('-y');
  expect(directionToJson(new Vector3(0.6, 0, 0.8))).toEqual([0.6, 0, 0.8]);
  expect([4, 0.5, 0.2, 0.01].map(stepFor)).toEqual([1, 5, 10, 100]);
  expect(withTrack(axisTracks(), 'again', new Vector3(2, 0, 0))).toHaveLength(6);
});

test('asks only the newest question, and takes nothing once it is stopped', async () => {
  const asked: number[] = [];
  const taken: number[] = [];
  const answers: (() => void)[] = [];
  const asking = newest(
    (n: number) => {
      asked.push(n);
      return new Promise<number>((resolve) => answers.push(() => resolve(n)));
    },
    (n) => taken.push(n),
  );
  for (const n of [1, 2, 3, 4]) {
    asking.want(n);
  }
  answers[0]?.();
  await expect.poll(() => asked).toEqual([1, 4]);
  answers[1]?.();
  await expect.poll(() => taken).toEqual([1, 4]);
  asking.want(5);
  asking.stop();
  answers[2]?.();
  await asking.settled();
  expect(taken).toEqual([1, 4]);
});

test('leaves room around the first fitting, and none around what is larger than an empty job', () => {
  const size = (from: number, to: number) =>
    withRoom(new Box3(new Vector3(from, from, from), new Vector3(to, to, to)))
      .getSize(new Vector3())
      .toArray();
  // An empty job is seen 600 × 600 × 300 mm large.
  expect(size(100, 200)).toEqual([600, 600, 300]);
  expect(size(-200, 200)).toEqual([600, 600, 400]);
  expect(size(0, 2000)).toEqual([2000, 2000, 2000]);
});
