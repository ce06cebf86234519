import { expect } from '@playwright/test';
import { test } from './fixtures';
import { BARE, GOALPOST, locker, openJob, PIPE } from './jobs';

test('makes a tube square, keeps it upright along a bent path, and gives it an outline of its own', async ({
  page,
}) => {
  const id = await openJob(page, { ...BARE, runs: [GOALPOST] }, 'lay');
  const solved = async () => {
    const state = await (await page.request.get(`/api/jobs/${id}`)).json();
    return state.solutions[0];
  };
  expect((await solved()).body.mesh).toBeNull();

  await locker(page, 'Tube 12 × 1.5').click();
  const card = page.locator('.card-panel');
  await card.getByLabel('Shape of the section').selectOption('rectangle');
  await card.getByLabel('Width', { exact: true }).fill('20');
  await card.getByLabel('Width', { exact: true }).press('Enter');
  await expect(card).toContainText('20 wide, 12 high, 87.0 mm² of material');
  // What is no section is refused by its field, and what stood there stays in force.
  await card.getByLabel('Corner radius outside').fill('7');
  await card.getByLabel('Corner radius outside').press('Enter');
  await expect(card).toContainText('more than half of the shorter side');
  await card.getByLabel('Corner radius outside').press('Escape');

  await locker(page, 'Feed').click();
  await card.getByLabel('How the section goes along the path').selectOption('upright');
  await card.getByLabel('Section turned by').fill('90');
  await card.getByLabel('Section turned by').press('Enter');
  // Both bends now lie in the plane of its width: 24 for the height of 12 is 40 for the width of 20.
  await expect(card).toContainText('needs at least R 40');
  expect((await solved()).body.mesh.positions.length).toBeGreaterThan(1000);
  await card.getByRole('button', { name: 'Use R 40 at every corner' }).first().click();
  await expect(card).not.toContainText('too tight');

  await locker(page, 'Tube 12 × 1.5').click();
  await card.getByLabel('Shape of the section').selectOption('outline');
  await expect(card.getByLabel('Outside, point 1 x')).toHaveValue('-10');
  await card.getByRole('button', { name: 'Point', exact: true }).first().click();
  await card.getByLabel('Outside, point 5 x').fill('-14');
  await card.getByLabel('Outside, point 5 x').press('Enter');
  await expect(card).toContainText('24 wide');
  // A handle in the picture is dragged: the point goes along.
  const handle = card.locator('.section-picture circle').nth(1);
  const box = await handle.boundingBox();
  if (box === null) {
    throw new Error('the handle is not there');
  }
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + 30, box.y + 20, { steps: 4 });
  await page.mouse.up();
  await expect(card.getByLabel('Outside, point 2 x')).not.toHaveValue('10');
  await page.keyboard.press('Control+z');
  await expect(card.getByLabel('Outside, point 2 x')).toHaveValue('10');
});

test('says what a run weighs and holds, and what all runs do', async ({ page }) => {
  await openJob(page, { ...BARE, runs: [GOALPOST, { ...GOALPOST, id: 'twin', name: 'Twin' }] }, 'make');
  await locker(page, 'Feed').click();
  // 480 mm straight and half a turn at R 30 of 12 × 1.5: 28.4 cm³ at 7850 kg/m³, and 36.5 cm³ within.
  const body = page.getByRole('region', { name: 'Body', exact: true });
  await expect(body).toContainText('0.223 kg');
  await expect(body).toContainText('28.4 cm³');
  await expect(body).toContainText('0.037 l');
  const all = page.getByRole('region', { name: 'The whole job', exact: true });
  await all.getByRole('combobox', { name: 'Runs to weigh' }).selectOption('all runs');
  await expect(all).toContainText('0.446 kg');
  await expect(all).toContainText('56.8 cm³');
  await page.locator('.locker-row', { hasText: 'Twin' }).hover();
  await page.getByRole('button', { name: 'Hide Twin' }).click();
  await all.getByRole('combobox', { name: 'Runs to weigh' }).selectOption('those that are shown');
  await expect(all).toContainText('0.223 kg');
});

/*
 * Square to the pipe a ring of π·(30.15² − 26.25²) = 691.0 mm²; turned by 60° twice as much.
 */
test('looks at a run in section: slid, turned, dragged, and its wall read', async ({ page }) => {
  await openJob(page, { ...PIPE, values: { riser: 120 } }, 'lay');
  await locker(page, 'Feed').click();
  await page.keyboard.press('w');
  const bar = page.getByRole('region', { name: 'Section', exact: true });
  await expect(bar).toContainText('Wall 3.9 mm to 3.9 mm · 691 mm² of material');

  // In the middle of 1350 + 235.6 + 750 at first.
  const along = bar.getByRole('textbox', { name: 'Section: along the run' });
  await expect(along).toHaveValue('1168');
  await along.fill('400');
  await along.press('Enter');
  const turn = bar.getByRole('textbox', { name: 'Section: turned by' });
  await turn.fill('60');
  await turn.press('Enter');
  await expect(bar).toContainText('1382 mm² of material');
  await bar.getByRole('slider', { name: 'Section: turned by, slide' }).press('ArrowLeft');
  await expect(turn).toHaveValue('59');
  await turn.fill('0');
  await turn.press('Enter');
  // A named value means nothing to the section; the plane stays where it was.
  await along.fill('=riser');
  await along.press('Enter');
  await expect(page.getByText('Type a number here, not a named value.')).toBeVisible();
  await expect(bar).toContainText('691 mm² of material');
  await along.press('Escape');
  await expect(along).toHaveValue('400');

  // Dragged by its handle it goes along the run.
  const handle = page.getByRole('button', { name: 'Drag the section' });
  // It goes where the plane is a frame later; `hover` waits until it stands still.
  await handle.hover();
  const box = await handle.boundingBox();
  await page.mouse.down();
  await page.mouse.move((box?.x ?? 0) + 73, (box?.y ?? 0) + 33, { steps: 4 });
  await page.mouse.up();
  await expect(along).not.toHaveValue('400');
  await expect(bar).toContainText('691 mm² of material');

  // The plane of the run cuts it lengthwise; elsewhere it meets nothing.
  await bar.getByLabel('Plane of the section').selectOption('own');
  const off = bar.getByRole('textbox', { name: 'Section: off its plane' });
  await expect(off).toHaveValue('0');
  await off.fill('40');
  await off.press('Enter');
  await expect(bar).toContainText('The plane meets nothing of it here.');
  await page.keyboard.press('Escape');
  await bar.getByRole('button', { name: 'Leave the section' }).click();
  await expect(bar).toBeHidden();
});
