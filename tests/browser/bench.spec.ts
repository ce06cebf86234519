import { type ChildProcess, spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from '@playwright/test';
import { test } from './fixtures';
import { BARE, GOALPOST, locker, openJob } from './jobs';

const started: ChildProcess[] = [];
let rack = '';

test.beforeEach(() => {
  rack = mkdtempSync(join(tmpdir(), 'bowline-rack-'));
});

test.afterEach(() => {
  for (const device of started.splice(0)) {
    device.kill();
  }
  rmSync(rack, { recursive: true, force: true });
});

/** Starts a device that does not exist, and returns where it listens. */
function device(...asked: string[]): Promise<string> {
  const process = spawn('bin/bowline', [...asked, '--port', '0', '--rack', rack]);
  started.push(process);
  return new Promise((resolve) => {
    process.stderr.on('data', (text: Buffer) => {
      const address = /on (\S+)/.exec(text.toString())?.[1];
      if (address !== undefined) {
        resolve(address);
      }
    });
  });
}

test('bends a part, sees it out, corrects, and sees it in', async ({ page }) => {
  // 4 % and 0.5° are what a set angle springs back by: 90° come out 4.1° short.
  const bender = await device('bender', '--springback', '0.04', '--opening', '0.5', '--noise', '0.02');
  const arm = await device('arm', '--noise', '0.02');
  const stock = { ...BARE.stock[0], name: `Tube of ${rack}` };
  await openJob(page, { ...BARE, stock: [stock], runs: [GOALPOST] }, 'make');
  await locker(page, 'Feed').click();
  const bench = page.getByRole('region', { name: 'On the bench' });
  await expect(bench.getByText('It is gripped, and swings free of bed, floor and itself.')).toBeVisible();
  await expect(bench.getByText('Nothing is known yet')).toBeVisible();

  // The film: the last moment is the second bend as far as it is set, the first is fed.
  const film = bench.getByRole('figure', { name: 'How it is bent' });
  await expect(film.locator('figcaption')).toHaveText('bend 2 of 2: bent 90.0° of 90.00°');
  await film.getByRole('slider').fill('0');
  await expect(film.locator('figcaption')).toContainText('bend 1 of 2: fed 120.0');
  await film.getByRole('button', { name: 'Play the bending' }).click();
  await expect(film.locator('figcaption')).toHaveText('bend 2 of 2: bent 90.0° of 90.00°');

  await bench.getByLabel('Bender at').fill('10.0.0.1:7001');
  await bench.getByRole('button', { name: 'Bend a part and measure it' }).click();
  await expect(bench.getByRole('alert')).toContainText('a device is on this machine');
  await bench.getByLabel('Bender at').fill(bender);
  await bench.getByLabel('Measuring arm at').fill(arm);
  await bench.getByRole('button', { name: 'Bend a part and measure it' }).click();
  await expect(bench.getByRole('button', { name: /^Part 1, .*: out$/ })).toBeVisible();
  await expect(bench.getByText('It can be saved: bend on bend 1 by 4.')).toBeVisible();
  await expect(bench.getByRole('img', { name: 'The part beside its design' })).toBeVisible();
  await expect(bench.getByRole('row', { name: /^bend 1 90\.00° 90\.00° 8[56]\.\d\d° −4/ })).toBeVisible();
  await expect(bench.getByLabel('What is known of its springback')).toContainText('from 2 bends');

  await bench.getByRole('button', { name: 'Bend a part and measure it' }).click();
  await expect(bench.getByRole('button', { name: /^Part 2, .*: good$/ })).toBeVisible();
  await expect(bench.getByText('Good: it can be built in.')).toBeVisible();

  // The bender is gone: what was bent stays, and the page says what to do.
  started[0]?.kill();
  await bench.getByRole('button', { name: 'Bend a part and measure it' }).click();
  await expect(bench.getByText(`Nothing answers at ${bender}`)).toBeVisible();
  await expect(bench.getByRole('button', { name: /^Part 2, .*: good$/ })).toBeVisible();
});

test('names the columns of the bender’s table, saves it, and brings it in again', async ({ page }) => {
  await openJob(page, { ...BARE, runs: [GOALPOST] }, 'make');
  await locker(page, 'Feed').click();
  const table = page.getByRole('region', { name: 'Table of your bender' });
  await table.getByLabel('Heading of length to the bend').fill('Vorschub');
  await table.getByRole('checkbox', { name: 'number of the bend' }).uncheck();
  await table.getByRole('button', { name: 'Put angle further ahead' }).click();
  const saved = page.waitForEvent('download');
  await table.getByRole('button', { name: 'Save it as CSV' }).click();
  const file = await (await saved).path();
  // Up 150, over 300 and down 150 round R 30: straights of 120, 240 and 120.
  expect(readFileSync(file, 'utf8')).toBe('Vorschub,Angle,Rotation,Radius\r\n120,90,0,30\r\n240,90,0,30\r\n120,,,\r\n');

  // It is kept in this browser.
  await page.reload();
  await locker(page, 'Feed').click();
  await expect(table.getByLabel('Heading of length to the bend')).toHaveValue('Vorschub');
  await table.getByLabel('Table of a bender').setInputFiles({
    name: 'From the shop.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('Vorschub;Angle;Rotation;Radius\n100;90;0;30\n80,5;45;90;30\n60;;;\n'),
  });
  await expect(locker(page, 'From the shop')).toBeVisible();
  await table.getByLabel('Table of a bender').setInputFiles({
    name: 'Other.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('Length;Angle;Rotation;Radius\n100;90;0;30\n'),
  });
  await expect(table.getByRole('alert')).toContainText('there is no column “Vorschub”');
});
