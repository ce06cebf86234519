// Serves a job of many runs as bin/demo serves, for a bench to ask about, and measures what it asks.
import { execFileSync, spawn } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { recordRatio } from './record.mjs';

/**
 * @typedef {{id: number, post: Function, get: Function, state: object, address: string}} Served
 * @param {(served: Served) => Promise<void>} ask
 */
export const served = (runs, corners, ask) =>
  servedJob(`benchJob(${runs}, ${corners})`, `${runs} runs of ${corners} corners`, ask);

/**
 * @param {string} made  the call of bench/jobs.php that makes the job
 * @param {string} words  what it is
 * @param {(served: Served) => Promise<void>} ask
 */
export async function servedJob(made, words, ask) {
  const folder = mkdtempSync(join(tmpdir(), 'bowline-bench-'));
  const database = join(folder, 'bench.sqlite');
  writeFileSync(database, '');
  const env = { ...process.env, DB_DATABASE: database };
  execFileSync('php', ['artisan', 'migrate', '--force', '--quiet'], { env });
  const job = execFileSync('php', ['-r', `require "bench/jobs.php"; echo json_encode(${made});`], {
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
    const state = await (await fetch(`${address}jobs/open`, { method: 'POST', headers, body: job })).json();
    console.log(
      `${words} opened, checked and solved for the first time ` + `in ${(performance.now() - opening).toFixed(0)} ms`,
    );
    const get = (path) => fetch(`${address}${path}`);
    const post = (path, body) =>
      fetch(`${address}jobs/${state.id}/${path}`, { method: 'POST', headers, body: JSON.stringify(body) });
    await ask({ id: state.id, state, get, post, address });
  } finally {
    server.kill('SIGTERM');
    rmSync(folder, { recursive: true, force: true });
  }
}

/** In turns, so that all are measured on the same machine in the same mood. */
export async function measure(rounds, asked) {
  const times = Object.fromEntries(Object.keys(asked).map((name) => [name, []]));
  for (let round = 0; round < rounds; round++) {
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
    if (empty !== at(0.5)) {
      recordRatio(name, at(0.5) / empty, `${at(0.5).toFixed(1)} ms`, `an empty call, ${empty.toFixed(1)} ms`);
    }
    console.log(
      `${name.padEnd(38)} median ${at(0.5).toFixed(1).padStart(6)} ms (× ${share})   ` +
        `95th percentile ${at(0.95).toFixed(1).padStart(6)} ms`,
    );
  }
}
