import { expect } from '@playwright/test';
import { test } from './fixtures';
import { BARE, enter, GOALPOST, goTo, locker, openJob, PIPE, rows } from './jobs';

test('puts standard flanges on both ends and breaks the run into spools', async ({ page }) => {
  await openJob(page, PIPE, 'lay');
  await locker(page, 'Feed').click();

  // Its own measures first: for 60.3 a bolt circle of ⌈105.3/5⌉·5 = 110, a plate of 140, a bore of 61.3.
  await page.getByLabel('End: finish').selectOption('flange');
  await expect(page.getByLabel('End, flange: outside diameter')).toHaveValue('140');
  await expect(page.getByLabel('End, flange: bore')).toHaveValue('61.3');
  await page.getByLabel('End, flange: face').selectOption('raised');
  await expect(page.getByLabel('End, flange: face, height')).toHaveValue('3');

  await page.getByLabel('End: flange', { exact: true }).selectOption('EN 1092-1 type 11 PN 16');
  const end = page.getByRole('region', { name: 'End', exact: true });
  await expect(end).toContainText('DN 50: ø 165, 18 thick, 4 holes of 18 on 125, neck 19 long.');
  await page.getByLabel('Start: finish').selectOption('flange');
  await page.getByLabel('Start: flange', { exact: true }).selectOption('same');
  const start = page.getByRole('region', { name: 'Start', exact: true });
  await expect(start).toContainText('DN 50: ø 165');

  // A size for another pipe is found, and put right by one click.
  await page.getByLabel('End: size of the flange').selectOption('DN 80');
  await expect(page.getByText('is made for 88.9 mm; the pipe is 60.3 mm outside')).toHaveCount(2);
  await page.getByRole('button', { name: 'Take the size of the pipe' }).first().click();
  await expect(end).toContainText('DN 50: ø 165');

  // In the middle of the longest straight, 1350 / 2, less half of a gasket of 2.
  const spools = page.getByRole('region', { name: 'Spools' });
  await spools.getByRole('button', { name: 'Break' }).click();
  await expect(spools.getByRole('listitem')).toHaveText(['feed-1674 mm', 'feed-21659.6 mm']);
  await enter(page, 'Joint 1: gap', '3');
  await expect(spools.getByRole('listitem')).toHaveText(['feed-1673.5 mm', 'feed-21659.1 mm']);
  await expect(page.locator('.joint-mark')).toHaveCount(1);

  // At 1400 it lies in the bend: kept, found, and put on the straight, where its far neck of 45 ends at 1350.
  await enter(page, 'Joint 1: from the corner', '1400');
  await expect(page.getByText('Joint 1 is not on a straight')).toBeVisible();
  await page.getByRole('button', { name: /^Put it at 1303.5/ }).click();
  await expect(page.getByText('Joint 1 is not on a straight')).toBeHidden();
  await expect(spools.getByRole('listitem').first()).toHaveText('feed-11302 mm');

  // By keys on the strip a millimetre at a time, ten with Shift; by hand it stops before the bend.
  const mark = page.getByRole('slider', { name: 'Joint 1, flanges' });
  await mark.press('Shift+ArrowLeft');
  await expect(mark).toHaveAttribute('aria-valuetext', '1294 mm from the start');
  await mark.press('ArrowLeft');
  await expect(mark).toHaveAttribute('aria-valuetext', '1293 mm from the start');
  const box = await mark.boundingBox();
  const [x, y] = [(box?.x ?? 0) + (box?.width ?? 0) / 2, (box?.y ?? 0) + 4];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 20, y, { steps: 4 });
  await page.mouse.move(x + 60, y, { steps: 4 });
  await expect(page.locator('.strip .facts')).toContainText('held:');
  await page.mouse.up();
  await expect(page.locator('.strip .facts')).not.toContainText('joint 1 at');
  await expect(mark).toHaveAttribute('aria-valuetext', /^130[23](\.\d)? mm from the start$/);

  await page.reload();
  await locker(page, 'Feed').click();
  await expect(mark).toHaveAttribute('aria-valuetext', /^130[23](\.\d)? mm from the start$/);
});

test('makes each spool by itself', async ({ page }) => {
  const joints = [{ at: { leg: 2, from_start: 500 }, kind: 'weld', gap: 2 }];
  await openJob(page, { ...PIPE, runs: [{ ...PIPE.runs[0], joints }] }, 'make');
  await locker(page, 'Feed').click();
  await expect(page.getByLabel('Spool')).toContainText('2 spools, all in one');
  await page.getByLabel('Spool').selectOption('feed-1');

  // Behind the bend 500 − 150 to the middle of the gap.
  await expect
    .poll(() => rows(page, 'Bend table'))
    .toEqual([
      ['1', '1350.0', '0.0°', '90.0°', '90.0°', '150.0', '235.6'],
      ['tail', '349.0', ''],
    ]);
  expect(await rows(page, 'Bend marks on the raw tube')).toEqual([['1', '1350.0', '349.0']]);
  expect(await rows(page, 'Vertex table')).toEqual([
    ['0', '0.0', '0.0', '0.0', ''],
    ['1', '1500.0', '0.0', '0.0', '150.0'],
    ['2', '1500.0', '499.0', '0.0', ''],
  ]);
  await expect(page.getByText('Body of feed-1')).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'STEP', exact: true }).first().click();
  expect((await download).suggestedFilename()).toMatch(/spool-1\.step$/);

  // Coarser triangles are fewer; what is no tolerance is refused beside the field, and what was saved stays.
  const fineness = page.getByRole('textbox', { name: 'Triangles stand off by' });
  const count = page.getByText('Triangles', { exact: true }).locator('..').locator('.figure');
  await expect(count).toHaveText(/^\d/);
  const counted = async () => Number((await count.textContent())?.replace(',', ''));
  const fine = await counted();
  await fineness.fill('2');
  await fineness.press('Enter');
  await expect.poll(counted).toBeLessThan(fine / 2);
  await fineness.fill('5000');
  await fineness.press('Enter');
  await expect(page.getByText('how far triangles stand off is a number from 0.0001 to 1000 mm')).toBeVisible();
  await fineness.press('Escape');

  await page.getByRole('combobox', { name: 'Spool', exact: true }).selectOption('feed-2');
  await expect.poll(() => rows(page, 'Bend table')).toEqual([['tail', '399.0', '']]);
  await expect(page.getByRole('region', { name: 'Benders' })).toContainText('nothing to bend');
  await goTo(page, 'Lay');
  await expect(page.getByRole('region', { name: 'Spools' }).getByLabel('Joint 1: kind')).toHaveValue('weld');
});

test('puts a tube on a port that is made for another size, and takes a reducer for it', async ({ page }) => {
  const [pump, filter] = BARE.fittings;
  const ports = [{ id: 'out', name: 'Outlet', at: [0, 0, 50], axis: [0, 0, 1], size: 28 }];
  await openJob(page, { ...BARE, version: 2, fittings: [{ ...pump, ports }, filter], runs: [GOALPOST] }, 'lay');
  await locker(page, 'Feed').click();
  const finding = page.locator('.finding', { hasText: 'pump.out is made for another size' });
  await expect(finding).toContainText('It is made for 28 mm; the tube is 12 mm outside.');
  await finding.getByRole('button', { name: 'Put in a reducer to 28 mm' }).click();
  await expect(finding).toHaveCount(0);
  await expect(page.getByLabel('Start: finish')).toHaveValue('reducer');
  await page.keyboard.press('Control+z');
  await expect(finding).toBeVisible();
  await page.reload();
  await locker(page, 'Feed').click();
  await expect(finding).toBeVisible();
});

test('goes on in another size behind a weld, with a reducer', async ({ page }) => {
  const [big] = PIPE.stock;
  const small = {
    ...big,
    id: 'p1',
    name: 'Pipe DN 25',
    section: { shape: 'round', od: 33.7, wall: 2.6 },
    bend: { radius: 80, min_radius: 70, min_straight: 40 },
  };
  await openJob(page, { ...PIPE, stock: [big, small] }, 'lay');
  await locker(page, 'Feed').click();
  await page.getByRole('button', { name: 'Break', exact: true }).click();
  await page.getByLabel('Joint 1: kind').selectOption('weld');
  await page.getByLabel('Joint 1: goes on as').selectOption('Pipe DN 25');
  // The bend behind it: R 80 in place of R 150, so that the run is 2·70 − 70·π/2 = 30 longer.
  await expect(page.locator('.strip')).toContainText('1 · 90° R80');
  // DN 25 behind the weld is supported every 2.1 m at most; nothing else is found.
  await expect(page.locator('.finding')).toHaveCount(1);
  await expect(page.locator('.finding')).toContainText('Supports are too far apart');
  await goTo(page, 'Make');
  await page.getByRole('combobox', { name: 'Spool', exact: true }).selectOption('feed-2');
  await expect.poll(async () => (await rows(page, 'Bend table'))[0]?.[5]).toBe('80.0');
  await page.reload();
  await expect(page.locator('.strip')).toContainText('R80');
});

test('makes a dimension of one flange equal to that of the other', async ({ page }) => {
  await openJob(page, PIPE, 'lay');
  await locker(page, 'Feed').click();
  await page.getByLabel('Start: finish').selectOption('flange');
  await page.getByLabel('End: finish').selectOption('flange');
  const [start, end] = [page.getByLabel('Start, flange: thickness'), page.getByLabel('End, flange: thickness')];
  await start.focus();
  await start.press('Control+=');
  await end.click();
  await expect(start).toHaveValue(/^=\w+$/);
  await expect(end).toHaveValue(await start.inputValue());
});
