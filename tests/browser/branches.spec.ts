import { expect } from '@playwright/test';
import { test } from './fixtures';
import { enter, goTo, locker, openJob, PIPE } from './jobs';

/*
 * A pipe of 60.3 whose longest straight goes from 0 to 1350 along x. A branch of it begins in its middle, at 675, and
 * is 4 · 60.3 = 241.2 long.
 */
test('branches off a pipe, moves along it, and makes both one body', async ({ page }) => {
  await openJob(page, PIPE, 'lay');
  await locker(page, 'Feed').click();
  const branches = page.getByRole('region', { name: 'Branches' });
  await expect(branches).toContainText('None stands on it.');
  await branches.getByRole('button', { name: 'Begin a run on this one' }).click();

  // It is picked, and says what it stands on.
  await expect(page.getByRole('heading', { name: 'Feed, branch' })).toBeVisible();
  await expect(page.getByText('on Feed → open end')).toBeVisible();
  await expect(page.getByLabel('Start: along Feed')).toHaveValue('675');

  // At 1400 the pipe bends: found, and put on the straight, as near as the foot and its weld of 3.9 allow.
  await enter(page, 'Start: along Feed', '1400');
  await expect(page.getByText('The branch on Feed stands in a bend')).toBeVisible();
  await page.getByRole('button', { name: 'Put it at 1315.95 mm of Feed' }).click();
  await expect(page.getByText('The branch on Feed stands in a bend')).toBeHidden();
  await enter(page, 'Start: along Feed', '600');

  await page.getByLabel('Run to make one body with').selectOption('Feed');
  await expect(page.getByLabel('Name of the body')).toHaveValue('Feed');
  await goTo(page, 'Make');
  const body = page.getByRole('region', { name: 'One body: Feed' });
  // π·(30.15² − 26.25²)·(2335.62 + 241.2) less 8/3·(30.15³ − 26.25³).
  await expect(body).toContainText('Volume of material1755.8 cm³');
  const saved = page.waitForEvent('download');
  await body.getByRole('button', { name: 'STEP', exact: true }).click();
  expect((await saved).suggestedFilename()).toBe('feed.step');

  // Back at the pipe it is listed; undone, both are apart again.
  await goTo(page, 'Lay');
  await page.getByRole('button', { name: 'Show Feed' }).click();
  await expect(branches).toContainText('Feed, branchat 600 mm');
  await page.keyboard.press('Control+z');
  await branches.getByRole('button', { name: 'Feed, branch' }).click();
  await expect(page.getByRole('heading', { name: 'Feed, branch' })).toBeVisible();
  await expect(page.getByLabel('Run to make one body with')).toBeVisible();
  await expect(page.getByLabel('Name of the body')).toBeHidden();
});

/*
 * Half of an exhaust of 60 × 2: 40 straight up, 45° with R 60, and on. Hollow first its crotch is 12√2 − 10 = 6.97
 * thick: from the edge of the bores, 28 from both axes, to the ball of 10 on both outsides, its middle 40 from both.
 */
test('mirrors half an exhaust into a whole, and rounds it with an even wall', async ({ page }) => {
  const lead = 40 + 60 * Math.tan(Math.PI / 8);
  await openJob(
    page,
    {
      format: 'bowline-job',
      version: 3,
      name: 'Exhaust',
      up: 'z',
      stock: [
        {
          id: 'p',
          name: 'Pipe 60 × 2',
          kind: 'pipe',
          density: 8000,
          section: { shape: 'round', od: 60, wall: 2 },
          bend: { radius: 60, min_radius: 50, min_straight: 0 },
        },
      ],
      runs: [
        {
          id: 'left',
          name: 'Left leg',
          stock: 'p',
          from: { at: [0, 0, 0], axis: [0, 0, 1], lead },
          to: { at: [-200, 0, lead + 200] },
          route: { kind: 'corners', stops: [] },
        },
      ],
    },
    'lay',
  );
  await locker(page, 'Left leg').click();
  await page.getByRole('button', { name: 'Opposite hand, copy beside, symmetric whole' }).click();
  await page.getByLabel('Across the plane square to').selectOption('+x');
  await page.getByRole('button', { name: 'Make it' }).click();
  await expect(page.getByRole('heading', { name: 'Left leg, opposite hand' })).toBeVisible();

  await page.getByLabel('Run to make one body with').selectOption('Left leg');
  await expect(page.getByLabel('Name of the body')).toHaveValue('Left leg');
  await enter(page, 'Body: rounding', '10');
  await page.getByLabel('Body: order').selectOption('hollow-first');
  await page.getByRole('button', { name: 'Measure its wall' }).click();
  const wall = page.getByRole('status', { name: 'Wall of the body' });
  await expect(wall).toContainText('Hollow first2 mm – 7 mm', { timeout: 60_000 });
  await expect(wall).toContainText('Rounded first2 mm – 2 mm');

  // Rounded first, the thick spot is gone; the file has it as one body.
  await page.getByLabel('Body: order').selectOption('round-first');
  await goTo(page, 'Make');
  const body = page.getByRole('region', { name: 'One body: Left leg' });
  await expect(body).toContainText('cm³', { timeout: 120_000 });
  const saved = page.waitForEvent('download');
  await body.getByRole('button', { name: '3MF', exact: true }).click();
  expect((await saved).suggestedFilename()).toBe('left-leg.3mf');
});

/*
 * A pipe DN 50 of 1000 with a branch DN 25 at 400, by a tee of ASME B16.9: 64 to the end of its run, 51 to its outlet,
 * and a gap of 2 at each weld.
 */
test('lets a branch in by a bought tee, rounds both as one, and stops what takes long', async ({ page }) => {
  // The body is found twice, as finely as is slow, beside other tests.
  test.setTimeout(300_000);
  const pipe = (id: string, name: string, od: number, wall: number) => ({
    id,
    name,
    kind: 'pipe',
    density: 7850,
    section: { shape: 'round', od, wall },
    bend: { radius: 100, min_radius: 60, min_straight: 0 },
  });
  await openJob(
    page,
    {
      format: 'bowline-job',
      version: 3,
      name: 'Vent',
      up: 'z',
      stock: [pipe('p', 'DN 50', 60.3, 2.9), pipe('b', 'DN 25', 33.7, 2.9)],
      runs: [
        {
          id: 'main',
          name: 'Main',
          stock: 'p',
          from: { at: [0, 0, 0] },
          to: { at: [1000, 0, 0] },
          route: { kind: 'corners', stops: [] },
        },
        {
          id: 'vent',
          name: 'Vent',
          stock: 'b',
          from: { on: { run: 'main', length: 400 }, axis: [0, 0, 1] },
          to: { at: [400, 0, 300] },
          route: { kind: 'corners', stops: [] },
        },
      ],
    },
    'lay',
  );
  await locker(page, 'Vent').click();
  await page.getByLabel('Start: let in').selectOption('by a bought tee');
  await enter(page, 'Start: along Main', '40');
  await expect(page.getByText('The branch on Main has no room')).toBeVisible();
  await page.getByRole('button', { name: 'Put it at 64 mm of Main' }).click();
  await expect(page.getByText('The branch on Main has no room')).toBeHidden();
  await enter(page, 'Start: along Main', '400');
  await page.getByLabel('Run to make one body with').selectOption('Main');
  await enter(page, 'Body: rounding', '8');

  await goTo(page, 'Make');
  await expect(page.getByRole('row', { name: 'Pipe in all 247.0 mm' })).toBeVisible();
  await locker(page, 'Main').click();
  for (const row of ['1 DN 50 334.0', '2 reducing tee DN 50 × 25', '3 DN 50 534.0', 'Pipe in all 868.0 mm']) {
    await expect(page.getByRole('row', { name: row })).toBeVisible();
  }

  // As fine as this it takes long enough to be stopped.
  await enter(page, 'Triangles stand off by', '0.03');
  const body = page.getByRole('region', { name: 'One body: Main' });
  await expect(body).toContainText('cm³', { timeout: 60_000 });
  await body.getByRole('button', { name: 'STL', exact: true }).click();
  const progress = body.getByRole('status').filter({ hasText: 'Finding the body to save…' });
  await expect(progress.getByRole('progressbar')).toBeVisible();
  await progress.getByRole('button', { name: 'Stop' }).click();
  await expect(body.getByRole('status').filter({ hasText: 'Stopped' })).toBeVisible();
  const saved = page.waitForEvent('download', { timeout: 180_000 });
  await body.getByRole('button', { name: 'Go on' }).click();
  expect((await saved).suggestedFilename()).toBe('main.stl');
});
