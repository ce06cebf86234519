import { expect } from '@playwright/test';
import { test } from './fixtures';
import { BARE, demo, enter, goTo, locker, openJob } from './jobs';

test('refuses bad values by their field and keeps the last good one', async ({ page }) => {
  const id = await openJob(page, BARE, 'place');
  const od = async () => (await (await page.request.get(`/api/jobs/${id}`)).json()).job.stock[0].section.od;
  await locker(page, 'Tube 12 × 1.5').click();
  for (const [typed, why] of [
    ['abc', 'there is no value named “abc”'],
    ['', 'a number is missing here'],
    ['1e309', 'does not come to a number of usable size'],
    ['-3', 'the outside diameter must be more than 0'],
    ['2', 'a wall of 1.5 mm is more than half'],
  ] as const) {
    await enter(page, 'Outside diameter', typed);
    await expect(page.locator('.field', { has: page.getByLabel('Outside diameter') })).toContainText(why);
    await expect(page.getByLabel('Outside diameter')).toHaveValue(typed);
    expect(await od()).toBe(12);
  }
  await page.getByLabel('Outside diameter').press('Escape');
  await expect(page.getByLabel('Outside diameter')).toHaveValue('12');

  // Inches, arithmetic and named values are taken.
  await enter(page, 'Outside diameter', '1 3/8 in');
  await expect(page.getByLabel('Outside diameter')).toHaveValue('34.925');
  await enter(page, 'Bend radius', '=riser / 2');
  await expect(page.getByLabel('Bend radius')).toHaveValue('=riser / 2');
  expect(await od()).toBe(34.925);

  await enter(page, 'Name', 'n'.repeat(300));
  await expect(page.getByText('this is too long: 300 characters, at most 200')).toBeVisible();
  await enter(page, 'Name', '  ');
  await expect(page.getByText('A name is missing here.')).toBeVisible();
});

test('names values, computes with them, and tells where one is used', async ({ page }) => {
  await openJob(page, BARE, 'place');
  await page.keyboard.press('v');
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Name of a new value').fill('drop');
  await dialog.getByRole('button', { name: 'Add it' }).click();
  await enter(page, 'Value of drop', '=riser / 2 + 10');
  await expect(dialog.getByRole('row', { name: /drop/ })).toContainText('70');
  await enter(page, 'Value of riser', '=drop');
  await expect(dialog).toContainText('this value comes back to itself');
  await page.getByLabel('Value of riser').press('Escape');
  await dialog.getByLabel('Name of a new value').fill('2nd');
  await dialog.getByRole('button', { name: 'Add it' }).click();
  await expect(dialog).toContainText('starts with a letter');
  await page.keyboard.press('Escape');
  await expect(dialog).toHaveCount(0);

  // Picked from what is offered while typing.
  await locker(page, 'Tube 12 × 1.5').click();
  await page.getByRole('textbox', { name: 'Bend radius' }).fill('=dr');
  await expect(page.getByRole('list', { name: 'Named values' })).toContainText('drop');
  await page.keyboard.press('Tab');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('textbox', { name: 'Bend radius' })).toHaveValue('=drop');
  await expect(page.getByRole('button', { name: /^Undo: Change bends of Tube 12/ })).toBeEnabled();
  await page.getByRole('textbox', { name: 'Bend radius' }).blur();
  await page.keyboard.press('v');
  await dialog.getByRole('button', { name: 'Delete drop' }).click();
  await expect(dialog.getByRole('alert')).toContainText('“drop” is still used by Tube 12 × 1.5');
});

test('shows a name as text wherever it stands', async ({ page }) => {
  const evil = '<img src=x onerror=alert(1)>';
  page.on('dialog', () => test.fail());
  const { runs, ...rest } = demo() as { runs: { name: string }[] };
  await openJob(
    page,
    { ...rest, name: evil, runs: runs.map((run, i) => (i === 2 ? { ...run, name: evil } : run)) },
    'lay',
  );
  for (const stage of ['Place', 'Check', 'Make', 'Lay']) {
    await goTo(page, stage);
    await expect(page.getByText(evil).first()).toBeVisible();
  }
  // The picture of the bend sheet is the only one there is.
  expect(await page.locator('img:not(.sheet-small > img)').count()).toBe(0);
});

test('selects in strip, table, view and locker alike', async ({ page }) => {
  await openJob(page, demo(), 'lay');
  // The job opens on the run that is broken, and its broken bend is drawn so.
  await expect(page.getByRole('heading', { name: 'Sea water to cooler' })).toBeVisible();
  await page.getByRole('button', { name: 'Bend 3, 90°' }).click();
  await expect(page.locator('.path-table tr.picked')).toContainText('3');
  await page.getByRole('button', { name: 'Pick leg 2', exact: true }).click();
  await expect(page.getByRole('button', { name: /Straight of leg 2/ })).toHaveAttribute('aria-pressed', 'true');
  await expect(page.getByRole('button', { name: 'Corner 2', exact: true })).toHaveClass(/picked/);
  await page.getByRole('button', { name: 'Corner 1', exact: true }).focus();
  await expect(page.getByRole('button', { name: /Straight of leg 1/ })).toHaveAttribute('aria-pressed', 'true');
  await locker(page, 'Fuel feed').click();
  await expect(page.locator('.strip')).toContainText('hold 1420 ± 1 · held');
  // A clamp is marked where the run goes through it, and picked there.
  await locker(page, 'Fuel return').click();
  await page.getByRole('button', { name: 'Clamp: Clamp, deck beam' }).click();
  await expect(page.getByRole('heading', { name: 'Clamp, deck beam' })).toBeVisible();
});

test('drags a corner, holds it at the limit, and lets it past with Alt', async ({ page }) => {
  await openJob(page, demo(), 'lay');
  const height = page.getByLabel('Leg 2: length corner to corner');
  await expect(height).toHaveValue('260');
  const handle = page.getByRole('button', { name: 'Corner 2', exact: true });
  const box = await handle.boundingBox();
  const [x, y] = [(box?.x ?? 0) + 6, (box?.y ?? 0) + 6];

  // Leg 2 needs two tangents of 70 and 40 between them: it may not get shorter than 180.
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x, y + 30, { steps: 6 });
  await page.mouse.move(x, y + 60, { steps: 6 });
  await expect(page.locator('.hover-tag .held')).toContainText('No room between bends 1 and 2');
  await expect(height).toHaveValue('180');
  // What was kept before still says “saved” until the edit goes out.
  const kept = page.waitForResponse(
    (response) => response.request().method() === 'POST' && response.url().includes('/laying'),
  );
  await page.mouse.up();
  await kept;
  await expect(page.locator('.hover-tag')).toHaveCount(0);
  await expect(page.locator('.saved')).toContainText('saved');
  await page.reload();
  await expect(height).toHaveValue('180');

  const again = await handle.boundingBox();
  const [x2, y2] = [(again?.x ?? 0) + 6, (again?.y ?? 0) + 6];
  await page.keyboard.down('Alt');
  await page.mouse.move(x2, y2);
  await page.mouse.down();
  await page.mouse.move(x2, y2 + 20, { steps: 6 });
  await expect(page.getByText('No room between bends 1 and 2')).toBeVisible();
  await page.mouse.up();
  await page.keyboard.up('Alt');
  await expect(page.locator('.finding').first()).toContainText('No room between bends 1 and 2');
});

test('adds, copies, renames, moves and deletes what stands around', async ({ page }) => {
  await openJob(page, BARE, 'place');
  await page.getByRole('button', { name: 'Add to the surroundings' }).click();
  await page.getByRole('button', { name: 'Cylinder' }).click();
  await enter(page, 'Name', 'Stanchion');
  await enter(page, 'At x', '150 + 2 * 25');
  await expect(page.getByLabel('At x')).toHaveValue('200');
  await page.getByRole('button', { name: 'Copy Stanchion', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Stanchion, copy' })).toBeVisible();
  await page.getByRole('button', { name: 'Delete Stanchion, copy', exact: true }).click();
  await expect(locker(page, 'Stanchion, copy')).toHaveCount(0);

  // A fitting that moves takes its runs' ends along; a stock in use says by what.
  await page.getByRole('button', { name: 'Add a run' }).click();
  await page.getByRole('button', { name: 'Lay it', exact: true }).click();
  await locker(page, 'Pump').click();
  await enter(page, 'At z', '25');
  await locker(page, 'New run').click();
  await goTo(page, 'Make');
  await expect(page.getByRole('region', { name: 'Vertex table' }).getByRole('row').nth(1)).toContainText('75.0');
  await goTo(page, 'Place');
  await locker(page, 'Tube 12 × 1.5').click();
  await page.getByRole('button', { name: 'Delete Tube 12 × 1.5', exact: true }).click();
  await expect(page.getByRole('alert')).toContainText('It is used by New run.');
});

test('choices leave room for their arrow beside what is chosen', async ({ page }) => {
  await openJob(page, BARE, 'place');
  await page.keyboard.press('k');
  const kind = page.getByLabel('Kind of stock');
  await expect(kind).toBeVisible();
  const room = await kind.evaluate((select: HTMLSelectElement) => {
    const style = getComputedStyle(select);
    const drawing = document.createElement('canvas').getContext('2d');
    if (drawing === null) {
      return 0;
    }
    drawing.font = style.font;
    const chosen = select.selectedOptions[0]?.text ?? '';
    return select.clientWidth - Number.parseFloat(style.paddingLeft) - drawing.measureText(chosen).width;
  });
  // The arrow is 12 px wide and 8 px in.
  expect(room).toBeGreaterThanOrEqual(20);
});
