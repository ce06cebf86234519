import { expect } from '@playwright/test';
import { test } from './fixtures';
import { BARE, enter, GOALPOST, goTo, locker, openJob } from './jobs';
import { freePort, start, stop } from './servers';

test('undoes ten steps and redoes them after a reload, and brings back what hung on a fitting', async ({ page }) => {
  await openJob(page, { ...BARE, runs: [GOALPOST] }, 'lay');
  const height = page.getByLabel('Leg 1: length corner to corner');
  for (let step = 1; step <= 10; step++) {
    // The field says what was typed at once: kept it is when the server has answered.
    const answered = page.waitForResponse((response) => response.url().endsWith('/laying'));
    await enter(page, 'Leg 1: length corner to corner', String(150 + step));
    await answered;
    await expect(page.getByRole('button', { name: 'Undo: Change a leg of Feed' })).toBeEnabled();
    await expect(height).toHaveValue(String(150 + step));
    await expect(page.locator('.saved')).toContainText('saved');
  }
  await page.locator('.view').focus();
  for (let step = 9; step >= 0; step--) {
    await page.keyboard.press('Control+z');
    await expect(height).toHaveValue(String(150 + step));
  }
  await page.reload();
  await expect(height).toHaveValue('150');
  await page.locator('.view').focus();
  for (let step = 1; step <= 10; step++) {
    await page.keyboard.press('Control+Shift+z');
    await expect(height).toHaveValue(String(150 + step));
  }
  // From the list, right back to the beginning.
  await page.getByRole('button', { name: 'Steps so far' }).click();
  await expect(page.getByText('Change a leg of Feed')).toHaveCount(10);
  await page.getByText('As it was opened').click();
  await expect(height).toHaveValue('150');

  await goTo(page, 'Place');
  await locker(page, 'Pump').click();
  await page.getByRole('button', { name: 'Delete Pump', exact: true }).click();
  await expect(locker(page, 'Pump')).toHaveCount(0);
  await locker(page, 'Feed').click();
  await expect(page.locator('.under')).toContainText('open end → open end');
  await page.getByRole('button', { name: 'Undo: Delete Pump' }).click();
  await expect(page.locator('.under')).toContainText('Pump, Outlet → open end');
});

test('shows what another window does, and asks where both change the same', async ({ page, context }) => {
  const id = await openJob(page, { ...BARE, runs: [GOALPOST] }, 'lay');
  await locker(page, 'Tube 12').click();
  const other = await context.newPage();
  await other.goto(`/jobs/${id}/lay`);
  await locker(other, 'Tube 12').click();

  // The other's edit appears by itself.
  await enter(other, 'Bend radius', '36');
  await expect(page.getByLabel('Bend radius')).toHaveValue('36');

  // Both at once, before either has seen the other's.
  await page.route('**/revision', (route) => route.abort());
  await enter(other, 'Bend radius', '40');
  await expect(other.locator('.saved')).toContainText('saved');
  await enter(page, 'Bend radius', '44');
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('was changed in another window, too');
  await expect(dialog.getByRole('row', { name: /bend, radius/ })).toContainText('40');
  await expect(dialog.getByRole('row', { name: /bend, radius/ })).toContainText('44');
  await dialog.getByRole('button', { name: 'Use mine' }).click();
  await expect(other.getByLabel('Bend radius')).toHaveValue('44');
});

test('keeps what is typed while the server is stopped, and goes on when it is started again', async ({ page }) => {
  const port = await freePort();
  let server = await start(port, 'tests/browser/server');
  try {
    const address = `http://127.0.0.1:${port}`;
    const opened = await page.request.post(`${address}/api/jobs/open`, { data: { ...BARE, runs: [GOALPOST] } });
    const { id } = await opened.json();
    await page.goto(`${address}/jobs/${id}/lay`);
    const height = page.getByLabel('Leg 1: length corner to corner');
    await expect(height).toHaveValue('150');

    await stop(server);
    await enter(page, 'Leg 1: length corner to corner', '177');
    await expect(page.getByRole('alert')).toContainText('does not answer');
    await expect(page.locator('.saved')).toContainText('not saved');
    await expect(height).toHaveValue('177');

    server = await start(port, 'bin/serve');
    await expect(page.locator('.away')).toHaveCount(0);
    await expect(page.locator('.saved')).toContainText('saved');
    await page.reload();
    await expect(height).toHaveValue('177');
  } finally {
    await stop(server);
  }
});

test('finds anything by a few letters, and shows the keys of a stage', async ({ page }) => {
  await openJob(page, { ...BARE, runs: [GOALPOST] }, 'place');
  await page.keyboard.press('Control+k');
  await page.keyboard.type('feed');
  await expect(page.locator('#found').getByRole('option').first()).toContainText('Feed');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Feed' })).toBeVisible();
  await page.keyboard.press('Control+k');
  await page.keyboard.type('nothing of the kind');
  await expect(page.getByText('Nothing of that name.')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toContainText('Keys in Place');
});

test('starts with an empty job in three steps, and lists, copies, renames and has back jobs', async ({ page }) => {
  await page.goto('/jobs');
  await page.getByRole('button', { name: 'New job' }).click();
  const first = page.getByRole('region', { name: 'First steps' });
  await first.getByRole('button', { name: 'Choose from the catalogue' }).click();
  await page.getByLabel('Find stock').fill('10305 22x2');
  const row = page.getByRole('row', { name: /ST-22x2 / });
  await row.getByRole('button', { name: 'Take it' }).click();
  await first.getByRole('button', { name: 'Add a pump' }).click();
  await expect(first).toContainText('one more is needed');
  await expect(page.getByRole('textbox', { name: 'Inlet for tube of' })).toHaveValue('22');
  await first.getByRole('button', { name: 'Add a filter' }).click();
  await first.getByRole('button', { name: 'Lay a run' }).click();
  await expect(page.getByRole('button', { name: /^Begin at (Pump|Filter)/ })).toHaveCount(4);

  await page.goto('/jobs');
  const tile = page.getByRole('listitem').filter({ hasText: 'New job' }).first();
  await tile.getByRole('button', { name: 'Copy New job', exact: true }).click();
  const copy = page.getByRole('listitem').filter({ hasText: 'New job, copy' });
  await expect(copy).toHaveCount(1);
  await copy.getByRole('button', { name: /^Rename/ }).click();
  await enter(page, 'Name of the job', 'Bilge lines');
  const skid = page.getByRole('listitem').filter({ hasText: 'Bilge lines' });
  await expect(skid).toHaveCount(1);
  await skid.getByRole('button', { name: 'Delete Bilge lines' }).click();
  await expect(skid).toHaveCount(0);
  await page.getByRole('button', { name: 'Have it back' }).click();
  await expect(skid).toHaveCount(1);
  await page.getByLabel('Filter the jobs').fill('no such job');
  await expect(page.getByText('No job of that name.')).toBeVisible();
});
