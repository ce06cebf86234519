import { expect, type Page } from '@playwright/test';
import { test } from './fixtures';
import { demo, locker, openJob } from './jobs';

const hidden = (page: Page, name: string) => page.locator('.locker-row.is-hidden', { hasText: name });

test('looks from the sides of the rose, and turns, pans and zooms by keys', async ({ page }) => {
  await openJob(page, demo(), 'lay');
  const where = page.locator('.rose .where');
  await expect(where).toContainText('front-right, above');
  for (const [name, words] of [
    ['View from above', 'from above'],
    ['View from +X', 'from +X'],
    ['View from −Y', 'from −Y'],
    ['Slanting view', 'front-right, above'],
  ] as const) {
    await page.getByRole('button', { name, exact: true }).focus();
    await page.keyboard.press('Enter');
    await expect(where).toContainText(words);
    await expect(page.getByRole('button', { name, exact: true })).toHaveAttribute('aria-pressed', 'true');
  }
  // The grid gets finer as the view comes nearer.
  const step = async () => Number(/grid (\d+)/.exec((await where.textContent()) ?? '')?.[1]);
  await page.locator('.view').focus();
  await expect(async () => {
    await page.keyboard.press('+');
    expect(await step()).toBeLessThan(20);
  }).toPass();
  await page.keyboard.press('ArrowLeft');
  await expect(where).toContainText('turned by hand');
  await page.keyboard.press('Home');
  await expect.poll(step).toBeGreaterThan(20);
});

test('hides, shows alone and shows all again', async ({ page }) => {
  await openJob(page, demo(), 'lay');
  await locker(page, 'Fuel return').click();
  await page.locator('.view').focus();
  await page.keyboard.press('h');
  await expect(hidden(page, 'Fuel return')).toContainText('hidden');
  await expect(page.locator('.view-tools')).toContainText('1 hidden');
  await page.getByRole('button', { name: 'Hide Main engine' }).click();
  await expect(page.locator('.view-tools')).toContainText('2 hidden');
  await page.locator('.view-tools').getByRole('button', { name: 'show all' }).click();
  await expect(page.locator('.locker-row.is-hidden')).toHaveCount(0);

  // Alone: no handle but its own can be in the way, and its end's fittings stay.
  await page.locator('.view').focus();
  await page.keyboard.press('i');
  await expect(page.locator('.view-tools')).toContainText('one thing alone');
  await expect(page.getByRole('button', { name: 'Corner 1', exact: true })).toBeVisible();
  await page.keyboard.press('i');
  await expect(page.locator('.view-tools')).not.toContainText('alone');
  await page.keyboard.press('u');
  await expect(page.getByRole('button', { name: 'See through the surroundings (U)' })).toBeVisible();
});

test('draws the strip to scale, zooms along it and folds it away', async ({ page }) => {
  await openJob(page, demo(), 'lay');
  await locker(page, 'Fuel feed').click();
  const width = async (name: RegExp) =>
    Number(await page.getByRole('button', { name }).locator('.straight').getAttribute('width'));
  // Straights of 496.5 and 120 are drawn as long as they are to one another.
  const ratio = async () => (await width(/Straight of leg 3/)) / (await width(/Straight of leg 2/));
  await expect.poll(ratio).toBeGreaterThan(4.13);
  expect(await ratio()).toBeLessThan(4.145);
  const before = await width(/Straight of leg 2/);
  await page.getByRole('button', { name: /Straight of leg 2/ }).click();
  await page.getByRole('button', { name: 'Zoom in along the run' }).click();
  await expect.poll(() => width(/Straight of leg 2/)).toBeGreaterThan(before * 1.5);
  await page.getByRole('button', { name: 'The whole run' }).click();
  await expect.poll(() => width(/Straight of leg 2/)).toBeLessThan(before * 1.01);
  await page.getByRole('button', { name: 'Fold the strip away' }).click();
  await expect(page.getByRole('slider', { name: 'Length to hold' })).toHaveCount(0);
  await page.reload();
  await page.getByRole('button', { name: 'Unfold the strip' }).click();
  await expect(page.getByRole('slider', { name: 'Length to hold' })).toBeVisible();
});

test('points at the same piece in strip, table and tube', async ({ page }) => {
  await openJob(page, demo(), 'lay');
  await locker(page, 'Fuel feed').click();
  await page.getByRole('button', { name: /Straight of leg 3/ }).hover();
  await expect(page.locator('.path-table tr.pointed')).toContainText('3');
  await page.locator('.path-table tbody tr').nth(1).hover();
  await expect(page.locator('.strip .piece.pointed')).toHaveAttribute('aria-label', /leg 2/);
});

test('takes away the tables as CSV and the bodies as STL', async ({ page }) => {
  await openJob(page, demo(), 'make');
  await locker(page, 'Fuel return').click();
  const [table] = await Promise.all([
    page.waitForEvent('download'),
    page.getByTitle('Save the bend table as CSV').click(),
  ]);
  expect(table.suggestedFilename()).toBe('fuel-return.bends.csv');
  // The bench bender takes tube of 12; the shop's has no die of R 30 and says which it has.
  const benders = page.getByRole('region', { name: 'Benders' });
  await expect(benders.getByRole('listitem').first()).toContainText('can bend it');
  await expect(benders.getByRole('listitem').last()).toContainText('Use R 50.');
  await page.getByTitle('Copy the vertex table as CSV').click();
  await expect(page.getByRole('button', { name: 'Copied' })).toBeVisible();
  expect(await page.evaluate(() => navigator.clipboard.readText())).toContain('vertex,x_mm,y_mm,z_mm,radius_mm');
  const [body] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('group', { name: 'Body of this run' }).getByRole('button', { name: 'STL' }).click(),
  ]);
  expect(body.suggestedFilename()).toBe('fuel-return.stl');
});

test('shows a run up to a length, dragged by keys and played', async ({ page }) => {
  await openJob(page, demo(), 'lay');
  await locker(page, 'Sea water to cooler').click();
  await page.getByRole('button', { name: 'Show it up to a length' }).click();
  const slider = page.getByRole('slider', { name: 'Sea water to cooler, shown up to' });
  await expect(slider).toHaveAttribute('aria-valuetext', '1103.4 mm');
  await slider.press('Home');
  await expect(slider).toHaveAttribute('aria-valuetext', '0 mm');
  await slider.press('PageUp');
  await expect(slider).toHaveAttribute('aria-valuetext', '110.3 mm');
  await page.getByRole('button', { name: 'Play it from its start' }).click();
  await expect(page.getByRole('button', { name: 'Stop here' })).toBeVisible();
  await expect(slider).toHaveAttribute('aria-valuetext', '1103.4 mm', { timeout: 20_000 });
  await expect(page.getByRole('button', { name: 'Play it from its start' })).toBeVisible();
  await page.getByRole('button', { name: 'Show all of it' }).click();
  await expect(slider).toHaveCount(0);
});

test('draws runs in the colour of what they carry, where that is wanted, until they are hidden', async ({
  browser,
  baseURL,
}) => {
  // The one journey whose pixels are filled.
  const context = await browser.newContext({
    baseURL,
    reducedMotion: 'reduce',
    viewport: { width: 1280, height: 800 },
  });
  const page = await context.newPage();
  await openJob(page, demo(), 'lay');
  /** How many pixels, the legend left out, are of the hue of cooling water, #4c8f6b: 148 degrees, and not grey. */
  const greenPixels = async () => {
    const picture = await page.locator('.view canvas').first().screenshot({ style: '.legend { visibility: hidden }' });
    return page.evaluate(async (png) => {
      const bitmap = await createImageBitmap(new Blob([Uint8Array.from(atob(png), (one) => one.charCodeAt(0))]));
      const pen = new OffscreenCanvas(bitmap.width, bitmap.height).getContext('2d');
      pen?.drawImage(bitmap, 0, 0);
      const data = pen?.getImageData(0, 0, bitmap.width, bitmap.height).data ?? [];
      let count = 0;
      for (let at = 0; at < data.length; at += 4) {
        const [red = 0, green = 0, blue = 0] = data.slice(at, at + 3);
        const hue = 120 + (60 * (blue - red)) / (green - red);
        count += green - red > 30 && Math.abs(hue - 148) < 10 ? 1 : 0;
      }
      return count;
    }, picture.toString('base64'));
  };
  expect(await greenPixels()).toBe(0);
  await page.getByRole('button', { name: 'Colours by what runs carry (B)' }).click();
  await expect.poll(greenPixels).toBeGreaterThan(300);
  await page.getByRole('button', { name: 'Hide Coolant to header tank' }).click();
  await expect.poll(greenPixels).toBeLessThan(20);
  await context.close();
});
