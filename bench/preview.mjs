// How long a preview takes while something is dragged, served as bin/demo serves: node bench/preview.mjs
// Asked for, in a job of 100 runs of 20 corners: median at most twice that of an empty API call,
// 95th percentile under 50 ms.
import { measure, served } from './served.mjs';

await served(100, 20, async ({ id, get, post }) => {
  // A cable, a hose and a wire among them, whose length or points a hand is at.
  const hose = {
    id: 'soft',
    kind: 'hose',
    name: 'Hose 20',
    section: { shape: 'round', od: 20, wall: 4 },
    bend: { radius: 120, min_radius: 60, min_straight: 0 },
    density: 1500,
  };
  const ends = {
    stock: 'soft',
    from: { at: [0, -500, 300], axis: [1, 0, 0], lead: 30 },
    to: { at: [600, -900, 380], axis: [-1, 0, 0], lead: 30 },
  };
  const flexible = [
    { id: 'hanging', ...ends, route: { kind: 'hang', slack: 0.08 } },
    { id: 'sprung', ...ends, route: { kind: 'spring', length: 900 } },
    {
      id: 'flowing',
      ...ends,
      route: {
        kind: 'flow',
        points: [
          [150, -550, 350],
          [300, -700, 260],
          [420, -820, 340],
          [520, -860, 400],
        ],
      },
    },
  ];
  const opened = await post('edits', {
    edits: [
      { list: 'stock', id: 'soft', item: hose },
      ...flexible.map((run) => ({ list: 'runs', id: run.id, item: run })),
    ],
  });
  if (!opened.ok) {
    throw new Error(await opened.text());
  }
  const route = (run, of) => (round) =>
    post('preview/run', { run, change: { do: 'set-route', route: of(round % 40) }, hold: null });
  const corner = (hold) => (round) =>
    post('preview/run', {
      run: 'run50',
      change: { do: 'move-corner', vertex: 8, by: [0, 0, hold ? -400 - round : 5 + (round % 20)] },
      hold: hold ? 1 : null,
    });
  await measure(200, {
    'empty call': () => get('ready'),
    'a corner dragged': corner(false),
    'a corner held at its limit': corner(true),
    'a fitting dragged, its run following': (round) =>
      post('preview/place', {
        list: 'fittings',
        id: 'block50',
        change: { do: 'move', by: [0, 0, round % 20] },
        hold: 1,
      }),
    'slack of a hanging cable': route('hanging', (i) => ({ slack: 0.04 + i / 200 })),
    'length of a sprung hose': route('sprung', (i) => ({ length: 820 + 6 * i })),
    'a point of a smooth wire': route('flowing', (i) => ({
      points: [
        [150, -550, 350],
        [300, -700, 240 + i],
        [420, -820, 340],
        [520, -860, 400],
      ],
    })),
    'the whole job read': () => get(`jobs/${id}`),
  });
});
