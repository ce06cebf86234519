// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, render, renderHook, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { ReactNode } from 'react';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { api } from '../../resources/js/api/client';
import type { BodyWork, JobState } from '../../resources/js/api/types';
import { BodyProgress } from '../../resources/js/job/BodyProgress';
import { JobContext, type useJobAccess } from '../../resources/js/job/useJob';
import { useWorked } from '../../resources/js/job/useWorked';

/* A question about a body that is worked on: asked again once it is done, stopped, and taken up again. */

const MESH = { positions: 'AAAA', triangles: 'AAAA' };
let works: BodyWork[];
let meshes: number;
let changes: unknown[];
const json = (value: unknown, status = 200) => new Response(JSON.stringify(value), { status });
const TOO_LONG = 'It took longer than 5 minutes.';
const work = (state: BodyWork['state'], part = 0): BodyWork => ({
  id: 3,
  body: 'tee',
  state,
  part,
  problem: state === 'failed' ? TOO_LONG : null,
});

beforeEach(() => {
  works = [];
  meshes = 0;
  changes = [];
  vi.stubGlobal('fetch', async (address: string, { method, body }: { method: string; body?: string }) => {
    if (address.includes('/body-works/')) {
      if (method === 'POST') {
        changes.push(JSON.parse(body ?? ''));
      }
      return json(works[0] ?? work('done', 1));
    }
    meshes++;
    return works.length > 0 ? json(works[0], 202) : json(MESH);
  });
});

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

function around() {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  const access = { state: { id: 7, revision: 1 } as JobState } as ReturnType<typeof useJobAccess>;
  return ({ children }: { children: ReactNode }) => (
    <QueryClientProvider client={client}>
      <JobContext value={access}>{children}</JobContext>
    </QueryClientProvider>
  );
}

const useMesh = () => useWorked(['joined', 7, 'tee', 1, 0.4], () => api.joinedMesh(7, 'tee', 0.4));

test('is answered at once where the server has it', async () => {
  const { result } = renderHook(useMesh, { wrapper: around() });
  await waitFor(() => expect(result.current.answer).toEqual(MESH));
  expect(result.current.work).toBeNull();
});

test('tells how far it has come, and asks again when it is done', async () => {
  works = [work('waiting')];
  const { result } = renderHook(useMesh, { wrapper: around() });
  await waitFor(() => expect(result.current.work).toEqual(work('waiting')));
  works = [work('working', 0.5)];
  await waitFor(() => expect(result.current.work?.part).toBe(0.5));
  expect([result.current.answer, meshes]).toEqual([undefined, 1]);
  act(() => {
    works = [];
  });
  await waitFor(() => expect(result.current.answer).toEqual(MESH));
  expect([result.current.work, meshes]).toEqual([null, 2]);
});

test.each([
  ['working', 'Weighing…', 'Stop', false],
  ['stopped', 'Stopped', 'Go on', true],
  ['failed', TOO_LONG, 'Try again', true],
] as const)('shows a work that is %s', async (state, words, button, again) => {
  works = [work(state, 0.25)];
  const Around = around();
  render(
    <Around>
      <BodyProgress work={work(state, 0.25)} doing="Weighing…" />
    </Around>,
  );
  expect(screen.getByRole('status').textContent).toContain(words);
  expect(screen.queryByRole('progressbar')?.getAttribute('aria-valuenow')).toBe(again ? undefined : '25');
  await userEvent.click(screen.getByRole('button', { name: button }));
  await waitFor(() => expect(changes).toEqual([{ again }]));
});
