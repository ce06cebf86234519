import { type ChildProcess, spawn } from 'node:child_process';
import { once } from 'node:events';
import { type AddressInfo, createServer } from 'node:net';

/** The database of a server of a test's own: one for each worker of Playwright, which run beside each other. */
export const ownDatabase = () =>
  `${process.cwd()}/.bowline/own-server-${process.env.TEST_PARALLEL_INDEX ?? '0'}.sqlite`;

/** A server of a test's own, which it can stop and start again: with a database of its own beside the others'. */
export async function start(
  port: number,
  command: 'tests/browser/server' | 'bin/serve',
  env: Record<string, string> = {},
): Promise<ChildProcess> {
  const server = spawn(command, [String(port)], {
    env: { ...process.env, ...env, DB_DATABASE: ownDatabase() },
    stdio: 'ignore',
  });
  for (let tries = 0; tries < 300; tries++) {
    const answer = await fetch(`http://127.0.0.1:${port}/api/ready`).catch(() => null);
    if (answer?.ok) {
      return server;
    }
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new Error('The server did not start.');
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
