import { expect } from '@playwright/test';
import { test } from './fixtures';
import { demo, enter, locker, openJob } from './jobs';

test('saves a body as STEP, brings it into another job, and puts a port on its bore', async ({ page }) => {
  await openJob(page, demo(), 'make');
  await locker(page, 'Sea-water suction').click();
  const saving = page.waitForEvent('download');
  await page.getByRole('group', { name: 'Body of this run' }).getByRole('button', { name: 'STEP' }).click();
  const saved = await saving;
  expect(saved.suggestedFilename()).toMatch(/\.step$/);

  const id = await openJob(page, { ...demo(), fittings: [], clamps: [], runs: [] }, 'place');
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Add to the surroundings' }).click();
  await page.getByRole('button', { name: /^Body from a file/ }).click();
  await (await chooser).setFiles({ name: 'Suction.step', mimeType: 'model/step', buffer: await bytesOf(saved) });
  await expect(page.getByRole('status').filter({ hasText: 'Reading Suction.step' })).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Suction' })).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText('Reading Suction.step')).toHaveCount(0);

  // The rims of both flanges (115, each from two sides) come first, then the raised faces (68) and the bores (28.5).
  const ends = page.getByRole('listitem').filter({ hasText: 'ø' });
  await expect(ends.nth(0)).toContainText('ø 115 mm');
  await expect(ends.nth(4)).toContainText('ø 68 mm');
  await expect(ends.nth(6)).toContainText('ø 28.5 mm');
  await expect(ends.nth(6)).toContainText('2300, 720, 200');
  await ends.nth(6).getByRole('button').click();
  await expect(page.getByRole('heading', { name: 'Port on Suction' })).toBeVisible();

  // It hangs on the body: moved by 100, the port goes along.
  await locker(page, 'Suction').first().click();
  await enter(page, 'At x', '100');
  const at = async () => {
    const { places } = await (await page.request.get(`/api/jobs/${id}`)).json();
    return places.find((place: { list: string }) => place.list === 'fittings').ports[0].at.map(Math.round);
  };
  await expect.poll(at).toEqual([2400, 720, 200]);
});

test('says what is wrong with a file that is no STEP, and stops when asked to', async ({ page }) => {
  await openJob(page, demo(), 'place');
  const bringIn = async (name: string, text: string) => {
    const chooser = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: 'Add to the surroundings' }).click();
    await page.getByRole('button', { name: /^Body from a file/ }).click();
    await (await chooser).setFiles({ name, mimeType: 'model/step', buffer: Buffer.from(text) });
  };
  await bringIn('Letter.step', 'a letter');
  await expect(page.getByRole('alert')).toContainText('Letter.step cannot be brought in: it is no STEP file', {
    timeout: 60_000,
  });
  // The kernel never comes, so that it is still being read when it is stopped.
  await page.route(/\.wasm$/, () => undefined);
  await bringIn('Long.step', 'another letter');
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(page.getByRole('alert')).toContainText('Long.step was not brought in');
  await expect(page.getByText('Reading')).toHaveCount(0);
});

async function bytesOf(saved: { createReadStream: () => Promise<NodeJS.ReadableStream> }): Promise<Buffer> {
  const parts: Buffer[] = [];
  for await (const part of await saved.createReadStream()) {
    parts.push(Buffer.from(part));
  }
  return Buffer.concat(parts);
}
