// Takes the pictures of the main views: take.mjs ADDRESS. Run by bin/screenshots.
import { fileURLToPath } from 'node:url';
import { chromium } from '@playwright/test';
import { launchOptions } from '../../tests/browser/chromium.mjs';

const address = process.argv[2];
const browser = await chromium.launch(launchOptions);

/** Opens a page of the demo, does something there, and takes its picture once it says that it is drawn. */
async function take(name, path, doing = async () => {}, size = { width: 1280, height: 800 }) {
  const page = await browser.newPage({ viewport: size, reducedMotion: 'reduce' });
  await page.goto(address + path);
  await page.locator('.view[data-drawn="yes"], .page').first().waitFor();
  await doing(page);
  await page.locator('.view[data-drawn="yes"], .page').first().waitFor();
  await page.screenshot({ path: fileURLToPath(new URL(`${name}.png`, import.meta.url)) });
  await page.close();
}

// A second job, with nothing in it yet.
await fetch(`${address}/api/jobs`, {
  method: 'POST',
  headers: { 'Content-Type': 'application/json' },
  body: JSON.stringify({ name: 'Fuel skid' }),
});

const pick = (name) => (page) => page.locator('.locker .pick', { hasText: name }).click();

await take('place', '/jobs/1/place', pick(/Sea-water pump/));
await take('lay', '/jobs/1/lay');
await take('check', '/jobs/1/check');
await take('make', '/jobs/1/make', pick(/Fuel feed/));
await take('lay-wide', '/jobs/1/lay', pick(/Coolant/), { width: 1920, height: 1080 });
await take('laying', '/jobs/1/lay', async (page) => {
  await page.getByRole('button', { name: 'Lay a run' }).click();
  await page.getByLabel('Stock to lay').selectOption({ label: 'Tube 28 × 2, EN 10305-1' });
  await page.getByRole('button', { name: /Begin at Heat exchanger/ }).click();
  await page.keyboard.type('160');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: /Undo: Lay the first leg/ }).waitFor();
  const end = await page.locator('.laid-end').boundingBox();
  for (const part of [0.3, 0.7, 1]) {
    await page.mouse.move(end.x + 150 * part, end.y + 45 * part);
  }
  await page.locator('.laying-tag', { hasText: 'length' }).waitFor();
  await page.waitForFunction(() => document.querySelectorAll('.path-table tbody tr').length === 2);
});
await take('find', '/jobs/1/lay', async (page) => {
  await page.keyboard.press('Control+k');
  await page.keyboard.type('sea');
});
await take('first-steps', '/jobs/2/place');
await take('jobs', '/jobs');

await browser.close();
