// Takes the pictures of the main views: take.mjs ADDRESS. Run by bin/screenshots.
import { fileURLToPath } from 'node:url';
import { chromium } from '@playwright/test';

const address = process.argv[2];
const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--use-angle=swiftshader', '--enable-unsafe-swiftshader', '--disable-quic', '--no-first-run',
    '--disable-background-networking', '--disable-component-update', '--disable-sync'],
});

/** Opens a page of the demo, does something there, and takes its picture once it says that it is drawn. */
async function take(name, path, doing = async () => {}, size = { width: 1280, height: 800 }) {
  const page = await browser.newPage({ viewport: size });
  await page.goto(address + path);
  await page.locator('.view[data-drawn="yes"], .page').first().waitFor();
  await doing(page);
  await page.locator('.view[data-drawn="yes"], .page').first().waitFor();
  await page.screenshot({ path: fileURLToPath(new URL(`${name}.png`, import.meta.url)) });
  await page.close();
}

const pick = (name) => (page) => page.locator('.locker .pick', { hasText: name }).click();

await take('place', '/jobs/1/place', pick(/Sea-water pump/));
await take('lay', '/jobs/1/lay');
await take('check', '/jobs/1/check');
await take('make', '/jobs/1/make', pick(/Fuel feed/));

await browser.close();
