// What is lost when processes are killed: node bench/faults.mjs [KILLS]. Behind nginx and PHP-FPM (bin/server), four
// windows send edits one after another and send each again until it is answered, as the page does; a fifth has packs
// made, which go through Redis to workers without a database. Meanwhile workers of PHP, workers of the queue, Redis,
// workers of other machines and the whole server are killed (SIGKILL) again and again. Then every edit that was
// answered has to be there, once, and every pack that was asked for has to be made. Asked for: 200 kills, nothing lost,
// nothing twice, no damaged file.
import { execFileSync, spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { behindNginx, freePort, until, wait } from './nginx.mjs';

const KILLS = Number(process.argv[2] ?? 200);
const WINDOWS = 4;
const PAUSE = 250;
/** A task that has not come to its end after so long is lost, ms. */
const LOST = 120_000;

const redisPort = await freePort();
const told = {
  BOWLINE_REDIS: `tcp://127.0.0.1:${redisPort}`,
  BOWLINE_MACHINES_KEY: 'of this bench',
  BOWLINE_QUEUE_WORKERS: '2',
};
const { address, database, env, forget, start } = await behindNginx(told);
const quiet = { env, stdio: 'ignore', detached: true };
const startRedis = () =>
  spawn('redis-server', ['--port', `${redisPort}`, '--save', '', '--appendonly', 'no', '--bind', '127.0.0.1'], quiet);
const startCalculator = () =>
  spawn('php', ['artisan', 'bowline:calculate'], { ...quiet, env: { ...env, DB_DATABASE: '/nowhere/at.all' } });
let redis = startRedis();
const calculators = [startCalculator(), startCalculator()];
let server = start();

const children = (id) => {
  try {
    return execFileSync('ps', ['-o', 'pid=', '--ppid', String(id)], { encoding: 'utf8' })
      .split('\n')
      .map(Number)
      .filter(Boolean);
  } catch {
    return [];
  }
};
const tree = (id) => [id, ...children(id).flatMap(tree)];
const named = (word) =>
  tree(server.pid).filter((id) => {
    try {
      return execFileSync('ps', ['-o', 'args=', '-p', String(id)], { encoding: 'utf8' }).includes(word);
    } catch {
      return false;
    }
  });
const kill = (ids) => {
  for (const id of ids) {
    try {
      process.kill(id, 'SIGKILL');
    } catch {
      // It has gone by itself.
    }
  }
  return ids.length;
};

const fitting = (number) => ({
  id: `f${number}`,
  name: `Fitting ${number}`,
  pose: { at: [0, 200 * number, 0] },
  body: { shape: 'box', size: [50, 50, 50] },
  ports: [],
});
const { id: job } = await until(address, '/jobs/open', {
  format: 'bowline-job',
  version: 1,
  name: 'Faults',
  fittings: Array.from({ length: WINDOWS }, (_, number) => fitting(number)),
});

let isOver = false;
let sentAgain = 0;
const packs = {};
let slowest = 0;
const answered = await Promise.all([
  ...Array.from({ length: WINDOWS }, async (_, number) => {
    let count = 0;
    while (!isOver) {
      const item = fitting(number);
      item.pose.at[0] = count + 1;
      const token = randomUUID();
      const started = performance.now();
      await until(address, `/jobs/${job}/edits`, { edits: [{ list: 'fittings', id: item.id, item }], token });
      sentAgain += performance.now() - started > 1000 ? 1 : 0;
      count++;
    }
    return count;
  }),
  (async () => {
    while (!isOver) {
      const asked = performance.now();
      const { id } = await until(address, `/jobs/${job}/packs`, { kinds: ['lists'], format: 'pdf' });
      let state = 'waiting';
      while (['waiting', 'working'].includes(state) && performance.now() - asked < LOST) {
        await wait(PAUSE);
        ({ state } = await until(address, `/jobs/${job}/packs/${id}`));
      }
      packs[state] = (packs[state] ?? 0) + 1;
      slowest = Math.max(slowest, performance.now() - asked);
    }
    return null;
  })(),
  (async () => {
    const killed = {
      'workers of PHP': 0,
      'workers of the queue': 0,
      Redis: 0,
      'workers of other machines': 0,
      'the whole server': 0,
    };
    for (let number = 0; number < KILLS; number++) {
      await wait(PAUSE);
      if (number % 10 === 9) {
        killed['the whole server'] += 1;
        kill(tree(server.pid));
        server = start();
        await until(address, '/ready');
      } else if (number % 10 === 4) {
        killed['workers of the queue'] += kill(named('queue:work').slice(0, 1));
      } else if (number % 10 === 6) {
        killed.Redis += kill([redis.pid]);
        await wait(PAUSE);
        redis = startRedis();
      } else if (number % 10 === 8) {
        killed['workers of other machines'] += kill([calculators[0].pid]);
        calculators.push(startCalculator());
        calculators.shift();
      } else {
        const workers = named('php-fpm: pool');
        killed['workers of PHP'] += kill([workers[number % Math.max(1, workers.length)]].filter(Boolean));
      }
    }
    isOver = true;
    console.log('killed:', killed);
    return null;
  })(),
]);

const counts = answered.slice(0, WINDOWS);
const state = await until(address, `/jobs/${job}`);
const at = state.job.fittings.map(({ pose }) => pose.at[0]);
const total = counts.reduce((sum, one) => sum + one, 0);
const whole = execFileSync(
  'php',
  ['-r', 'echo (new PDO("sqlite:".$argv[1]))->query("PRAGMA integrity_check")->fetchColumn();', database],
  { encoding: 'utf8' },
).trim();
kill([...tree(server.pid), redis.pid, ...calculators.map(({ pid }) => pid)]);
forget();
console.log('packs:', packs, `the slowest after ${(slowest / 1000).toFixed(1)} s`);
console.log(`${total} edits were answered, ${sentAgain} of them after more than a second.`);
const lost = counts.filter((count, number) => at[number] !== count).length;
console.log(`lost: ${lost}, done twice: ${state.step - total}, database: ${whole}`);
process.exit(state.step === total && whole === 'ok' && lost === 0 && Object.keys(packs).join() === 'done' ? 0 : 1);
