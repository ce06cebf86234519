import { expect } from '@playwright/test';
import { test } from './fixtures';
import { BARE, enter, GOALPOST, goTo, locker, openJob } from './jobs';

test('steps a number with arrows and, only in focus, with the wheel', async ({ page }) => {
  await openJob(page, BARE, 'place');
  await locker(page, 'Tube 12 × 1.5').click();
  const radius = page.getByRole('textbox', { name: 'Bend radius' });
  const density = page.getByRole('textbox', { name: 'Density' });
  await radius.focus();
  for (const [keys, value] of [
    ['ArrowUp', '31'],
    ['Shift+ArrowUp', '41'],
    ['ArrowDown', '40'],
    ['Alt+ArrowDown', '39.9'],
  ] as const) {
    await page.keyboard.press(keys);
    await expect(radius).toHaveValue(value);
  }
  const box = await radius.boundingBox();
  await page.mouse.move((box?.x ?? 0) + 20, (box?.y ?? 0) + 8);
  await page.mouse.wheel(0, -100);
  await expect(radius).toHaveValue('40.9');
  await density.focus();
  await page.mouse.wheel(0, -100);
  await expect(radius).toHaveValue('40.9');
  await expect(density).toHaveValue('7850');
  await expect(page.locator('.saved')).toContainText('saved');
  await page.reload();
  await locker(page, 'Tube 12 × 1.5').click();
  await expect(radius).toHaveValue('40.9');
});

test('keeps what was typed wrong with its reason, and what stood there in force', async ({ page }) => {
  const id = await openJob(page, { ...BARE, runs: [GOALPOST] }, 'lay');
  const length = page.getByRole('textbox', { name: 'Leg 2: length corner to corner' });
  await enter(page, 'Leg 2: length corner to corner', '-4');
  await expect(page.locator('.path-table')).toContainText('must be more than 0');
  await expect(length).toHaveValue('-4');
  await goTo(page, 'Check');
  await expect(page.getByText('All 1 runs can be bent and built.')).toBeVisible();
  const state = await (await page.request.get(`/api/jobs/${id}`)).json();
  expect(state.revision).toBe(1);

  // Feet and inches, arithmetic and a named value, in one field after another.
  await goTo(page, 'Lay');
  for (const [typed, value] of [
    ['1\' 2 1/2"', '368.3'],
    ['12 + 3 * 100', '312'],
    ['30,5 cm', '305'],
  ] as const) {
    await enter(page, 'Leg 2: length corner to corner', typed);
    await expect(length).toHaveValue(value);
  }
});

test('keeps what is typed in one field while another window changes the next', async ({ page, context }) => {
  const id = await openJob(page, BARE, 'place');
  await locker(page, 'Tube 12 × 1.5').click();
  const radius = page.getByRole('textbox', { name: 'Bend radius' });
  await radius.fill('55');
  const other = await context.newPage();
  await other.goto(`/jobs/${id}/place`);
  await locker(other, 'Tube 12 × 1.5').click();
  await enter(other, 'Density', '8000');
  await expect(page.getByRole('textbox', { name: 'Density' })).toHaveValue('8000');
  await expect(radius).toHaveValue('55');
  await radius.press('Enter');
  await expect(other.getByRole('textbox', { name: 'Bend radius' })).toHaveValue('55');
  await expect(other.getByRole('textbox', { name: 'Density' })).toHaveValue('8000');
});

test('edits a fitting whole: name, place, turn, body, ports', async ({ page }) => {
  const id = await openJob(page, BARE, 'place');
  await locker(page, 'Filter').click();
  await enter(page, 'Name', 'Duplex filter');
  await expect(page.getByRole('heading', { name: 'Duplex filter' })).toBeVisible();
  await page.getByLabel('Turned about').selectOption('z');
  await enter(page, 'Turned by', '90');
  await page.getByLabel('Shape').selectOption('cylinder');
  await enter(page, 'Diameter', '4 in');
  await page.getByRole('button', { name: 'Add a port' }).click();
  await enter(page, 'Name of port port', 'Drain');
  await page.getByLabel('Port port: Axis').selectOption('-z');
  await enter(page, 'Port port: At z', '-50');
  await expect
    .poll(async () => (await (await page.request.get(`/api/jobs/${id}`)).json()).job.fittings[1])
    .toMatchObject({
      name: 'Duplex filter',
      pose: { turn: { by: 90 } },
      body: { shape: 'cylinder', diameter: 101.6 },
      ports: [{ id: 'in' }, { name: 'Drain', at: [0, 0, -50], axis: '-z' }],
    });
  // Turned by 90° about z, the inlet at (−50, 0, 0) of its own frame stands at (450, 250, 250) and looks along −y.
  const { places } = await (await page.request.get(`/api/jobs/${id}`)).json();
  const inlet = places.find((place: { id: string }) => place.id === 'filter').ports[0];
  expect(inlet.at.map(Math.round)).toEqual([450, 250, 250]);
  expect(inlet.axis.map(Math.round).map((part: number) => part + 0)).toEqual([0, -1, 0]);

  await page.getByRole('button', { name: 'Delete port Drain' }).click();
  await expect(page.getByText('fitting, 1 port', { exact: true })).toBeVisible();
});
