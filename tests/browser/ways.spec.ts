import { readFileSync } from 'node:fs';
import { expect, type Page } from '@playwright/test';
import { test } from './fixtures';
import { BARE, demo, GOALPOST, locker, openJob } from './jobs';

const panel = (page: Page) => page.getByRole('region', { name: 'Lay it for me' });

/** Pastes rows into the panel, as from a spreadsheet. */
async function paste(page: Page, text: string): Promise<void> {
  await panel(page).evaluate((element, rows) => {
    const data = new DataTransfer();
    data.setData('text/plain', rows);
    element.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
  }, text);
}

test('lays a run by itself: ways told apart, the second taken by keys, and undone', async ({ page }) => {
  await openJob(page, demo(), 'lay');
  await page.keyboard.press('Shift+L');
  // The first pair of free ports, and a tube that fits both.
  await expect(panel(page).getByRole('combobox', { name: 'Run 1: from' })).toHaveValue('cooler.out');
  await panel(page).getByRole('button', { name: 'Look for ways' }).click();
  const ways = panel(page).getByRole('radiogroup', { name: 'Ways' });
  await expect(ways.getByRole('radio')).toHaveCount(5);
  await expect(ways.locator('label').first()).toContainText(/3 bends · [\d.]+ mm · [\d.]+ mm off /);

  await ways.getByRole('radio').first().focus();
  await page.keyboard.press('ArrowDown');
  await expect(ways.getByRole('radio').nth(1)).toBeChecked();
  await page.keyboard.press('Enter');
  await expect(panel(page)).toHaveCount(0);
  await expect(locker(page, 'Heat exchanger out to Overboard valve in')).toContainText('good');

  await page.keyboard.press('Control+z');
  await expect(locker(page, 'Heat exchanger out')).toHaveCount(0);
});

test('goes on from the open end of a run', async ({ page }) => {
  await openJob(
    page,
    {
      ...BARE,
      runs: [{ ...GOALPOST, to: { at: [300, 0, 200] }, route: { kind: 'corners', stops: [{ at: [0, 0, 200] }] } }],
    },
    'lay',
  );
  await locker(page, 'Feed').click();
  await page.keyboard.press('Shift+L');
  // Its open end, and the port that is left.
  await expect(panel(page).getByRole('combobox', { name: 'Run 1: from' })).toHaveValue('feed.to');
  await expect(panel(page).getByRole('combobox', { name: 'Run 1: to' })).toHaveValue('filter.in');
  await panel(page).getByRole('button', { name: 'Look for ways' }).click();
  await panel(page).getByRole('radio').first().focus();
  await page.keyboard.press('Enter');
  await expect(locker(page, 'Feed to Filter in')).toContainText('good');
});

test('says why there is no way', async ({ page }) => {
  await openJob(page, demo(), 'lay');
  await page.keyboard.press('Shift+L');
  await panel(page).getByRole('combobox', { name: 'Run 1: to' }).selectOption('fire-main.port');
  await panel(page).getByRole('combobox', { name: 'Run 1: stock' }).selectOption('t12');
  await panel(page).getByRole('button', { name: 'Look for ways' }).click();
  await expect(panel(page).locator('.finding')).toContainText('made for another size');
});

test('lays the skid’s runs at once, is stopped half way, and keeps what is laid', async ({ page }) => {
  const skid = JSON.parse(readFileSync('database/demo/skid.json', 'utf8'));
  const runs = skid.runs as { from: { port?: string }; to: { port?: string }; stock: string }[];
  const pairs = runs.filter(({ to }) => to.port !== undefined);
  await openJob(page, { ...skid, runs: [], sets: [] }, 'lay');
  await page.keyboard.press('Shift+L');
  await paste(page, pairs.map(({ from, to, stock }) => `${from.port}\t${to.port}\t${stock}`).join('\n'));
  await page.getByRole('button', { name: 'Take them' }).click();
  await panel(page)
    .getByRole('button', { name: `Lay all ${pairs.length}` })
    .click();
  await expect(panel(page)).toContainText(new RegExp(`[1-7] of ${pairs.length} laid`));
  await panel(page).getByRole('button', { name: 'Stop' }).click();
  await expect(panel(page)).toContainText('it was stopped');
  const keep = panel(page).getByRole('button', { name: /^Keep the/ });
  await keep.click();
  await expect(panel(page)).toHaveCount(0);
  await expect(page.locator('.locker .pick', { hasText: ' to ' }).first()).toContainText('good');
});
