// How long people wait who work at the same time, served as bin/demo serves: node bench/load.mjs [clients...]
// Every client works without a pause, two in each job: it drags (previews), keeps what it dragged, asks whether another
// window has changed something, searches the catalogue, and opens the job again. Asked for: half of 372 ms (20 clients)
// and of 1.1 s (50 clients) at the 95th percentile, and no answer but a good one.
import { recordRatio } from './record.mjs';
import { served } from './served.mjs';

const SECONDS = 8;
const crowds = process.argv.slice(2).map(Number);

/** One turn of a client's work: name, and what it asks. `now` counts its turns. */
const turn = (block, get, post) => [
  ...[1, 2, 3, 4].map((step) => [
    'a drag',
    (now) =>
      post('preview/place', {
        list: 'fittings',
        id: block.id,
        change: { do: 'move', by: [0, now % 20, step] },
        hold: 1,
      }),
  ]),
  ['kept', (now) => post('edits', { edits: [{ list: 'fittings', id: block.id, item: at(block, now % 20, 4) }] })],
  ...[1, 2, 3].map(() => ['anything new?', () => get('revision')]),
  ['catalogue', (now) => get(`../../catalogue?find=${['st', 'tube 12', '316l 28'][now % 3]}`)],
  ['job opened', () => get('')],
];

const at = (block, y, z) => ({ ...block, pose: { ...block.pose, at: [block.pose.at[0], block.pose.at[1] + y, z] } });

const percentile = (sorted, part) => sorted[Math.ceil(part * sorted.length) - 1] ?? 0;

const line = (name, times) => {
  const sorted = times.toSorted((a, b) => a - b);
  const shown = [0.5, 0.95, 1].map((part) => `${percentile(sorted, part).toFixed(0).padStart(6)} ms`);
  console.log(
    `  ${name.padEnd(14)} ${String(sorted.length).padStart(5)} answers   ` +
      `median ${shown[0]}   95th ${shown[1]}   longest ${shown[2]}`,
  );
};

await served(20, 10, async ({ id, state, address }) => {
  const headers = { 'Content-Type': 'application/json' };
  /** An answer's milliseconds; one that is not good ends the bench. */
  const timed = async (ask) => {
    const start = performance.now();
    const answer = await ask();
    await answer.arrayBuffer();
    if (!answer.ok) {
      throw new Error(`the server answered ${answer.status} to ${answer.url}`);
    }
    return performance.now() - start;
  };
  /** Runs `clients` loops side by side for a while; each asks what `next` gives it. */
  const crowd = async (clients, next) => {
    const times = new Map();
    const end = performance.now() + SECONDS * 1000;
    await Promise.all(
      Array.from({ length: clients }, async (_, client) => {
        for (let now = 0; performance.now() < end; now++) {
          const [name, ask] = next(client, now);
          const took = await timed(ask);
          times.set(name, [...(times.get(name) ?? []), took]);
        }
      }),
    );
    return times;
  };
  for (const clients of crowds.length > 0 ? crowds : [5, 20, 50]) {
    const jobs = await Promise.all(
      Array.from(
        { length: Math.ceil(clients / 2) },
        async () =>
          (await (await fetch(`${address}jobs/${id}/copy`, { method: 'POST', headers, body: '{}' })).json()).id,
      ),
    );
    const empty = [...(await crowd(clients, () => ['empty call', () => fetch(`${address}ready`)])).values()][0];
    const turns = Array.from({ length: clients }, (_, client) => {
      const own = `${address}jobs/${jobs[client >> 1]}`;
      const block = state.job.fittings[client % 2 === 0 ? 5 : 12];
      const get = (path) => fetch(path === '' ? own : `${own}/${path}`);
      return turn(block, get, (path, body) =>
        fetch(`${own}/${path}`, { method: 'POST', headers, body: JSON.stringify(body) }),
      );
    });
    // Each begins at another place of its turn, so that not all drag at once.
    const times = await crowd(clients, (client, now) =>
      turns[client][(now + client) % turns[client].length].map((part) =>
        typeof part === 'string' ? part : () => part(now),
      ),
    );
    const all = [...times.values()].flat();
    console.log(`${clients} clients, ${(all.length / SECONDS).toFixed(0)} answers a second`);
    line('empty call', empty);
    for (const [name, some] of times) {
      line(name, some);
    }
    line('all', all);
    const of = (some) =>
      percentile(
        some.toSorted((a, b) => a - b),
        0.95,
      );
    recordRatio(
      `95th percentile of all that ${clients} people ask`,
      of(all) / of(empty),
      `${of(all).toFixed(0)} ms`,
      `an empty call beside as many, ${of(empty).toFixed(0)} ms`,
    );
    console.log(
      `  95th percentile of all: × ${(of(all) / of(empty)).toFixed(1)} of an empty call's beside as many clients`,
    );
  }
});
