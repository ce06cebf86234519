// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import type { ReactNode } from 'react';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { api } from '../../resources/js/api/client';
import { SupportClamps } from '../../resources/js/card/SupportClamps';
import { type JobAccess, JobContext } from '../../resources/js/job/useJob';

/* Where clamps would go on a run that is supported too seldom, and the button that puts them there. */

const edit = vi.fn(async () => {});
let client = new QueryClient();

function Around({ children }: { children: ReactNode }) {
  const access = {
    state: { id: 7, revision: 3 },
    item: (_: string, id: string) => ({ id, name: 'Main' }),
    edit,
  } as unknown as JobAccess;
  return (
    <QueryClientProvider client={client}>
      <JobContext.Provider value={access}>{children}</JobContext.Provider>
    </QueryClientProvider>
  );
}

const show = () =>
  render(<SupportClamps run={{ id: 'main' } as never} finding={{ span: [1200, 5700] } as never} />, {
    wrapper: Around,
  });

beforeEach(() => {
  client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  edit.mockClear();
});
afterEach(cleanup);

test('are listed, and put there in one step', async () => {
  const edits = [
    { list: 'clamps', id: 'clamp-1', item: { id: 'clamp-1' } },
    { list: 'runs', id: 'main', item: { id: 'main' } },
  ];
  const asked = vi.spyOn(api, 'supports').mockResolvedValue({
    places: ['At 1500 mm, 150 mm off Floor', 'At 3000 mm, on nothing yet'],
    edits: edits as never,
  });
  show();
  expect(screen.getByRole('status').textContent).toBe('Looking for places for clamps…');
  await screen.findByText('At 3000 mm, on nothing yet');
  expect(asked).toHaveBeenCalledWith(7, 'main', 1200);
  fireEvent.click(screen.getByRole('button', { name: 'Put 2 clamps there' }));
  expect(edit).toHaveBeenCalledWith(edits, undefined, 'Put 2 clamps on Main');
});

test('are one where one is enough', async () => {
  vi.spyOn(api, 'supports').mockResolvedValue({ places: ['At 900 mm, on nothing yet'], edits: [] });
  show();
  await screen.findByRole('button', { name: 'Put a clamp there' });
});

test('say why there is no place for them', async () => {
  vi.spyOn(api, 'supports').mockRejectedValue(new Error('There is no straight for clamps between 0 mm and 900 mm.'));
  show();
  await screen.findByText('There is no straight for clamps between 0 mm and 900 mm.');
  expect(screen.queryByRole('button')).toBeNull();
});
