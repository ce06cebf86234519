import { type ChildProcess, spawn } from 'node:child_process';
import { once } from 'node:events';
import { type AddressInfo, createServer } from 'node:net';

/** The database of a server of a test's own: one for each worker of Playwright, which run beside each other. */
export const ownDatabase = () =>
  `${process.cwd()}/.bowline/own-server-${process.env.TEST_PARALLEL_INDEX ?? '0'}.sqlite`;

/** What the server of all tests began with: the demo job. */
const SEEDED = `${process.cwd()}/.bowline/browser-tests.sqlite.seeded`;

/** A server of a test's own, which it can stop and start again: with a database of its own beside the others'. */
export async function start(
  port: number,
  command: 'tests/browser/server' | 'bin/serve',
  env: Record<string, string> = {},
): Promise<ChildProcess> {
  const server = spawn(command, [String(port)], {
    env: {
      ...process.env,
      BOWLINE_SEEDED: SEEDED,
      ...env,
      DB_DATABASE: ownDatabase(),
      CACHE_PATH: `${ownDatabase()}.cache`,
    },
    stdio: 'ignore',
  });
  // As long as it lives: on a busy machine two of them start beside each other in more than half a minute. A test that
  // waits for good is ended by Playwright's own limit.
  while (server.exitCode === null && server.signalCode === null) {
    const answer = await fetch(`http://127.0.0.1:${port}/api/ready`).catch(() => null);
    if (answer?.ok) {
      return server;
    }
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new Error(`The server ended with ${server.exitCode ?? server.signalCode} before it answered.`);
}

export async function stop(server: ChildProcess): Promise<void> {
  if (server.exitCode === null && server.signalCode === null) {
    const gone = once(server, 'exit');
    server.kill('SIGTERM');
    await gone;
  }
}

export async function freePort(): Promise<number> {
  const probe = createServer().listen(0, '127.0.0.1');
  await once(probe, 'listening');
  const { port } = probe.address() as AddressInfo;
  probe.close();
  return port;
}
