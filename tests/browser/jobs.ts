import { readFileSync } from 'node:fs';
import { expect, type Locator, type Page } from '@playwright/test';

/**
 * A pipe of 60.3 (DN 50): 1500 along x, 900 along y, bends of R 150. Its straights are 1350 and 750, the bend is
 * 150·π/2 = 235.62 long, the run 2335.62.
 */
export const PIPE = {
  format: 'bowline-job',
  version: 3,
  name: 'Sea water',
  stock: [
    {
      id: 'p2',
      kind: 'pipe',
      name: 'Pipe DN 50',
      section: { shape: 'round', od: 60.3, wall: 3.9 },
      bend: { radius: 150, min_radius: 120, min_straight: 50 },
      density: 7850,
    },
  ],
  runs: [
    {
      id: 'feed',
      name: 'Feed',
      stock: 'p2',
      from: { at: [0, 0, 0] },
      to: { at: [1500, 900, 0] },
      route: { kind: 'corners', stops: [{ at: [1500, 0, 0] }] },
    },
  ],
};

/** A job with two fittings, a tube and nothing laid yet: pump out upwards, filter in from −x. */
export const BARE = {
  format: 'bowline-job',
  version: 1,
  name: 'Two fittings',
  values: { riser: 120 },
  stock: [
    {
      id: 't12',
      kind: 'tube',
      name: 'Tube 12 × 1.5',
      section: { shape: 'round', od: 12, wall: 1.5 },
      bend: { radius: 30, min_radius: 24, min_straight: 20 },
      density: 7850,
    },
  ],
  fittings: [
    {
      id: 'pump',
      name: 'Pump',
      pose: { at: [0, 0, 0] },
      body: { shape: 'box', size: [100, 100, 100] },
      ports: [{ id: 'out', name: 'Outlet', at: [0, 0, 50], axis: [0, 0, 1] }],
    },
    {
      id: 'filter',
      name: 'Filter',
      pose: { at: [450, 300, 250] },
      body: { shape: 'box', size: [100, 100, 100] },
      ports: [{ id: 'in', name: 'Inlet', at: [-50, 0, 0], axis: [-1, 0, 0] }],
    },
  ],
  runs: [],
};

/** Up 150 from the pump, over 300, and down again: both uprights and what joins them, with two bends of R 30. */
export const GOALPOST = {
  id: 'feed',
  name: 'Feed',
  stock: 't12',
  from: { port: 'pump.out' },
  to: { at: [300, 0, 50] },
  route: { kind: 'corners', stops: [{ at: [0, 0, 200] }, { at: [300, 0, 200] }] },
};

export const demo = (): object => JSON.parse(readFileSync('database/demo/ternwake.json', 'utf8'));

/** Opens a job of its own for a test, at a stage, and waits until it is drawn. */
export async function openJob(page: Page, job: object, stage: string): Promise<number> {
  const answer = await page.request.post('/api/jobs/open', { data: job });
  expect(answer.status()).toBe(201);
  const { id } = await answer.json();
  await page.goto(`/jobs/${id}/${stage}`);
  await expect(page.locator('canvas')).toBeVisible();
  await expect(page.locator('.saved')).toContainText('saved');
  return id;
}

/** The cells of a table under a heading, as text. */
export async function rows(page: Page, section: string): Promise<string[][]> {
  const table = page.getByRole('region', { name: section, exact: true }).locator('tbody tr');
  return Promise.all((await table.all()).map((row) => row.locator('td').allInnerTexts()));
}

/** Types into a field, applies it, and waits until it is kept. */
export async function enter(page: Page, label: string, text: string): Promise<void> {
  const field = page.getByRole('textbox', { name: label, exact: true });
  await field.fill(text);
  await field.press('Enter');
}

/** An item in the locker, by its name. */
export const locker = (page: Page, name: string) => page.locator('.locker .pick', { hasText: new RegExp(`^${name}`) });

/** Changes to one of the four stages. */
export const goTo = (page: Page, stage: string) =>
  page
    .getByRole('navigation', { name: 'Stages' })
    .getByRole('button', { name: new RegExp(`^${stage}`) })
    .click();

/** Where the middle of a thing is on the page, in pixels, once it has stopped moving. */
export async function middleOf(thing: Locator): Promise<{ x: number; y: number }> {
  await thing.scrollIntoViewIfNeeded();
  const { x, y, width, height } = (await thing.boundingBox()) ?? { x: 0, y: 0, width: 0, height: 0 };
  return { x: x + width / 2, y: y + height / 2 };
}
