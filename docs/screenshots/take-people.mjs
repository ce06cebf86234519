// Takes the pictures of where people sign in: take-people.mjs ADDRESS LINK [FOLDER]. Run by bin/screenshots; in another
// folder go those that are only looked at, too.
import { fileURLToPath } from 'node:url';
import { chromium } from '@playwright/test';
import { launchOptions } from '../../tests/browser/chromium.mjs';

const [address, link, folder] = process.argv.slice(2);
const browser = await chromium.launch(launchOptions);
const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce' });
const kept = (name) => fileURLToPath(new URL(`${name}.png`, import.meta.url));
const picture = async (name) => {
  if (folder !== undefined) {
    await page.screenshot({ path: `${folder}/${name}.png` });
  }
};

await page.goto(`${address}/sign-in`);
await page.getByRole('heading', { name: 'Sign in' }).waitFor();
await picture('sign-in');
await page.goto(address + link);
await page.getByLabel('Password', { exact: true }).fill('three dry oak planks');
await page.getByLabel('Once more').fill('three dry oak planks');
await page.getByRole('button', { name: 'Go on' }).click();
await page.getByRole('button', { name: 'Maud Larsen' }).waitFor();
await page.goto(`${address}/people`);
for (const [name, role] of [
  ['Ida Voss', 'designer'],
  ['Cato Berg', 'checker'],
  ['Ola Strand', 'shop'],
  ['Vera Lind', 'viewer'],
]) {
  const form = page.getByRole('form', { name: 'Invite somebody' });
  await form.getByLabel('Name').fill(name);
  await form.getByLabel('E-mail address').fill(`${name.split(' ')[0].toLowerCase()}@cleat.example`);
  await form.getByLabel('Role of whom you invite').selectOption(role);
  await form.getByRole('button', { name: 'Send the invitation' }).click();
  await page.getByRole('row', { name: new RegExp(`^${name}`) }).waitFor();
}
await page.screenshot({ path: kept('people') });
await page.goto(`${address}/trail`);
await page.getByText('Signed in').first().waitFor();
await picture('trail');
await page.goto(`${address}/jobs`);
await page.locator('.job-tile').first().waitFor();
await picture('jobs-of-people');
await browser.close();
