import { expect } from '@playwright/test';
import { test } from './fixtures';
import { BARE, GOALPOST, openJob } from './jobs';

/*
 * Up 150 from the pump at z 50, over 300, and down, with bends of R 30. From the middle of one bend to the middle of
 * the other there are 240 of straight and twice an eighth of 60π.
 */
test('measures between two things that are gone to by keys', async ({ page }) => {
  const run = { ...GOALPOST, route: { kind: 'corners', stops: [{ at: [0, 0, 200] }, { at: [300, 0, 200] }] } };
  await openJob(page, { ...BARE, runs: [run] }, 'lay');
  await page.getByRole('region', { name: 'View' }).focus();
  await page.keyboard.press('m');
  const bar = page.getByRole('region', { name: 'Measure' });
  const pointing = page.getByRole('region', { name: 'Pointing' });
  await expect(pointing).toContainText('Measure from');

  // Tab goes through ports, clamps and corners.
  const goTo = async (name: string) => {
    await expect(page.locator('.target-mark').first()).toBeVisible();
    for (let i = 0; i < 30 && !(await pointing.textContent())?.includes(name); i++) {
      await page.keyboard.press('Tab');
    }
    await expect(pointing).toContainText(name);
    await page.keyboard.press('Enter');
  };
  await goTo('Feed, corner 1');
  await goTo('Feed, corner 2');
  const figures = bar.getByRole('status');
  await expect(figures).toContainText('Distance300 mm');
  await expect(figures).toContainText('dx300 mm');
  await expect(figures).toContainText('dz0 mm');
  // By the middle of one bend to the middle of the next: 240 and twice an eighth of 60π.
  await expect(figures).toContainText('Along the run287.1 mm');
  // Written at the line in the view too.
  await expect(page.locator('.measured-figure').first()).toHaveText('300 mm');

  await bar.getByRole('button', { name: 'Measure again' }).click();
  await goTo('Pump, out');
  await goTo('Filter, in');
  // From (0, 0, 50) to (400, 300, 250).
  await expect(figures).toContainText('Distance538.5 mm');
  await expect(figures).toContainText('dy300 mm');
  await bar.getByRole('button', { name: 'Leave measuring' }).click();
  await expect(bar).toBeHidden();
  await expect(page.locator('.measured-figure')).toHaveCount(0);
});
