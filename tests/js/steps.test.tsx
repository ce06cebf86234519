// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, describe, expect, test, vi } from 'vitest';
import { type JobAccess, JobContext } from '../../resources/js/job/useJob';
import { StepsMenu } from '../../resources/js/workbench/StepsMenu';

/* What undo says that it takes back: of one's own where several people work on a job. */

const goBy = vi.fn(async () => {});
const steps = ['Move the pump', 'Rename a tube', 'Add a leg'].map((name, i) => ({
  number: i + 1,
  name,
  made_at: '2026-11-29T12:00:00Z',
  by: ['Ida', 'Ola', 'Ola'][i],
  token: null,
}));

function show(undo: number | null, step = 3, all: object[] = steps) {
  const access = { state: { id: 7, step, steps: all, undo }, goBy, goTo: vi.fn() } as unknown as JobAccess;
  render(
    <JobContext.Provider value={access}>
      <StepsMenu />
    </JobContext.Provider>,
  );
  return screen.getByRole<HTMLButtonElement>('button', { name: /^Undo/ });
}

afterEach(() => {
  cleanup();
  goBy.mockClear();
});

describe('undo', () => {
  test('names the last step where that is what it takes back', () => {
    const button = show(3);
    expect(button.title).toBe('Undo: Add a leg (Ctrl+Z)');
    fireEvent.click(button);
    expect(goBy).toHaveBeenCalledWith(-1);
  });

  test('names an earlier step of one’s own behind steps of others', () => {
    expect(show(1).title).toBe('Undo your own: Move the pump (Ctrl+Z)');
  });

  test('is not to be had where only others have done something', () => {
    const button = show(null);
    expect(button.disabled).toBe(true);
    expect(button.title).toBe('No step of yours can be undone');
  });

  test('says that there is nothing before the first step', () => {
    expect(show(null, 0, []).title).toBe('Nothing to undo');
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Redo' }).disabled).toBe(true);
  });
});
