import { type ChildProcess, execFileSync } from 'node:child_process';
import { createHmac } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type Browser, expect, type Page } from '@playwright/test';
import { leaveOutPixels, test } from './fixtures';
import { BARE, GOALPOST } from './jobs';
import { freePort, ownDatabase, start, stop } from './servers';

const PASSWORD = 'three dry oak planks';

let server: ChildProcess;
let base = '';
let folder = '';
let first = '';

test.describe.configure({ mode: 'serial' });

test.beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'bowline-people-'));
  const port = await freePort();
  base = `http://127.0.0.1:${port}`;
  const env = { BOWLINE_PEOPLE: 'on', MAIL_LOG: join(folder, 'mail.log'), APP_URL: base };
  server = await start(port, 'tests/browser/server', env);
  first = execFileSync(
    'php',
    ['artisan', 'bowline:people', 'team', 'maud@cleat.example', 'Maud Larsen', 'Cleat yard'],
    {
      env: { ...process.env, ...env, DB_DATABASE: ownDatabase() },
      encoding: 'utf8',
    },
  );
});

test.afterAll(async () => {
  await stop(server);
  rmSync(folder, { recursive: true, force: true });
});

const linkIn = (text: string) => {
  const links = [...text.matchAll(/http:\S+/g)].map(([link]) => link);
  return links.at(-1) ?? '';
};

/** The link of the mail that went to somebody last. */
function mailed(to: string): string {
  const mails = readFileSync(join(folder, 'mail.log'), 'utf8').split(/^\[/m);
  return linkIn(mails.filter((mail) => mail.includes(`To: ${to}`)).at(-1) ?? '');
}

/** A window of somebody's own, without the cookies of others, or with those that were kept in a file. */
async function windowOf(browser: Browser, storageState?: string): Promise<Page> {
  const context = await browser.newContext({ baseURL: base, storageState, viewport: { width: 1280, height: 800 } });
  await leaveOutPixels(context);
  return context.newPage();
}

async function choose(page: Page, link: string, password = PASSWORD): Promise<void> {
  await page.goto(link);
  await page.getByLabel('Password', { exact: true }).fill(password);
  await page.getByLabel('Once more').fill(password);
  await page.getByRole('button', { name: 'Go on' }).click();
}

async function signIn(page: Page, email: string, password = PASSWORD): Promise<void> {
  await page.goto('/sign-in');
  await page.getByLabel('E-mail address').fill(email);
  await page.getByLabel('Password', { exact: true }).fill(password);
  await page.getByRole('button', { name: 'Sign in' }).click();
}

/** The code of an authenticator (RFC 6238), worked out here. */
function codeOf(secret: string, at = Date.now()): string {
  const letters = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567';
  const bits = [...secret].map((letter) => letters.indexOf(letter).toString(2).padStart(5, '0')).join('');
  const key = Buffer.from((bits.match(/.{8}/g) ?? []).map((byte) => Number.parseInt(byte, 2)));
  const step = Buffer.alloc(8);
  step.writeBigUInt64BE(BigInt(Math.floor(at / 30_000)));
  const hash = createHmac('sha1', key).update(step).digest();
  const offset = (hash[19] ?? 0) & 15;
  return String((hash.readUInt32BE(offset) & 0x7fffffff) % 1_000_000).padStart(6, '0');
}

let job = 0;

test('invites, signs in with a second factor, and lets nobody in without', async ({ browser }) => {
  const maud = await windowOf(browser);
  await maud.goto('/jobs');
  await expect(maud.getByRole('heading', { name: 'Sign in' })).toBeVisible();
  await choose(maud, linkIn(first).replace(/^http:\/\/[^/]+/, base));
  await expect(maud.getByRole('button', { name: 'Maud Larsen' })).toBeVisible();

  await maud.goto('/account');
  await maud.getByLabel('Your password').fill(PASSWORD);
  await maud.getByRole('button', { name: 'Put one on' }).click();
  await expect(maud.getByRole('img', { name: 'Secret of the second factor' })).toBeVisible();
  const secret = await maud.getByLabel('Secret', { exact: true }).inputValue();
  await maud.getByLabel('Code', { exact: true }).fill('000000');
  await maud.getByRole('button', { name: 'Turn it on' }).click();
  await expect(maud.getByRole('alert')).toHaveText('This is not the code that it shows now');
  await maud.getByLabel('Code', { exact: true }).fill(codeOf(secret));
  await maud.getByRole('button', { name: 'Turn it on' }).click();
  await expect(maud.getByRole('list', { name: 'Recovery codes' }).getByRole('listitem')).toHaveCount(8);
  const recovery = await maud.getByRole('list', { name: 'Recovery codes' }).getByRole('listitem').first().textContent();

  await maud.getByRole('button', { name: 'Maud Larsen' }).click();
  await maud.getByRole('button', { name: 'Sign out', exact: true }).click();
  await signIn(maud, 'maud@cleat.example', 'a wrong one, surely');
  await expect(maud.getByRole('alert')).toHaveText('This e-mail address and password do not go together');
  await signIn(maud, 'maud@cleat.example');
  await maud.getByLabel('Code of your authenticator, or a recovery code').fill(recovery ?? '');
  await maud.getByRole('button', { name: 'Sign in' }).click();
  await expect(maud.getByRole('button', { name: 'Maud Larsen' })).toBeVisible();

  await maud.goto('/people');
  for (const [name, email, role] of [
    ['Ida Voss', 'ida@cleat.example', 'designer'],
    ['Cato Berg', 'cato@cleat.example', 'checker'],
    ['Vera Lind', 'vera@cleat.example', 'viewer'],
  ] as const) {
    const form = maud.getByRole('form', { name: 'Invite somebody' });
    await form.getByLabel('Name').fill(name);
    await form.getByLabel('E-mail address').fill(email);
    await form.getByLabel('Role of whom you invite').selectOption(role);
    await form.getByRole('button', { name: 'Send the invitation' }).click();
    await expect(maud.getByRole('row', { name: new RegExp(`^${name}`) })).toContainText('invited');
  }
  const opened = await maud.request.post('/api/jobs/open', {
    data: { ...BARE, name: 'Fuel line', runs: [GOALPOST] },
  });
  job = (await opened.json()).id;
  await maud.context().storageState({ path: join(folder, 'maud.json') });
});

test('two people work on a job, each with an undo of their own', async ({ browser }) => {
  const maud = await windowOf(browser, join(folder, 'maud.json'));
  const ida = await windowOf(browser);
  await choose(ida, mailed('ida@cleat.example'));
  await expect(ida.getByRole('button', { name: 'Ida Voss' })).toBeVisible();
  await maud.goto(`/jobs/${job}/lay`);
  await ida.goto(`/jobs/${job}/lay`);
  await expect(maud.getByRole('list', { name: 'Who else is here' })).toContainText('IV');
  await ida.getByRole('button', { name: /^Feed/ }).first().click();
  await expect(maud.getByRole('button', { name: 'Ida Voss, at Feed' })).toBeVisible();

  const rename = async (page: Page, to: string) => {
    const field = page.getByRole('textbox', { name: 'Name', exact: true });
    await field.fill(to);
    await field.press('Enter');
  };
  await rename(ida, 'Feed of Ida');
  // It is there within two seconds of being kept.
  await expect(maud.locator('.locker')).toContainText('Feed of Ida', { timeout: 6000 });
  await expect(maud.getByTitle('No step of yours can be undone')).toBeDisabled();
  await ida.getByRole('button', { name: /^Undo: / }).click();
  await expect(maud.locator('.locker')).not.toContainText('Feed of Ida');
  await ida.close();
  await expect(maud.getByRole('list', { name: 'Who else is here' })).toHaveCount(0);
});

test('a viewer changes nothing, a checker issues, a link reads, a password is chosen anew', async ({ browser }) => {
  const vera = await windowOf(browser);
  await choose(vera, mailed('vera@cleat.example'));
  await expect(vera.getByRole('button', { name: 'Vera Lind' })).toBeVisible();
  await vera.goto(`/jobs/${job}/lay`);
  await expect(vera.getByText('You look at this job: what you change is not kept.')).toBeVisible();
  const field = vera.getByRole('textbox', { name: 'Name', exact: true });
  await field.fill('Feed of Vera');
  await field.press('Enter');
  await expect(vera.getByText('Your role does not let you do this').first()).toBeVisible();

  const cato = await windowOf(browser);
  await choose(cato, mailed('cato@cleat.example'));
  await expect(cato.getByRole('button', { name: 'Cato Berg' })).toBeVisible();
  await cato.goto(`/jobs/${job}/make`);
  await cato.getByRole('button', { name: 'Issue, open, compare…' }).click();
  const dialog = cato.getByRole('dialog');
  await expect(dialog.getByLabel('Your name')).toHaveCount(0);
  await dialog.getByRole('button', { name: 'Issue revision A' }).click();
  await expect(dialog.getByText('by Cato Berg')).toBeVisible();
  await expect(dialog.locator('.revision-state', { hasText: 'issued' })).toBeVisible({ timeout: 60_000 });

  const maud = await windowOf(browser, join(folder, 'maud.json'));
  await maud.goto(`/jobs/${job}/lay`);
  await maud.getByRole('button', { name: 'Fuel line' }).click();
  await maud.getByRole('button', { name: 'People of this job…' }).click();
  await maud.getByRole('button', { name: 'Make a link' }).click();
  const link = await maud.getByLabel('Link', { exact: true }).inputValue();
  const anybody = await windowOf(browser);
  await anybody.goto(link.replace(/^http:\/\/[^/]+/, base));
  await expect(anybody.getByText('You look at this job: what you change is not kept.')).toBeVisible();
  await anybody.getByRole('button', { name: /^Check/ }).click();
  // Nothing that is not open to them leads them away from it.
  await expect(anybody.getByRole('heading', { name: 'Findings' })).toBeVisible();
  await expect(anybody).toHaveURL(/\/jobs\/\d+\/check$/);
  await anybody.goto('/people');
  await expect(anybody.getByRole('heading', { name: 'Sign in' })).toBeVisible();

  await anybody.getByRole('button', { name: 'I have forgotten it' }).click();
  await anybody.getByLabel('E-mail address').fill('ida@cleat.example');
  await anybody.getByRole('button', { name: 'Send me a link' }).click();
  await expect(anybody.getByText('If somebody here has the address ida@cleat.example')).toBeVisible();
  await choose(anybody, mailed('ida@cleat.example').replace(/^http:\/\/[^/]+/, base), 'four wet oak planks');
  await expect(anybody.getByRole('heading', { name: 'Sign in' })).toBeVisible();
  await signIn(anybody, 'ida@cleat.example', 'four wet oak planks');
  await expect(anybody.getByRole('button', { name: 'Ida Voss' })).toBeVisible();

  await maud.goto('/trail');
  const issued = maud.getByRole('row').filter({ hasText: 'Issued revision A' });
  await expect(issued).toContainText('Cato Berg');
  await maud.getByLabel('What', { exact: true }).selectOption('people');
  await expect(maud.getByRole('row').filter({ hasText: 'Shared it by a link' })).toContainText('Maud Larsen');
  await expect(issued).toHaveCount(0);
});
