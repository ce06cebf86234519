// How long a preview takes while something is dragged, served as bin/demo serves: node bench/preview.mjs
// Asked for, in a job of 100 runs of 20 corners: median at most twice that of an empty API call,
// 95th percentile under 50 ms.
import { execFileSync, spawn } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const ROUNDS = 200;
const folder = mkdtempSync(join(tmpdir(), 'bowline-bench-'));
const database = join(folder, 'bench.sqlite');
writeFileSync(database, '');
const env = { ...process.env, DB_DATABASE: database };
execFileSync('php', ['artisan', 'migrate', '--force', '--quiet'], { env });
const job = execFileSync('php', ['-r', 'require "bench/jobs.php"; echo json_encode(benchJob(100, 20));'], {
  maxBuffer: 1 << 28,
});
const port = await new Promise((resolve) => {
  const probe = createServer().listen(0, '127.0.0.1', () => {
    const { port: free } = probe.address();
    probe.close(() => resolve(free));
  });
});
const server = spawn('bin/serve', [String(port)], { env, stdio: 'ignore' });
const address = `http://127.0.0.1:${port}/api/`;
const headers = { 'Content-Type': 'application/json' };

try {
  for (let tries = 0; tries < 100; tries++) {
    const up = await fetch(`${address}ready`).catch(() => null);
    if (up?.ok) {
      break;
    }
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  const opening = performance.now();
  const { id } = await (await fetch(`${address}jobs/open`, { method: 'POST', headers, body: job })).json();
  console.log(`opened, checked and solved for the first time in ${(performance.now() - opening).toFixed(0)} ms`);

  const post = (path, body) =>
    fetch(`${address}jobs/${id}/${path}`, { method: 'POST', headers, body: JSON.stringify(body) });
  const corner = (hold) => (round) =>
    post('preview/run', {
      run: 'run50',
      change: { do: 'move-corner', vertex: 8, by: [0, 0, hold ? -400 - round : 5 + (round % 20)] },
      hold: hold ? 1 : null,
    });
  await measure({
    'empty call': () => fetch(`${address}ready`),
    'a corner dragged': corner(false),
    'a corner held at its limit': corner(true),
    'a fitting dragged, its run following': (round) =>
      post('preview/place', {
        list: 'fittings',
        id: 'block50',
        change: { do: 'move', by: [0, 0, round % 20] },
        hold: 1,
      }),
    'the whole job read': () => fetch(`${address}jobs/${id}`),
  });
} finally {
  server.kill('SIGTERM');
  rmSync(folder, { recursive: true, force: true });
}

/** In turns, so that all are measured on the same machine in the same mood. */
async function measure(asked) {
  const times = Object.fromEntries(Object.keys(asked).map((name) => [name, []]));
  for (let round = 0; round < ROUNDS; round++) {
    for (const [name, ask] of Object.entries(asked)) {
      const start = performance.now();
      const answer = await ask(round);
      await answer.arrayBuffer();
      if (!answer.ok) {
        throw new Error(`${name}: the server answered ${answer.status}`);
      }
      times[name].push(performance.now() - start);
    }
  }
  let empty = 0;
  for (const [name, all] of Object.entries(times)) {
    all.sort((a, b) => a - b);
    const at = (part) => all[Math.floor(part * (all.length - 1))] ?? 0;
    empty ||= at(0.5);
    const share = (at(0.5) / empty).toFixed(2);
    console.log(
      `${name.padEnd(38)} median ${at(0.5).toFixed(1).padStart(6)} ms (× ${share})   95th percentile ${at(0.95).toFixed(1).padStart(6)} ms`,
    );
  }
}
