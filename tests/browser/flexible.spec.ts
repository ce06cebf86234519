import { expect } from '@playwright/test';
import { test } from './fixtures';
import { enter, goTo, locker, openJob } from './jobs';

const HOSE = {
  id: 'h20',
  kind: 'hose',
  name: 'Hose 20',
  section: { shape: 'round', od: 20, wall: 3 },
  bend: { radius: 120, min_radius: 100, min_straight: 0 },
  density: 1150,
};

const job = (run: object) => ({
  format: 'bowline-job',
  version: 1,
  name: 'Hoses',
  stock: [HOSE],
  runs: [{ id: 'hose', name: 'Steering hose', stock: 'h20', ...run }],
});

test('hangs a cable and gives it 8 % slack', async ({ page }) => {
  await openJob(
    page,
    job({ from: { at: [0, 0, 300] }, to: { at: [1200, 900, 300] }, route: { kind: 'corners', stops: [] } }),
    'lay',
  );
  await page.getByRole('combobox', { name: 'Behaves' }).selectOption('hang');
  // Straight as it was it cannot hang; a length that reaches is offered.
  await expect(page.locator('.finding')).toContainText('It does not reach');
  await page.getByLabel('Told by').selectOption('slack');
  await expect(page.getByRole('textbox', { name: 'Slack' })).toHaveValue('8');
  // 1500 apart and 8 % longer: 1620; level ends leave at the same slope.
  await expect(page.locator('.strip')).toContainText('1620 mm');
  await expect(page.locator('.finding')).toHaveCount(0);
  await enter(page, 'Slack', '20');
  await expect(page.locator('.strip')).toContainText('1800 mm');
});

test('springs a hose, finds it too tight, and takes the length that is offered', async ({ page }) => {
  await openJob(
    page,
    job({
      from: { at: [0, 0, 0], axis: [0, 0, 1], lead: 30 },
      to: { at: [260, 0, 0], axis: [0, 0, 1], lead: 30 },
      route: { kind: 'spring', length: 430 },
    }),
    'lay',
  );
  const finding = page.locator('.finding');
  await expect(finding).toContainText('It is bent too tightly');
  await expect(page.getByText('Keeps its radius')).toBeVisible();
  const cure = finding.getByRole('button', { name: /Use a hose of/ });
  const offered = (await cure.textContent())?.match(/\d+/)?.[0] ?? 'none';
  await cure.click();
  await expect(finding).toHaveCount(0);
  await expect(locker(page, 'Steering hose')).toContainText('good');
  await goTo(page, 'Make');
  await expect(page.getByRole('region', { name: 'Cut length' })).toContainText(`Cut length${offered} mm`);
  await expect(page.getByRole('region', { name: /^(Bend table|Benders|On the bench|Vertex table)$/ })).toHaveCount(0);
});

test('drapes a cable over a box, keeps it, and lets it go again', async ({ page }) => {
  await openJob(
    page,
    {
      ...job({ from: { at: [-500, 0, 300] }, to: { at: [500, 0, 300] }, route: { kind: 'hang', slack: 0.3 } }),
      surroundings: [
        { id: 'box', name: 'Battery box', shape: 'box', size: [400, 600, 200], pose: { at: [0, 0, 100] } },
      ],
    },
    'lay',
  );
  const strip = page.locator('.strip');
  await expect(strip).toContainText('1300 mm');
  await page.getByRole('combobox', { name: 'Behaves' }).selectOption('drape');
  await expect(page.getByText('Lies as it falls')).toBeVisible();
  await enter(page, 'Length of the run', '1250');
  await expect(strip).toContainText('1250');
  await page.getByRole('button', { name: 'Keep this shape' }).click();
  await expect(page.getByText('Kept as it lies')).toBeVisible();

  // Kept, it stays 1250 long when its end moves away, which is told with the way back.
  await enter(page, 'End: At z', '340');
  const finding = page.locator('.finding');
  await expect(finding).toContainText('Its end is not where it is kept');
  await finding.getByRole('button', { name: 'Let it go, to lie as it falls' }).click();
  await expect(finding).toHaveCount(0);
  await expect(page.getByRole('button', { name: 'Keep this shape' })).toBeVisible();
});

test('swings the steering arm, reads the envelope, and takes the hose that fits it', async ({ page }) => {
  await openJob(
    page,
    {
      ...job({
        from: { port: 'helm.out', lead: 45 },
        to: { port: 'arm.port', lead: 45 },
        route: { kind: 'spring', length: 900 },
      }),
      version: 2,
      stock: [
        { ...HOSE, bend: { radius: 150, min_radius: 120, min_straight: 0, moving_radius: 150 }, lengths: [900, 1120] },
      ],
      fittings: [
        { id: 'helm', name: 'Helm pump', ports: [{ id: 'out', at: [0, 0, 0], axis: '+x' }] },
        {
          id: 'arm',
          name: 'Steering arm',
          pose: { at: [630, 780, 0] },
          body: { shape: 'box', size: [60, 240, 60], at: [0, -100, 0] },
          ports: [{ id: 'port', at: [0, -240, 0], axis: '-y' }],
        },
      ],
    },
    'place',
  );
  await locker(page, 'Steering arm').click();
  await page.getByLabel('How it moves').selectOption('swings');
  await enter(page, 'Swings from', '-25');
  await enter(page, 'Swings to', '25');
  await goTo(page, 'Lay');
  await locker(page, 'Steering hose').click();
  const facts = page.getByRole('region', { name: 'Over its movement' });
  await expect(facts).toContainText('R 150 mm');
  await expect(facts).toContainText('none');
  await expect(page.locator('.finding').first()).toContainText('It does not reach over the whole movement');

  // Frame by frame: from end to end of the swing, the tightest marked; a frame is gone to by its place.
  await facts.getByRole('button', { name: 'Show' }).click();
  const film = page.getByRole('listbox', { name: 'Steering hose over its movement' });
  await expect(film.getByRole('option').first()).toContainText('−25°');
  await expect(film.getByRole('option').last()).toContainText('25°');
  await film.getByRole('option').first().click();
  await expect(film.getByRole('option').first()).toHaveAttribute('aria-selected', 'true');

  await page.locator('.finding').getByRole('button', { name: 'Use a hose of 1120 mm' }).first().click();
  await expect(page.locator('.finding')).toHaveCount(0);
  await expect(page.getByLabel('Length it is sold in')).toHaveValue('1120');
  await page.getByRole('tab', { name: 'Laid straight' }).click();
  await expect(film).toHaveCount(0);
});

test('lays the ports of two panels at once, combed into a bundle, and winds a strand round one of them', async ({
  page,
}) => {
  const panel = (id: string, name: string, x: number, axis: string) => ({
    id,
    name,
    pose: { at: [x, 0, 200] },
    ports: [1, 2, 3].map((i) => ({ id: `p${i}`, at: [0, 80 * i, 0], axis })),
  });
  await openJob(
    page,
    {
      ...job({}),
      runs: [],
      fittings: [panel('left', 'Left panel', 0, '+x'), panel('right', 'Right panel', 1500, '-x')],
    },
    'lay',
  );
  await page.getByRole('button', { name: 'Add a run' }).click();
  await page.getByRole('button', { name: 'Several at once…' }).click();
  const dialog = page.getByRole('dialog', { name: 'Lay several at once' });
  await dialog.getByLabel('How all behave').selectOption('flow');
  await dialog.getByLabel('Ports of one fitting').selectOption('left');
  await dialog.getByLabel('Ports of the other fitting').selectOption('right');
  await dialog.getByRole('button', { name: 'Pair', exact: true }).click();
  await dialog.getByLabel('Comb into a bundle').selectOption('first');
  await dialog.getByRole('button', { name: 'Lay all 3' }).click();
  await expect(page.locator('.locker .pick', { hasText: /^Left panel p\d to Right panel/ })).toHaveCount(3);
  await locker(page, 'Left panel p2 to Right panel p2').click();
  await expect(page.getByRole('combobox', { name: 'Behaves' })).toHaveValue('wrap');
  await expect(page.getByLabel('Winding told by')).toHaveValue('beside');
  await page.getByLabel('Winding told by').selectOption('pitch');
  await enter(page, 'Pitch', '200');
  await page.getByRole('button', { name: 'Add a strand beside it' }).click();
  await expect(page.locator('.locker .pick', { hasText: /strand 2/ })).toHaveCount(1);
  // One step for all three at first, one for each change after it.
  await page.keyboard.press('Control+z');
  await expect(page.locator('.locker .pick', { hasText: /strand 2/ })).toHaveCount(0);
});

test('nudges a cable that lies on the floor, and lets it fall back', async ({ page }) => {
  await openJob(
    page,
    {
      ...job({ from: { at: [-400, 0, 150] }, to: { at: [400, 0, 150] }, route: { kind: 'drape', length: 1200 } }),
      surroundings: [{ id: 'floor', name: 'Floor', shape: 'box', size: [3000, 3000, 20], pose: { at: [0, 0, -10] } }],
    },
    'lay',
  );
  await locker(page, 'Steering hose').click();
  const handle = page.getByRole('button', { name: 'Nudge it at 50 % of its length' });
  const at = await handle.boundingBox();
  expect(at).not.toBeNull();
  const [x, y] = [(at?.x ?? 0) + 5, (at?.y ?? 0) + 5];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 20, y - 12, { steps: 4 });
  await page.mouse.move(x + 60, y - 36, { steps: 6 });
  await expect(page.locator('.hover-tag')).toContainText('moved');
  await page.mouse.up();
  await expect(page.getByText('Nudged once')).toBeVisible();
  await expect(page.locator('.strip')).toContainText('1200');
  await page.getByRole('button', { name: 'Back as it falls' }).click();
  await expect(page.getByText('Nudged once')).toHaveCount(0);
});

test('lays a smooth hose by its points: dragged to the limit, levelled, led through a clamp, eased, taken out', async ({
  page,
}) => {
  await openJob(
    page,
    {
      ...job({
        from: { at: [0, 0, 300], axis: '+x' },
        to: { at: [1200, 400, 300], axis: '-x' },
        route: {
          kind: 'flow',
          points: [
            [400, 100, 340],
            [800, 260, 420],
          ],
        },
      }),
      clamps: [{ id: 'tie', name: 'Frame clamp', at: [600, 180, 400], axis: '-x', bore: 20, width: 20 }],
    },
    'lay',
  );
  await locker(page, 'Steering hose').click();
  const height = (point: number) => page.getByRole('textbox', { name: `Point ${point} z`, exact: true });
  const at = await page.getByRole('button', { name: 'Point 1', exact: true }).boundingBox();
  const [x, y] = [(at?.x ?? 0) + 5, (at?.y ?? 0) + 5];
  await page.mouse.move(x, y);
  await page.mouse.down();
  for (const part of [0.1, 0.4, 0.7, 1]) {
    await page.mouse.move(x, y - 260 * part);
  }
  // Farther up it would be bent too tightly: the point stays behind the hand, and says why.
  await expect(page.locator('.hover-tag')).toContainText('held: It is bent too tightly');
  await page.mouse.up();
  await expect(page.locator('.saved')).toContainText('saved');
  await expect(page.locator('.finding')).toHaveCount(0);
  await expect(height(1)).not.toHaveValue('340');

  await page.getByRole('button', { name: 'Level Point 2 with something' }).click();
  await page.getByLabel('Level point 2 with', { exact: true }).selectOption('1');
  await expect(height(2)).toHaveValue(await height(1).inputValue());

  await page.getByRole('button', { name: 'Lead it through a clamp…' }).click();
  await page.keyboard.press('Tab');
  await page.keyboard.press('Enter');
  // It comes by between the two, against the axis of the clamp.
  await expect(page.getByLabel('Through Frame clamp')).toHaveValue('back');
  await expect(page.locator('.strip')).toContainText('Frame clamp');
  await page.getByLabel('Through Frame clamp').selectOption('loose');
  const radius = async () => Number(((await page.getByText(/^R \d/).last().textContent()) ?? '').replace('R ', ''));
  const tight = await radius();
  await enter(page, 'How far points may move to ease it', '60');
  await page.getByRole('button', { name: 'Ease the tightest part' }).click();
  await expect.poll(radius).toBeGreaterThan(tight);

  await page.getByRole('button', { name: 'Point 3', exact: true }).focus();
  await page.keyboard.press('Delete');
  await expect(height(3)).toHaveCount(0);
  await page.reload();
  await expect(page.getByLabel('Through Frame clamp')).toHaveValue('loose');
});

/** A box as binary STL: twelve triangles about the origin. */
function boxStl([x, y, z]: [number, number, number]): Buffer {
  const corner = (i: number) => [(i & 1 ? x : -x) / 2, (i & 2 ? y : -y) / 2, (i & 4 ? z : -z) / 2];
  // biome-ignore format: a row of faces
  const quads = [[0, 2, 3, 1], [4, 5, 7, 6], [0, 1, 5, 4], [2, 6, 7, 3], [0, 4, 6, 2], [1, 3, 7, 5]];
  const triangles = quads.flatMap(([a = 0, b = 0, c = 0, d = 0]) => [
    [a, b, c],
    [a, c, d],
  ]);
  const bytes = Buffer.alloc(84 + 50 * triangles.length);
  bytes.writeUInt32LE(triangles.length, 80);
  triangles.forEach((triangle, index) => {
    triangle.flatMap(corner).forEach((part, k) => {
      bytes.writeFloatLE(part, 84 + 50 * index + 12 + 4 * k);
    });
  });
  return bytes;
}

test('brings in a body, lays a cable over it, and takes back what was typed wrong', async ({ page }) => {
  const id = await openJob(
    page,
    job({ from: { at: [-400, 0, 260] }, to: { at: [400, 0, 260] }, route: { kind: 'drape', length: 900 } }),
    'place',
  );
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Add to the surroundings' }).click();
  await page.getByRole('button', { name: /^Body from a file/ }).click();
  await (await chooser).setFiles({ name: 'Gearbox.stl', mimeType: 'model/stl', buffer: boxStl([300, 500, 200]) });
  await locker(page, 'Gearbox').click();
  await enter(page, 'At z', '100');
  await goTo(page, 'Lay');
  await locker(page, 'Steering hose').click();
  const middle = async () => {
    const { solutions } = await (await page.request.get(`/api/jobs/${id}`)).json();
    const points: number[][] = solutions[0].settling ? [] : solutions[0].path[0].points;
    return points.find(([x = 0]) => x > 0)?.[2];
  };
  // Its top is at 200; a hose of 20 lies on it by half of that.
  await expect.poll(middle, { timeout: 30_000 }).toBeCloseTo(210, 0);
  await expect(page.locator('.finding')).toHaveCount(0);

  const length = page.getByRole('textbox', { name: 'Length of the run', exact: true });
  await enter(page, 'Length of the run', 'about a metre');
  await expect(page.getByRole('alert').first()).toContainText('there is no value named “about”');
  await expect(length).toHaveValue('about a metre');
  await length.press('Escape');
  await expect(length).toHaveValue('900');
  await enter(page, 'Length of the run', '3 ft 1 3/8 in');
  // 37.375 in are 949.325 mm.
  await expect(length).toHaveValue('949.325');
  await page.keyboard.press('Control+z');
  await expect(length).toHaveValue('900');
  await page.reload();
  await expect(length).toHaveValue('900');

  // Taken away with its body beside it, and opened again: the hose lies on it there too.
  await goTo(page, 'Make');
  const saving = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save the job file' }).click();
  const saved = await saving;
  expect(saved.suggestedFilename()).toMatch(/\.bowline$/);
  const before = page.url();
  await page.getByLabel('Job file').setInputFiles(await saved.path());
  await expect.poll(() => page.url()).not.toBe(before);
  await goTo(page, 'Lay');
  await locker(page, 'Steering hose').click();
  await expect(length).toHaveValue('900');
  await expect(page.locator('.finding')).toHaveCount(0);
});

test('hangs a cable through two clamps, reads each span, and is told of the kink', async ({ page }) => {
  await openJob(
    page,
    {
      ...job({
        from: { at: [0, 0, 300] },
        to: { at: [1300, 0, 300] },
        route: { kind: 'hang', length: 1440, through: [{ clamp: 'k1' }, { clamp: 'k2' }] },
      }),
      clamps: [400, 900].map((x, i) => ({
        id: `k${i + 1}`,
        name: `Saddle ${i + 1}`,
        at: [x, 0, 300],
        axis: '+x',
        bore: 20,
        width: 20,
      })),
    },
    'lay',
  );
  await locker(page, 'Steering hose').click();
  const spans = page.getByRole('table', { name: 'Spans' }).getByRole('row');
  await expect(spans).toHaveCount(4);
  // 1400 of it for 390, 480 and 390 between the faces: 433.3, 533.3 and 433.3.
  await expect(spans.nth(2)).toContainText('533.3 mm');
  await expect(page.locator('.finding').first()).toContainText('It kinks at Saddle 1');
  await enter(page, 'Length of span 2', '485');
  await expect(spans.nth(2)).toContainText('485 mm');
  // What is left is shared by the two others: (1400 − 485)/2.
  await expect(spans.nth(1)).toContainText('457.5 mm');
  await enter(page, 'Length of the run', '1276');
  // 1276 − 40 − 485 leave 375.5 for each, which span 390.
  await expect(page.locator('.finding').first()).toContainText('It does not reach');
  await expect(page.getByRole('table', { name: 'Spans' })).toHaveCount(0);
});
