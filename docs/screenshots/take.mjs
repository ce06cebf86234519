// Takes the pictures of the main views, or those that are named: take.mjs ADDRESS [NAME]... Run by bin/screenshots.
import { fileURLToPath } from 'node:url';
import { chromium } from '@playwright/test';
import { launchOptions } from '../../tests/browser/chromium.mjs';

const [address, ...wanted] = process.argv.slice(2);
const browser = await chromium.launch(launchOptions);

/** Opens a page of the demo, does something there, and takes its picture once it says that it is drawn. */
async function take(name, path, doing = async () => {}, size = { width: 1280, height: 800 }) {
  if (wanted.length > 0 && !wanted.includes(name)) {
    return;
  }
  const page = await browser.newPage({ viewport: size, reducedMotion: 'reduce' });
  await page.goto(address + path);
  await page.locator('.view[data-drawn="yes"], .page').first().waitFor();
  await doing(page);
  await page.locator('.view[data-drawn="yes"], .page').first().waitFor();
  await page.screenshot({ path: fileURLToPath(new URL(`${name}.png`, import.meta.url)) });
  await page.close();
}

// Besides what is taken here there is a job with nothing in it yet. Before it are the hoses, the skid, the exhaust
// elbow, the manifold, the wiring and the engine space, and the issued revision of the skid.
await fetch(`${address}/api/jobs`, {
  method: 'POST',
  headers: { 'Content-Type': 'application/json' },
  body: JSON.stringify({ name: 'Cooling skid' }),
});

const pick = (name) => (page) => page.locator('.locker .pick', { hasText: name }).click();

await take('place', '/jobs/6/place', pick(/Sea-water pump/));
await take('lay', '/jobs/6/lay');
await take('ways', '/jobs/6/lay', async (page) => {
  await page.keyboard.press('Shift+L');
  await page.getByRole('button', { name: 'Look for ways' }).click();
  await page.getByRole('radiogroup', { name: 'Ways' }).waitFor();
});
await take('check', '/jobs/6/check');
await take('make', '/jobs/6/make', pick(/Fuel feed/));
await take('section', '/jobs/6/lay', async (page) => {
  await pick(/Sea water to cooler/)(page);
  await page.keyboard.press('o');
  await page.keyboard.press('w');
  const along = page.getByRole('textbox', { name: 'Section: along the run' });
  await along.fill('180');
  await along.press('Enter');
  await page.getByLabel('Plane of the section').selectOption('own');
  await page.getByText(/mm² of material/).waitFor();
});
await take('body', '/jobs/3/lay', async (page) => {
  await pick(/Exhaust, port leg/)(page);
  await page.getByRole('button', { name: 'Measure its wall' }).click();
  await page.getByRole('status', { name: 'Wall of the body' }).waitFor();
});
await take('block', '/jobs/4/lay', pick(/Passage T/));
await take('harness', '/jobs/5/lay', async (page) => {
  await pick(/Data and power/)(page);
  await page.getByRole('row', { name: 'W13', exact: true }).hover();
});
await take('board', '/jobs/5/make', async (page) => {
  await pick(/Data and power/)(page);
  await page.getByAltText(/laid flat/).waitFor();
});
await take('sheet', '/jobs/6/make', async (page) => {
  await pick(/Sea water to cooler/)(page);
  await page.getByRole('button', { name: 'Look at the bend sheet' }).click();
  const sheet = page.locator('.drawing-page');
  await sheet.waitFor();
  await page.waitForFunction(() => document.querySelector('.drawing-page').complete);
});
await take('laying', '/jobs/6/lay', async (page) => {
  await page.getByRole('button', { name: 'Lay a run' }).click();
  await page.getByLabel('Stock to lay').selectOption({ label: 'Pipe DN 20, 26.9 × 2.3, EN 10220' });
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
await take('bench', '/jobs/6/make', async (page) => {
  await pick(/Fuel return/)(page);
  const bench = page.getByRole('region', { name: 'On the bench' });
  for (const part of [1, 2]) {
    await bench.getByRole('button', { name: 'Bend a part and measure it' }).click();
    await bench.getByRole('button', { name: new RegExp(`^Part ${part}, .*(good|out)`) }).waitFor();
  }
  await bench.evaluate((section) => section.scrollIntoView({ block: 'start' }));
});
await take('movement', '/jobs/1/lay', async (page) => {
  await pick(/Steering hose, starboard/)(page);
  await page.getByRole('button', { name: 'Show', exact: true }).click();
  await page.locator('.film .frame').first().waitFor();
});
await take('ties', '/jobs/2/lay', async (page) => {
  await pick(/Outlet tube 1/)(page);
  await page.getByRole('button', { name: 'Pick leg 2' }).click();
  await page.locator('.ties').waitFor();
});
await take('changes', '/jobs/2/make', async (page) => {
  await page.getByRole('button', { name: 'Issue, open, compare…' }).click();
  await page.locator('.revision-state.issued').waitFor({ timeout: 60_000 });
  await page.getByRole('button', { name: 'Compare with the job' }).click();
  await page.getByRole('button', { name: 'Next' }).click();
  await page.locator('.finding.change-changed .table-plain, .finding.change-changed ul').first().waitFor();
});
await take('catalogue', '/jobs/2/lay', async (page) => {
  await page.keyboard.press('k');
  await page.getByLabel('Find stock').fill('316L 28');
  await page.locator('.catalogue-table tbody tr').first().waitFor();
});
await take('jobs', '/jobs', (page) =>
  page.waitForFunction(() => [...document.images].length >= 3 && [...document.images].every((one) => one.complete)),
);

await browser.close();
