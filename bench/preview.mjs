// How long a preview takes while something is dragged, served as bin/demo serves: node bench/preview.mjs
// Asked for, in a job of 100 runs of 20 corners: median at most twice that of an empty API call,
// 95th percentile under 50 ms.
import { measure, served } from './served.mjs';

await served(100, 20, async ({ id, get, post }) => {
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
    'the whole job read': () => get(`jobs/${id}`),
  });
});
