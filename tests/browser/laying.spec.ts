import { expect, type Page } from '@playwright/test';
import { test } from './fixtures';
import { BARE, demo, enter, GOALPOST, goTo, locker, openJob, rows } from './jobs';

/** Begins to lay at a port, by the mark on it. */
async function beginAt(page: Page, port: string): Promise<void> {
  await page.locator('.view-tools').getByRole('button', { name: 'Lay a run' }).click();
  await page.getByRole('button', { name: `Begin at ${port}` }).click();
  await expect(page.getByRole('region', { name: 'Laying' })).toContainText(`From ${port}`);
}

/** Types a length along an axis and places it; waits until the leg is kept. */
async function leg(page: Page, keys: string, legs: number): Promise<void> {
  for (const key of keys) {
    await page.keyboard.press(key);
  }
  await expect(page.locator('.laying-tag .typed')).toContainText(keys.replace(/^[xyz]+/, ''));
  await page.keyboard.press('Enter');
  await expect(page.locator('.path-table tbody tr')).toHaveCount(legs);
}

/*
 * Out of the pump 200 up, 150 along −y, 250 along +x, and into the filter, whose port at (400, 300, 250)
 * looks along −x: worked out by hand for bends of R 30.
 *
 * The last corner (250, −150, 250) comes in with two more corners at the least: along +y until level
 * with the port, then +x into it. Bends: z→−y, −y→x, x→y, y→x; straights 170, 90, 190, 390, tail 120.
 * Normals u×v: z×−y = x; −y×x = z; x×y = z; y×x = −z. About the travel between: −y: x→z −90·(−1)…
 * atan2(d·(n₁×n₂), n₁·n₂): d = −y, x×z = −y, so +90; d = x, z and z, so 0; d = y, z and −z, so 180.
 */
const FOUR_LEGS = [
  ['1', '170.0', '0.0°', '90.0°', '90.0°', '30.0', '47.1'],
  ['2', '90.0', '90.0°', '90.0°', '90.0°', '30.0', '47.1'],
  ['3', '190.0', '0.0°', '90.0°', '90.0°', '30.0', '47.1'],
  ['4', '390.0', '180.0°', '90.0°', '90.0°', '30.0', '47.1'],
  ['tail', '120.0', ''],
];

test('lays a run from port to port with keys alone, and finishes it', async ({ page }) => {
  await openJob(page, BARE, 'lay');
  await page.keyboard.press('l');
  await page.getByRole('button', { name: 'Begin at Pump, Outlet' }).focus();
  await page.keyboard.press('Enter');
  // The first leg leaves along the axis of the port; a length is enough.
  await page.keyboard.type('200');
  await page.keyboard.press('Enter');
  await expect(page.locator('.path-table tbody tr')).toHaveCount(1);
  await leg(page, 'yy150', 2);
  await leg(page, 'x250', 3);
  // A leg too many is taken back.
  await leg(page, 'z77', 4);
  await page.keyboard.press('Backspace');
  await expect(page.locator('.path-table tbody tr')).toHaveCount(3);

  await page.keyboard.press('e');
  const tag = page.locator('.laying-tag');
  await expect(tag).toContainText('Finish at Filter, Inlet');
  await expect(tag).toContainText('way 1 of');
  await page.keyboard.press('Space');
  await expect(tag).toContainText('way 2 of');
  for (let shown = 3; !(await tag.textContent())?.includes('way 1 of'); shown++) {
    await page.keyboard.press('Space');
    await expect(tag).not.toContainText(`way ${shown - 1} of`);
  }
  await page.keyboard.press('Enter');
  await expect(tag).toHaveCount(0);
  await expect(page.locator('.under')).toContainText('Pump, Outlet → Filter, Inlet');
  await expect(page.locator('.finding')).toHaveCount(0);

  await page.keyboard.press('Alt+4');
  await expect.poll(() => rows(page, 'Bend table')).toEqual(FOUR_LEGS);
});

test('shows no leg beyond one that is placed before it was tried', async ({ page }) => {
  await openJob(page, BARE, 'lay');
  // While 1 is tried, 150 is typed and placed: what is tried then is another 150 at the end of those.
  let release: () => void = () => undefined;
  const isPlaced = new Promise<void>((resolve) => {
    release = resolve;
  });
  await page.route('**/preview/run', async (route) => {
    if (route.request().postDataJSON().change.length === 1) {
      await isPlaced;
    }
    await route.continue();
  });
  const legs = page.locator('.path-table tbody tr');
  await page.keyboard.press('l');
  await page.getByRole('button', { name: 'Begin at Pump, Outlet' }).focus();
  await page.keyboard.press('Enter');
  await page.keyboard.type('200');
  await page.keyboard.press('Enter');
  await expect(legs).toHaveCount(1);
  await page.keyboard.type('yy150');
  await page.keyboard.press('Enter');
  await expect(legs).toHaveCount(2);
  const tried = page.waitForResponse((answer) => answer.request().postDataJSON()?.change?.length === 150);
  release();
  await tried;
  // Two frames later it would be drawn.
  await page.evaluate(() => new Promise((drawn) => requestAnimationFrame(() => requestAnimationFrame(drawn))));
  await expect(legs).toHaveCount(2);
});

test('lays by the mouse along the track that follows the hand, level with what is pointed at', async ({ page }) => {
  await openJob(page, BARE, 'lay');
  await page.locator('.view-tools').getByRole('button', { name: 'Lay a run' }).click();
  const middle = async (name: string) => {
    const box = await page.getByRole('button', { name }).boundingBox();
    return { x: (box?.x ?? 0) + (box?.width ?? 0) / 2, y: (box?.y ?? 0) + (box?.height ?? 0) / 2 };
  };
  const filter = await middle('Begin at Filter, Inlet');
  const pump = await middle('Begin at Pump, Outlet');
  await page.mouse.click(pump.x, pump.y);

  // Upwards on the screen is the pump's axis: the tag says which track was taken, and how far.
  const tag = page.locator('.laying-tag');
  await page.mouse.move(pump.x, pump.y - 60, { steps: 3 });
  await page.mouse.move(pump.x + 2, pump.y - 120, { steps: 3 });
  await expect(tag).toContainText('port axis');
  await expect(tag).toContainText('length');
  await expect(page.locator('.plumb')).toContainText('up');
  await page.mouse.down();
  await page.mouse.up();
  await expect(page.locator('.path-table tbody tr')).toHaveCount(1);
  await expect(page.getByRole('button', { name: /^Undo: Lay the first leg/ })).toBeEnabled();

  // Held along y, turned round and back again, and pointing at the filter's port, whose y is 300.
  await page.keyboard.press('y');
  await expect(tag).toContainText('+Y');
  await page.keyboard.press('y');
  await expect(tag).toContainText('−Y');
  await page.keyboard.press('y');
  await page.mouse.move(filter.x, filter.y, { steps: 3 });
  await expect(tag).toContainText('level with Filter, in');
  await page.mouse.down();
  await page.mouse.up();
  await expect(page.getByLabel('Leg 2: length corner to corner')).toHaveValue('300');
  await expect(page.getByLabel('Leg 2: along')).toHaveValue('+y');

  // With no track held, pointing at the port offers to finish there.
  await page.mouse.move(filter.x + 40, filter.y + 30, { steps: 2 });
  await page.mouse.move(filter.x, filter.y, { steps: 2 });
  await expect(tag).toContainText('Finish at Filter');
  await expect(tag).toContainText('way 1 of');
  await page.mouse.down();
  await page.mouse.up();
  await expect(page.locator('.under')).toContainText('Pump, Outlet → Filter, Inlet');
  await expect(page.locator('.finding')).toHaveCount(0);
});

test('stops laying with Escape, keeps what is laid, and goes on from the open end', async ({ page }) => {
  await openJob(page, BARE, 'lay');
  await beginAt(page, 'Pump, Outlet');
  await page.keyboard.type('8 in');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /^Undo: Lay the first leg/ })).toBeEnabled();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('region', { name: 'Laying' })).toHaveCount(0);
  await page.reload();
  await locker(page, 'Run 1').click();
  await expect(page.getByLabel('Leg 1: length corner to corner')).toHaveValue('203.2');
  await page.locator('.view-tools').getByRole('button', { name: 'Lay a run' }).click();
  await page.getByRole('button', { name: 'Go on with Run 1' }).click();
  await expect(page.getByRole('region', { name: 'Laying' })).toContainText('From Pump, Outlet');
});

test('drags a leg and the radius of a bend and the length to hold, each held at its limit', async ({ page }) => {
  await openJob(page, demo(), 'lay');
  await locker(page, 'Fuel feed').click();
  const strip = page.locator('.strip');
  await expect(strip).toContainText('hold 1420 ± 1 · held');

  // The gauge: 40 pixels to the right is a longer run, and the corners that may give rise for it.
  const grip = page.getByRole('slider', { name: 'Length to hold' });
  const at = await grip.boundingBox();
  const [x, y] = [(at?.x ?? 0) + 6, (at?.y ?? 0) + 10];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 10, y, { steps: 3 });
  await expect(strip.locator('.facts')).toContainText('hold');
  await page.mouse.up();
  await expect(page.getByRole('textbox', { name: 'Length to hold' })).not.toHaveValue('1420');
  await expect(strip).toContainText('· held');
  await grip.focus();
  const now = Number(await grip.getAttribute('aria-valuenow'));
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('textbox', { name: 'Length to hold' })).toHaveValue(String(Math.round(now) + 1));

  // A bend's top dragged up is a tighter bend, and stops at what the stock stands.
  const bend = page.getByRole('slider', { name: 'Radius of bend 1' });
  const top = await bend.boundingBox();
  await page.mouse.move((top?.x ?? 0) + 6, (top?.y ?? 0) + 5);
  await page.mouse.down();
  await page.mouse.move((top?.x ?? 0) + 6, (top?.y ?? 0) - 16, { steps: 4 });
  await expect(strip.locator('.facts')).toContainText('held: Bend 1 is too tight');
  await page.mouse.up();
  await expect(page.getByRole('textbox', { name: 'Corner 1: radius' })).toHaveValue('20');
});

test('works the path table by keyboard alone', async ({ page }) => {
  await openJob(page, { ...BARE, runs: [GOALPOST] }, 'lay');
  const length = (n: number) => page.getByLabel(`Leg ${n}: length corner to corner`);
  await length(1).focus();
  await page.keyboard.press('ArrowDown');
  await expect(length(2)).toBeFocused();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByLabel('Corner 2: radius')).toBeFocused();
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('Enter');
  await page.keyboard.type('1 1/2 in');
  await page.keyboard.press('Escape');
  await expect(length(2)).toHaveValue('300');
  await page.keyboard.press('Enter');
  await page.keyboard.type('10 in');
  await page.keyboard.press('Enter');
  await expect(length(2)).toHaveValue('254');
  // What was typed is there again when it is edited.
  await page.keyboard.press('Enter');
  await expect(length(2)).toHaveValue('10 in');
  await page.keyboard.press('Escape');
  await page.keyboard.press('Insert');
  await expect(page.locator('.path-table tbody tr')).toHaveCount(4);
  await page.keyboard.press('Delete');
  await expect(page.locator('.path-table tbody tr')).toHaveCount(3);

  // Rows from a spreadsheet, one of them wrong.
  await page.evaluate(() =>
    navigator.clipboard.writeText('along\tlength\n+z\t150\n+x\tnothing\n+x\t300\tabc\n+x\t310'),
  );
  await page.getByRole('button', { name: 'Pick leg 1', exact: true }).focus();
  await page.keyboard.press('Control+v');
  const report = page.getByRole('dialog');
  await expect(report).toContainText('2 corners read');
  await expect(report).toContainText('Row 3');
  await expect(report).toContainText('there is no value named “nothing”');
  await report.getByRole('button', { name: 'Replace all corners' }).click();
  await expect(length(2)).toHaveValue('310');
});

test('moves a fitting by hand, with its run following', async ({ page }) => {
  await openJob(page, demo(), 'place');
  await locker(page, 'Header tank').click();
  const handle = page.getByRole('button', { name: 'Move Header tank along z' });
  const at = await handle.boundingBox();
  const [x, y] = [(at?.x ?? 0) + 10, (at?.y ?? 0) + 10];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x, y - 12, { steps: 3 });
  await page.mouse.move(x, y - 18, { steps: 3 });
  await expect(page.locator('.hover-tag')).toContainText('1 run');
  await page.mouse.up();
  await expect(page.getByRole('textbox', { name: 'At z', exact: true })).not.toHaveValue('102');
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('textbox', { name: 'At z', exact: true })).toHaveValue('102');
  await enter(page, 'Turned by', '90');
  await goTo(page, 'Check');
  await expect(page.getByText('off its axis')).toBeVisible();
});

test('takes the largest radius that fits and the smallest the stock takes, reverses, and marks the raw tube', async ({
  page,
}) => {
  await openJob(page, { ...BARE, runs: [GOALPOST] }, 'lay');
  // 300 between the bends, 20 of it straight: 140 each, and no more than the 150 of the uprights.
  await page.getByRole('button', { name: 'largest that fits' }).click();
  await expect(page.getByRole('textbox', { name: 'Corner 1: radius' })).toHaveValue('140');
  await expect(page.locator('.finding')).toHaveCount(0);
  await page.getByRole('button', { name: 'Pick leg 1', exact: true }).click();
  await page
    .locator('.path-table ~ .radius-choices')
    .getByRole('button', { name: 'smallest this stock takes' })
    .click();
  await expect(page.getByRole('textbox', { name: 'Corner 1: radius' })).toHaveValue('24');

  await page.getByRole('button', { name: 'Reverse the run' }).click();
  await expect(page.locator('.under')).toContainText('open end → Pump, Outlet');
  await expect(page.getByRole('textbox', { name: 'Corner 2: radius' })).toHaveValue('24');
  await goTo(page, 'Make');
  // From the far end now: 150 − 140, then a quarter of R 140 and the 300 − 140 − 24 between the bends.
  await expect
    .poll(() => rows(page, 'Bend marks on the raw tube'))
    .toEqual([
      ['1', '10.0', (126 + 12 * Math.PI + 136).toFixed(1)],
      ['2', (10 + 70 * Math.PI + 136).toFixed(1), '126.0'],
    ]);
});

test('makes the opposite hand of a run across a plane', async ({ page }) => {
  await openJob(page, { ...BARE, runs: [GOALPOST] }, 'lay');
  await page.getByRole('button', { name: 'Opposite hand, copy beside, symmetric whole' }).click();
  await page.getByLabel('Across the plane square to').selectOption('+x');
  await enter(page, 'Plane at', '-50');
  await page.getByRole('button', { name: 'Make it' }).click();
  await expect(page.getByRole('heading', { name: 'Feed, opposite hand' })).toBeVisible();
  await goTo(page, 'Make');
  // x = 300 lies 350 beyond the plane at −50, and as far before it at −400.
  await expect.poll(async () => (await rows(page, 'Vertex table')).at(-1)).toEqual(['3', '−400.0', '0.0', '50.0', '']);
});

test('brings in the lines of a DXF file as runs, and tells what was wrong with it', async ({ page }) => {
  await openJob(page, BARE, 'lay');
  const line = (...at: number[]) => [
    '0',
    'LINE',
    ...[10, 20, 30, 11, 21, 31].flatMap((code, i) => [String(code), String(at[i])]),
  ];
  const drawing = [
    '0',
    'SECTION',
    '2',
    'ENTITIES',
    ...line(0, 0, 0, 0, 0, 400),
    ...line(300, 0, 400, 0, 0, 400),
    ...line(0, 0, -3, 0, 0, -90),
    '0',
    'TEXT',
    '1',
    'x',
    '0',
    'ENDSEC',
    '0',
    'EOF',
  ];
  await page.keyboard.press('Control+k');
  await page.keyboard.type('bring in');
  await page.keyboard.press('Enter');
  await page
    .getByLabel('File of lines')
    .setInputFiles({ name: 'old line.dxf', mimeType: 'image/vnd.dxf', buffer: Buffer.from(drawing.join('\n')) });
  const dialog = page.getByRole('dialog', { name: 'Bring in existing lines' });
  await expect(dialog).toContainText('2 runs in old line.dxf');
  await expect(dialog).toContainText('A gap of 3 mm');
  await expect(dialog).toContainText('1 × TEXT passed over');
  await dialog.getByRole('button', { name: 'Make 2 runs' }).click();
  await expect(locker(page, 'old line 1')).toBeVisible();
  await goTo(page, 'Make');
  await expect
    .poll(() => rows(page, 'Bend table'))
    .toEqual([
      ['1', '370.0', '0.0°', '90.0°', '90.0°', '30.0', '47.1'],
      ['tail', '270.0', ''],
    ]);
  await page.getByRole('button', { name: 'Undo: Bring in old line.dxf' }).click();
  await expect(locker(page, 'old line 1')).toHaveCount(0);
});
