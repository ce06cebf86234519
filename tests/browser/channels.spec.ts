import { expect } from '@playwright/test';
import { test } from './fixtures';
import { enter, goTo, locker, openJob } from './jobs';

/* A block of 200 × 100 × 60 with a drain of 8 straight across it, 10 below its middle, and two openings at its ends. */
const BLOCK = {
  format: 'bowline-job',
  version: 3,
  name: 'Manifold',
  up: 'z',
  stock: [
    {
      id: 's',
      name: 'Passage 8',
      kind: 'tube',
      density: 1000,
      section: { shape: 'round', od: 8 },
      bend: { radius: 20, min_radius: 8, min_straight: 0 },
    },
  ],
  fittings: [
    {
      id: 'block',
      name: 'Block',
      body: { shape: 'box', size: [200, 100, 60], density: 2700 },
      ports: [
        { id: 'in', name: 'Inlet', at: [-100, 0, 12], axis: '-x' },
        { id: 'out', name: 'Outlet', at: [100, 0, 8], axis: '+x' },
        { id: 'd1', name: 'Drain, port', at: [0, -50, -10], axis: '-y' },
        { id: 'd2', name: 'Drain, starboard', at: [0, 50, -10], axis: '+y' },
      ],
    },
  ],
  runs: [
    {
      id: 'drain',
      name: 'Drain',
      stock: 's',
      from: { port: 'block.d1' },
      to: { port: 'block.d2' },
      route: { kind: 'corners', stops: [] },
      body: { as: 'channel', in: 'block' },
    },
  ],
};

test('puts a channel between two openings, moves one, cures the thin wall, and saves the block', async ({ page }) => {
  await openJob(page, BLOCK, 'place');
  await locker(page, 'Block').click();
  const channels = page.getByRole('region', { name: 'Channels' });
  await expect(channels).toContainText('Drain');
  // What the drain has is not on offer.
  await expect(page.getByLabel('Channel from').locator('option')).toHaveText(['Inlet', 'Outlet']);
  await channels.getByRole('button', { name: 'Put a channel between them' }).click();
  await expect(page.getByRole('heading', { name: 'Inlet – Outlet' })).toBeVisible();
  await expect(page.getByLabel('Made, or taken out of a block')).toHaveValue('block');

  // The outlet down to 13 below the middle: halfway the channel is 9.5 over the drain, and both are 4 thick to there.
  await page.getByRole('button', { name: 'Show Block' }).click();
  await enter(page, 'Port out: At z', '-13');
  await goTo(page, 'Check');
  const finding = page.locator('.finding', { hasText: 'Thin wall to Drain' });
  await expect(finding).toBeVisible();
  await expect(finding).toContainText('2 mm is needed');
  await finding
    .getByRole('button', { name: /^(Move|Lead)/ })
    .first()
    .click();
  await expect(page.getByText('Thin wall to')).toHaveCount(0);
  await expect(page.getByText('All 2 runs can be bent and built.')).toBeVisible();

  // A wall that is not there: refused by its field, and nothing is lost.
  await goTo(page, 'Lay');
  await locker(page, 'Inlet – Outlet').click();
  await enter(page, 'Channel: least wall', '-1');
  await expect(page.getByText('the least wall')).toBeVisible();
  await page.keyboard.press('Escape');

  await goTo(page, 'Make');
  const block = page.getByRole('region', { name: 'Block: Block' });
  await expect(block).toContainText('Without Drain, Inlet – Outlet, as one closed body.');
  await expect(block).toContainText('cm³');
  const saved = page.waitForEvent('download');
  await block.getByRole('button', { name: '3MF', exact: true }).click();
  expect((await saved).suggestedFilename()).toBe('block.3mf');
});

test('lets a channel that cuts into another open into it, and makes a run of it again', async ({ page }) => {
  const across = {
    id: 'across',
    name: 'Across',
    stock: 's',
    from: { at: [-100, 20, -10] },
    to: { at: [100, 20, -10] },
    route: { kind: 'corners', stops: [] },
  };
  await openJob(page, { ...BLOCK, runs: [...BLOCK.runs, across] }, 'lay');
  await locker(page, 'Across').click();
  await page.getByLabel('Made, or taken out of a block').selectOption('taken out of Block');
  await expect(
    page.getByText('Drain cuts into Across, by 8 mm.').or(page.getByText('Across cuts into Drain, by 8 mm.')),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Let it open into Drain' }).click();
  await expect(page.getByLabel('Drain', { exact: true })).toBeChecked();
  await expect(page.getByText('cuts into')).toHaveCount(0);
  await page.getByLabel('Made, or taken out of a block').selectOption('made, as a body');
  await expect(page.getByLabel('Channel: least wall')).toBeHidden();
});

test('turns a bent channel into drillings, shows its wall by colour, and makes a groove', async ({ page }) => {
  const bent = {
    id: 'bent',
    name: 'Bent',
    stock: 's',
    from: { port: 'block.in' },
    to: { at: [40, 0, 30] },
    route: { kind: 'corners', stops: [{ at: [40, 0, 12] }] },
    body: { as: 'channel', in: 'block' },
  };
  await openJob(page, { ...BLOCK, runs: [...BLOCK.runs, bent] }, 'lay');
  await locker(page, 'Bent').click();
  await page.getByRole('button', { name: 'Show the wall by colour' }).click();
  await expect(page.getByRole('region', { name: 'Scale of the wall' })).toContainText(/Wall[\d.]+ mm[\d.]+ mm/);
  await page.getByRole('button', { name: 'Show it plain again' }).click();
  await expect(page.getByRole('region', { name: 'Scale of the wall' })).toBeHidden();

  await page.getByRole('button', { name: 'Turn into drillings' }).click();
  await expect(page.getByRole('heading', { name: 'Bent, drilling 1' })).toBeVisible();
  await goTo(page, 'Make');
  const table = page.getByRole('table', { name: 'Drillings' });
  await expect(table.locator('tbody tr')).toHaveCount(3);
  await expect(table).toContainText('the −x face');
  await expect(page.getByRole('status', { name: 'Roofs in its channels' })).toContainText('a roof 0.0° from level');

  await goTo(page, 'Lay');
  await page.keyboard.press('Control+z');
  await locker(page, 'Drain').click();
  await page.getByLabel('Channel or groove').selectOption('a groove along a face');
  // As deep as it is wide to one side; but it keeps to no face there.
  await expect(page.getByLabel('Groove: depth')).toHaveValue('4');
  await expect(page.getByText('Drain keeps to no face of Block.').first()).toBeVisible();
  await page.getByLabel('Channel or groove').selectOption('a channel, from face to face');
  await expect(page.getByText('keeps to no face')).toHaveCount(0);
});
