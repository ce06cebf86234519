import { expect } from '@playwright/test';
import { test } from './fixtures';
import { BARE, demo, enter, GOALPOST, goTo, locker, middleOf, openJob } from './jobs';

test('keeps fuel off the deck beam: found, marked, waived with a reason, kept farther off, taken back', async ({
  page,
}) => {
  await openJob(page, demo(), 'check');
  const near = page.getByRole('region', { name: 'Fuel return is too near to Deck beam' });
  await expect(near).toContainText('14 mm are left between them; 20 mm are needed (Chafe).');

  await near.getByRole('button', { name: 'Fuel return is too near' }).click();
  await expect(page.locator('.near-figure')).toHaveText('14 mm');
  await expect(page.locator('.near-place')).toHaveCount(2);

  // Its leg goes through a clamp there, under the beam.
  await expect(near.getByRole('button', { name: 'Move Clamp, deck beam by 6 mm along −z' })).toBeVisible();

  await near.getByRole('button', { name: 'Waive…' }).click();
  await enter(page, 'Why it may be so', '  ');
  await expect(near).toContainText('Say why it may be so.');
  await enter(page, 'Why it may be so', 'Sleeved at the beam');
  await expect(near).toContainText('Waived: Sleeved at the beam');
  await expect(page.getByText('Nothing is too near to anything else.')).toBeVisible();

  // Kept off everything by 130: the feed off the return, too, which goes over it.
  await page.getByRole('button', { name: 'Ternwake, engine space' }).click();
  await page.getByText('Legend of what runs carry').click();
  await enter(page, 'fuel and everything: distance', '130');
  await page.getByRole('button', { name: 'Close' }).click();
  await expect(page.getByRole('region', { name: 'Fuel feed is too near to Fuel return' })).toContainText(
    '130 mm are needed (Chafe).',
  );
  await expect(near).toContainText('Waived: Sleeved at the beam');

  await near.getByRole('button', { name: 'Take it back' }).click();
  await expect(near.getByRole('button', { name: 'Waive…' })).toBeVisible();
});

test('tells what is nearest while a thing is dragged', async ({ page }) => {
  // 54 above its level leg: the only thing beside the run, wherever the drag ends.
  const beam = { id: 'beam', name: 'Beam', shape: 'box', pose: { at: [150, 0, 285] }, size: [60, 400, 50] };
  await openJob(page, { ...BARE, version: 5, surroundings: [beam], runs: [GOALPOST] }, 'place');
  await locker(page, 'Pump').click();
  const grip = await middleOf(page.locator('.move-handle').filter({ hasText: 'z' }));
  await page.mouse.move(grip.x, grip.y);
  await page.mouse.down();
  await page.mouse.move(grip.x, grip.y + 10, { steps: 4 });
  await expect(page.locator('.hover-tag')).toContainText(/to Beam\s*\d+(\.\d)? mm/);
  await page.keyboard.press('Escape');
  await page.mouse.up();
});

test('holds a tube that is dragged towards a hot exhaust, and lets it past with Alt', async ({ page }) => {
  const pipe = {
    id: 'p40',
    kind: 'pipe',
    section: { shape: 'round', od: 40, wall: 2 },
    bend: { radius: 100, min_radius: 80, min_straight: 20 },
    density: 7850,
  };
  const exhaust = {
    id: 'exhaust',
    name: 'Exhaust',
    stock: 'p40',
    service: 'gas',
    insulation: 20,
    from: { at: [150, -300, 300] },
    to: { at: [150, 300, 300] },
    route: { kind: 'corners', stops: [] },
  };
  const feed = {
    ...GOALPOST,
    route: {
      kind: 'corners',
      stops: [
        { along: '+z', length: 100 },
        { along: '+x', length: 300 },
      ],
    },
  };
  await openJob(
    page,
    {
      ...BARE,
      version: 5,
      stock: [...BARE.stock, pipe],
      services: [{ id: 'gas', name: 'Exhaust gas', colour: '#b04020', class: 'hot' }],
      clearances: { between: [{ classes: ['hot'], distance: 34, why: 'Heat' }] },
      runs: [feed, exhaust],
    },
    'lay',
  );
  await locker(page, 'Feed').click();
  const height = page.getByLabel('Leg 1: length corner to corner');
  await expect(height).toHaveValue('100');
  const corner = await middleOf(page.getByRole('button', { name: 'Corner 1', exact: true }));
  await page.mouse.move(corner.x, corner.y);
  await page.mouse.down();
  await page.mouse.move(corner.x, corner.y - 40, { steps: 6 });
  await page.mouse.move(corner.x, corner.y - 120, { steps: 6 });
  await expect(page.locator('.hover-tag .held')).toContainText('Feed is too near to Exhaust');
  // The pump's outlet is at 50; 300 less 20 + 20 of the exhaust, 34 between, and 6 of the tube: 220.
  await expect(height).toHaveValue('170');
  await page.mouse.up();
  await expect(page.locator('.saved')).toContainText('saved');

  const again = await middleOf(page.getByRole('button', { name: 'Corner 1', exact: true }));
  await page.keyboard.down('Alt');
  await page.mouse.move(again.x, again.y);
  await page.mouse.down();
  await page.mouse.move(again.x, again.y - 20, { steps: 6 });
  await expect(height).not.toHaveValue('170');
  await page.mouse.up();
  await page.keyboard.up('Alt');
  await goTo(page, 'Check');
  await expect(page.getByRole('region', { name: 'Feed is too near to Exhaust' })).toContainText(
    '34 mm are needed (Heat).',
  );
});

test('puts clamps under a pipe that is supported too seldom, in one step', async ({ page }) => {
  // DN 25 from a pump, 4.5 m in the open above a floor: 2.1 m at most by MSS SP-58.
  const pipe = {
    id: 'dn25',
    name: 'Pipe DN 25',
    kind: 'pipe',
    section: { shape: 'round', od: 33.7, wall: 3.2 },
    bend: { radius: 100, min_radius: 70, min_straight: 30 },
    density: 7850,
  };
  const floor = { id: 'floor', name: 'Floor', shape: 'box', pose: { at: [2000, 0, -200] }, size: [6000, 600, 100] };
  const main = {
    id: 'main',
    name: 'Main',
    stock: 'dn25',
    from: { at: [100, 0, 0], axis: [1, 0, 0] },
    to: { at: [4600, 0, 0] },
    route: { kind: 'corners', stops: [] },
  };
  await openJob(
    page,
    { ...BARE, version: 5, stock: [...BARE.stock, pipe], surroundings: [floor], runs: [main] },
    'check',
  );
  const found = page.getByRole('region', { name: 'Supports are too far apart' });
  await expect(found).toContainText('2100 mm at most for this pipe (MSS SP-58).');
  await expect(found).toContainText('At 1500 mm, 150 mm off Floor');
  await found.getByRole('button', { name: 'Put 2 clamps there' }).click();
  await expect(found).toBeHidden();
  await expect(locker(page, 'Clamp 2')).toBeVisible();
  await expect(page.locator('.saved')).toContainText('saved');
  await page.keyboard.press('Control+z');
  await expect(found).toBeVisible();
  await expect(locker(page, 'Clamp 2')).toBeHidden();
});

test('says where liquid would stand in a run that drains', async ({ page }) => {
  await openJob(page, demo(), 'lay');
  await locker(page, 'Fuel return').click();
  await enter(page, 'Falls by at least', '10');
  await expect(page.getByRole('region', { name: 'Liquid stands in it' }).first()).toContainText('on its way down');
});

test('cures what is too near by moving a leg', async ({ page }) => {
  // Its level leg is 12 under a beam, of 20.
  const beam = { id: 'beam', name: 'Beam', shape: 'box', pose: { at: [150, 0, 243] }, size: [60, 400, 50] };
  await openJob(
    page,
    { ...BARE, version: 5, clearances: { usual: 20 }, surroundings: [beam], runs: [GOALPOST] },
    'check',
  );
  const near = page.getByRole('region', { name: 'Feed is too near to Beam' });
  await near.getByRole('button', { name: 'Feed is too near' }).click();
  await near.getByRole('button', { name: 'Move leg 2 of Feed by 8 mm along −z' }).click();
  await expect(page.getByText('Nothing is too near to anything else.')).toBeVisible();
});
