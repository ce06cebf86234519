// Bowline behind nginx and PHP-FPM (bin/server) with a database of its own, for benches that ask or kill it.
import { execFileSync, spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const SERVER = join('bin', 'server');

export const wait = (time) => new Promise((resolve) => setTimeout(resolve, time));

/** A port of this machine on which nobody listens. */
export const freePort = () =>
  new Promise((resolve) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address();
      probe.close(() => resolve(port));
    });
  });

/**
 * Writes the files of a server that signs its own certificate.
 *
 * @param {Record<string, string>} told further variables of its environment
 */
export async function behindNginx(told = {}) {
  process.env.NODE_TLS_REJECT_UNAUTHORIZED = '0';
  process.removeAllListeners('warning');
  const folder = mkdtempSync(join(tmpdir(), 'bowline-server-'));
  const database = join(folder, 'bowline.sqlite');
  const env = { ...process.env, ...told, DB_DATABASE: database };
  const [port, plain] = [await freePort(), await freePort()];
  const user = execFileSync('id', ['-un'], { encoding: 'utf8' }).trim();
  const options = { name: 'localhost', port, plain, user };
  execFileSync(
    SERVER,
    ['write', join(folder, 'server'), ...Object.entries(options).flatMap(([name, value]) => [`--${name}`, `${value}`])],
    { env, stdio: 'ignore' },
  );
  return {
    origin: `https://localhost:${port}`,
    address: `https://localhost:${port}/api`,
    database,
    env,
    start: () => spawn(SERVER, ['run', join(folder, 'server')], { env, stdio: 'ignore', detached: true }),
    forget: () => rmSync(folder, { recursive: true, force: true }),
  };
}

/** Asks until there is an answer that is none of a server that is just gone. */
export async function until(address, path, body) {
  for (;;) {
    try {
      const answer = await fetch(address + path, {
        method: body === undefined ? 'GET' : 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: body === undefined ? undefined : JSON.stringify(body),
      });
      if (answer.ok) {
        return answer.status === 204 ? null : await answer.json();
      }
      if (answer.status < 500) {
        throw new Error(`${answer.status}: ${await answer.text()}`);
      }
    } catch (error) {
      if (/^[34]\d\d:/.test(error.message)) {
        throw error;
      }
    }
    await wait(50);
  }
}
