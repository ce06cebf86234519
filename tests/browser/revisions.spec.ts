import { expect } from '@playwright/test';
import { test } from './fixtures';
import { enter, goTo, locker, openJob, PIPE } from './jobs';

/** Legs of 1500 and 900 with R 150 between: 2400 − 150·(2 − π/2). */
const LENGTH = (2400 - 150 * (2 - Math.PI / 2)).toFixed(1);

test('issues a revision, changes the job, steps through what has changed, takes it back', async ({ page }) => {
  await openJob(page, PIPE, 'make');
  await page.getByRole('button', { name: 'Issue, open, compare…' }).click();
  const dialog = page.getByRole('dialog', { name: 'Revisions' });
  await expect(dialog.getByRole('button', { name: 'Issue revision A' })).toBeDisabled();
  await dialog.getByLabel('Your name').fill('Maud Larsen');
  await dialog.getByLabel('Note').fill('For the yard');
  await dialog.getByRole('button', { name: 'What is still open?' }).click();
  await expect(dialog.getByText('Nothing is open: it can be issued.')).toBeVisible();
  await dialog.getByRole('button', { name: 'Issue revision A' }).click();
  const issued = dialog.getByRole('region', { name: 'Revision A' });
  await expect(issued).toContainText('by Maud Larsen: For the yard');
  await expect(issued.locator('.revision-state')).toHaveText('issued', { timeout: 60_000 });
  await issued.getByRole('button', { name: 'Its files' }).click();
  await expect(issued.getByRole('link', { name: 'feed-bend-sheet.pdf' })).toBeVisible();
  await dialog.getByRole('button', { name: 'Close' }).click();

  // Its end 100 further out: the last leg, and all of it, is longer by that.
  await goTo(page, 'Lay');
  await locker(page, 'Feed').click();
  await enter(page, 'End: At y', '1000');
  await page.getByRole('button', { name: 'Sea water' }).click();
  await page.getByText('Revisions…').click();
  await issued.getByRole('button', { name: 'Compare with the job' }).click();
  await expect(page.getByText('from revision A to the job as it is: 1 of 1 runs')).toBeVisible();
  await page.getByRole('button', { name: 'Next' }).click();
  const feed = page.getByRole('region', { name: 'Feed: changed' });
  await expect(feed).toContainText('100.0 off at most');
  await expect(feed).toContainText(`${LENGTH} → ${(Number(LENGTH) + 100).toFixed(1)}`);
  await expect(feed).toContainText('feed-1: bend another from the same stock');
  await feed.getByRole('button', { name: 'Take it from revision A' }).click();
  await expect(page.getByText('from revision A to the job as it is: nothing')).toBeVisible();
});

test('opens a revision that does not change, and goes back to the job', async ({ page }) => {
  await openJob(page, PIPE, 'make');
  await page.getByRole('button', { name: 'Issue, open, compare…' }).click();
  const dialog = page.getByRole('dialog', { name: 'Revisions' });
  await dialog.getByLabel('Your name').fill('Maud Larsen');
  await dialog.getByRole('button', { name: 'Issue revision A' }).click();
  await expect(dialog.locator('.revision-state')).toHaveText('issued', { timeout: 60_000 });
  await dialog
    .getByRole('link', { name: 'Open it' })
    .or(dialog.getByRole('button', { name: 'Open it' }))
    .click();
  await expect(page.getByText('Revision A, issued by Maud Larsen')).toBeVisible();
  await locker(page, 'Feed').click();
  await enter(page, 'Name', 'Other');
  await expect(page.getByText('This revision is issued and does not change.').first()).toBeVisible();
  await page.getByRole('link', { name: 'Go to the job' }).click();
  await expect(page.getByText('Revision A, issued by Maud Larsen')).toBeHidden();
});

test('shows the bend sheet and the arrangement, and saves what stands in the title block', async ({ page }) => {
  await openJob(page, PIPE, 'make');
  await locker(page, 'Feed').click();
  await page.getByRole('button', { name: 'Title block' }).click();
  const block = page.getByRole('dialog', { name: 'On the drawings' });
  await enter(page, 'Owner', 'Ternwake Yard');
  await block.getByRole('button', { name: 'Add a field' }).click();
  await enter(page, 'Project: value', 'Hull 7');
  await block.getByRole('button', { name: 'Close' }).click();

  await page.getByRole('button', { name: 'Look at the bend sheet' }).click();
  const sheet = page.getByRole('dialog', { name: 'Bend sheet: Feed' });
  const page1 = sheet.getByRole('img', { name: 'Bend sheet: Feed, sheet 1 of 1' });
  await expect(page1).toBeVisible();
  await expect.poll(() => page1.evaluate((image: HTMLImageElement) => image.naturalWidth)).toBeGreaterThan(100);
  // Until the answer to the last of both edits is there, the sheet is the one before it.
  const svg = async () => (await page.request.get((await page1.getAttribute('src')) ?? '')).text();
  for (const words of ['Hull 7', 'Ternwake Yard', '1500.0', '900.0', LENGTH]) {
    await expect.poll(svg).toContain(`>${words}`);
  }
  await sheet.getByLabel('with a full-size tape').check();
  await expect(sheet.getByText('sheet 1 of 3')).toBeVisible();
  await sheet.getByRole('button', { name: 'Next' }).click();
  await expect(sheet.getByText('sheet 2 of 3')).toBeVisible();
});

test('binds drawings and lists into one, stopped half way, and made again', async ({ page }) => {
  await openJob(page, PIPE, 'make');
  await page.getByRole('button', { name: 'All drawings and lists in one…' }).click();
  const dialog = page.getByRole('dialog', { name: 'Drawings and lists in one' });
  await dialog.getByRole('button', { name: 'Make it' }).click();
  await dialog.getByRole('button', { name: 'Stop' }).click();
  await expect(dialog.getByText('Stopped. Nothing was kept of it.')).toBeVisible({ timeout: 30_000 });
  await dialog.getByRole('checkbox', { name: 'Arrangement' }).uncheck();
  await dialog.getByLabel('As one file or many').selectOption('zip');
  await dialog.getByRole('button', { name: 'Make it again' }).click();
  const save = dialog.getByRole('button', { name: 'Save the ZIP' });
  await expect(save).toBeVisible({ timeout: 60_000 });
  const saved = page.waitForEvent('download');
  await save.click();
  expect((await saved).suggestedFilename()).toBe('sea-water-pack.zip');
  for (const name of [/^Isometrics/, /^Bend and cut sheets/, /^Harnesses/, /^Lists/]) {
    await dialog.getByRole('checkbox', { name }).uncheck();
  }
  await expect(dialog.getByRole('button', { name: 'Make it again' })).toBeDisabled();
});
