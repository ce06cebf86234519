import { type ChildProcess, execFileSync, spawn } from 'node:child_process';
import { once } from 'node:events';
import { rename, rm, writeFile } from 'node:fs/promises';
import { createServer, get, type Server } from 'node:http';
import { expect } from '@playwright/test';
import { test } from './fixtures';
import { freePort, ownDatabase, start, stop } from './servers';

/** Ids of the processes that were started for a port, by what stands in their command lines. */
function processes(port: number, command: string): number[] {
  return execFileSync('bash', ['-c', '. bin/processes; own_processes "$1"', 'processes', String(port)], {
    encoding: 'utf8',
  })
    .split('\n')
    .map(Number)
    .filter((id) => id > 0)
    .filter((id) => {
      try {
        return execFileSync('ps', ['-o', 'args=', '-p', String(id)], { encoding: 'utf8' }).includes(command);
      } catch {
        return false;
      }
    });
}

const answers = (port: number) =>
  fetch(`http://127.0.0.1:${port}/api/ready`).then(
    (answer) => answer.status,
    () => 0,
  );

test('goes on settling when the worker is killed, and starts again where a killed server was', async () => {
  const port = await freePort();
  let server: ChildProcess = await start(port, 'tests/browser/server');
  try {
    await expect.poll(() => processes(port, 'queue:work').length).toBe(1);
    const [worker] = processes(port, 'queue:work');
    process.kill(worker ?? 0, 'SIGKILL');
    await expect.poll(() => processes(port, 'queue:work').filter((id) => id !== worker).length).toBe(1);
    // A cable over a locker, long enough to settle on the queue.
    const job = await fetch(`http://127.0.0.1:${port}/api/jobs/open`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({
        format: 'bowline-job',
        version: 1,
        name: 'Quay',
        stock: [
          {
            id: 'c',
            kind: 'cable',
            section: { shape: 'round', od: 10 },
            bend: { radius: 30, min_radius: 30, min_straight: 0 },
            density: 2000,
          },
        ],
        surroundings: [
          { id: 'quay', shape: 'box', size: [9000, 9000, 20], pose: { at: [0, 0, -10] } },
          { id: 'locker', shape: 'box', size: [300, 600, 200], pose: { at: [0, 0, 100] } },
        ],
        runs: [
          {
            id: 'shore',
            stock: 'c',
            from: { at: [-900, 0, 300] },
            to: { at: [900, 0, 300] },
            route: { kind: 'drape', slack: 0.4 },
          },
        ],
      }),
    });
    const { id } = (await job.json()) as { id: number };
    const state = async () =>
      ((await (await fetch(`http://127.0.0.1:${port}/api/jobs/${id}/runs/shore/settling`)).json()) as { state: string })
        .state;
    await expect.poll(state, { timeout: 30_000 }).not.toBe('waiting');
    for (const busy of processes(port, 'queue:work')) {
      process.kill(busy, 'SIGKILL');
    }
    await expect.poll(state, { timeout: 60_000 }).toBe('settled');

    // Killed without a word, it leaves its workers behind, which hold the port; the next start ends them.
    const left = processes(port, 'bin/router.php');
    server.kill('SIGKILL');
    await expect.poll(() => server.signalCode).toBe('SIGKILL');
    server = spawn('bin/serve', [String(port)], {
      env: { ...process.env, DB_DATABASE: ownDatabase() },
      stdio: 'ignore',
    });
    await expect
      .poll(() => processes(port, 'bin/router.php').filter((id) => !left.includes(id)).length, { timeout: 30_000 })
      .toBeGreaterThan(0);
    await expect.poll(() => answers(port), { timeout: 30_000 }).toBe(204);
    expect(processes(port, 'bin/router.php').filter((id) => left.includes(id))).toEqual([]);
  } finally {
    await stop(server);
  }
  await expect.poll(() => processes(port, '').length).toBe(0);
});

test('lets a page of another origin neither write, delete, read nor frame', async ({ page, baseURL }) => {
  const own = new URL(baseURL ?? '');
  const elsewhere: Server = createServer((_, answer) => {
    answer.setHeader('Content-Type', 'text/html');
    answer.end(`<!doctype html><title>Elsewhere</title><iframe src="${own.href}"></iframe>`);
  }).listen(0, '127.0.0.1');
  await once(elsewhere, 'listening');
  const address = elsewhere.address();
  const port = typeof address === 'object' && address !== null ? address.port : 0;
  try {
    const blocked: string[] = [];
    page.on('console', (message) => blocked.push(message.text()));
    await page.goto(`http://127.0.0.1:${port}/`);
    const outcomes = await page.evaluate(async (origin) => {
      const tries: [string, RequestInit][] = [
        [
          `${origin}/api/jobs`,
          { method: 'POST', body: '{"name":"Planted"}', headers: { 'Content-Type': 'text/plain; x=/json' } },
        ],
        [`${origin}/api/jobs`, { method: 'POST', body: '{"name":"Planted"}', mode: 'no-cors' }],
        [`${origin}/api/jobs/1?_method=DELETE`, { method: 'POST', body: '{}', mode: 'no-cors' }],
        [
          `${origin}/api/jobs`,
          { method: 'POST', body: '{"name":"Planted"}', headers: { 'Content-Type': 'application/json' } },
        ],
        [`${origin}/api/jobs`, {}],
      ];
      const said: string[] = [];
      for (const [url, request] of tries) {
        said.push(
          await fetch(url, request).then(
            (answer) => `${answer.type} ${answer.status}`,
            () => 'refused',
          ),
        );
      }
      return said;
    }, own.origin);
    // What is sent without asking has done nothing, and its answer is kept from the page; the rest never gets there.
    expect(outcomes).toEqual(['refused', 'refused', 'refused', 'refused', 'refused']);
    // Other tests go on beside this one: nothing is planted, and the first job is still there.
    const jobs = (await (await fetch(`${own.origin}/api/jobs`)).json()) as { id: number; name: string }[];
    expect(jobs.map(({ name }) => name)).not.toContain('Planted');
    expect(jobs.map(({ id }) => id)).toContain(1);
    await expect.poll(() => blocked.join('\n')).toMatch(/frame|refused to display/i);
    // Under a name of somebody else's nothing is answered.
    const rebound = await new Promise<number | undefined>((done) => {
      get(`${own.origin}/api/jobs`, { headers: { Host: 'elsewhere.example' } }, (answer) => done(answer.statusCode));
    });
    expect(rebound).toBe(421);
  } finally {
    elsewhere.close();
  }
});

test('opens a job that takes long to work out at once, and shows each hose when it is', async ({ page }) => {
  const port = await freePort();
  // No time at all while it is read: all of them are left to the queue.
  const server = await start(port, 'tests/browser/server', { BOWLINE_SOLVING_SECONDS: '0' });
  try {
    const hoses = Array.from({ length: 8 }, (_, i) => ({ id: `h${i}`, y: 100 * i }));
    const opened = await page.request.post(`http://127.0.0.1:${port}/api/jobs/open`, {
      data: {
        format: 'bowline-job',
        version: 2,
        name: 'Manifold',
        stock: [
          {
            id: 'h',
            name: 'Hose',
            kind: 'hose',
            section: { shape: 'round', od: 20, wall: 4 },
            bend: { radius: 60, min_radius: 60, min_straight: 0 },
            density: 1200,
          },
        ],
        runs: hoses.map(({ id, y }) => ({
          id,
          name: `Hose ${id}`,
          stock: 'h',
          from: { at: [0, y, 0], axis: [1, 0, 0] },
          to: { at: [600, y, 0], axis: [1, 0, 0] },
          route: { kind: 'spring', length: 720 },
        })),
      },
    });
    const state = await opened.json();
    expect(state.solutions.filter((one: { unsolved?: true }) => one.unsolved === true)).toHaveLength(8);
    await page.goto(`http://127.0.0.1:${port}/jobs/${state.id}/lay`);
    await page.getByText('Hose h7', { exact: true }).first().click();
    // The queue works them out, and the window sees it by itself.
    await expect(page.getByText('not worked out')).toHaveCount(0, { timeout: 60_000 });
    await expect(page.getByRole('region', { name: 'Laid straight' })).toContainText('centre line 720 mm');
  } finally {
    await stop(server);
  }
});

test('says on the page what is wrong with a broken database, and goes on when it is whole again', async ({ page }) => {
  const port = await freePort();
  const server = await start(port, 'tests/browser/server');
  const database = ownDatabase();
  try {
    await page.goto(`http://127.0.0.1:${port}/jobs`);
    await expect(page.getByText('Ternwake').first()).toBeVisible();
    // In place at once: the queue looks into the database all the time, and would begin a new one where there is none.
    await writeFile(
      `${database}.broken`,
      'no database at all, but bytes enough to look like a page of one'.repeat(100),
    );
    for (const ending of ['-wal', '-shm', '']) {
      await rename(database + ending, `${database}${ending}.aside`).catch(() => undefined);
    }
    await rename(`${database}.broken`, database);
    for (const ending of ['-wal', '-shm']) {
      await rm(database + ending, { force: true });
    }
    await page.reload();
    await expect(page.getByText('The jobs cannot be read')).toBeVisible();
    await expect(page.getByText('is not a database')).toContainText('bin/bowline-admin restore');
    expect((await page.request.get(`http://127.0.0.1:${port}/api/ready`)).status()).toBe(503);
    await rm(database);
    for (const ending of ['', '-wal', '-shm']) {
      await rename(`${database}${ending}.aside`, database + ending).catch(() => undefined);
    }
    await page.getByRole('button', { name: 'Try again' }).click();
    await expect(page.getByText('Ternwake').first()).toBeVisible();
  } finally {
    await stop(server);
  }
});
