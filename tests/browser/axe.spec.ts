import { readFileSync } from 'node:fs';
import AxeBuilder from '@axe-core/playwright';
import { expect } from '@playwright/test';
import { test } from './fixtures';
import { demo, locker, openJob } from './jobs';

/* In a file of its own, which comes first: the longest journey, beside which all others go on. */

test('has nothing for axe to find, on any stage, page or dialog', async ({ page }) => {
  // It goes through everything there is: a minute on a busy machine.
  test.slow();
  const check = async (where: string, part = 'html') => {
    const { violations } = await new AxeBuilder({ page })
      // Otherwise it opens a page of its own each time, which is for pages with frames.
      .setLegacyMode()
      .include(part)
      .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa'])
      .analyze();
    expect(violations.map(({ id: rule, nodes }) => `${where} ${rule}: ${nodes[0]?.target}`)).toEqual([]);
  };
  const empty = await page.request.post('/api/jobs', { data: { name: 'Nothing in it' } });
  const { id: emptyId } = await empty.json();
  const id = await openJob(page, demo(), 'lay');
  for (const path of [
    `/jobs/${id}/place`,
    `/jobs/${id}/check`,
    `/jobs/${id}/make`,
    `/jobs/${emptyId}/place`,
    '/jobs',
    '/jobs/999999/lay',
    `/jobs/${id}/lay`,
  ]) {
    await page.goto(path);
    await expect(page.locator('canvas, .full-state h1, .page').first()).toBeVisible();
    await expect(page.getByText(/opening/i)).toHaveCount(0);
    await check(path);
  }
  await page.keyboard.press('Control+k');
  await expect(page.locator('#found')).toBeVisible();
  await check('finding', '[role=dialog]');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toBeVisible();
  await check('keys', '[role=dialog]');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await locker(page, 'Sea water to cooler').click();
  await page.getByRole('region', { name: 'View', exact: true }).focus();
  await page.keyboard.press('b');
  await expect(page.getByRole('region', { name: 'Legend' })).toContainText('Sea water');
  await page.keyboard.press('w');
  await expect(page.getByText('mm² of material')).toBeVisible();
  await check('section and legend');
  await page.keyboard.press('w');
  await page.keyboard.press('m');
  await expect(page.getByRole('region', { name: 'Measure' })).toBeVisible();
  await check('measuring');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Leave measuring', exact: true }).click();
  await page.keyboard.press('b');
  await page.keyboard.press('l');
  await page.getByRole('button', { name: 'Begin at Overboard valve, Inlet' }).click();
  await page.keyboard.type('200');
  await expect(page.locator('.laying-tag')).toBeVisible();
  await check('laying');
  await openJob(page, JSON.parse(readFileSync('database/demo/hoses.json', 'utf8')), 'lay');
  await locker(page, 'Steering hose, starboard').click();
  await page.getByRole('button', { name: 'Show', exact: true }).click();
  await expect(page.locator('.film .frame').first()).toBeVisible();
  await check('movement');
  for (const panel of ['Lay several flexible runs', 'Comb runs', 'Legend of what runs carry']) {
    await page.keyboard.press('Control+k');
    await page.keyboard.type(panel);
    await page.keyboard.press('Enter');
    await expect(page.getByRole('dialog').getByRole('button').last()).toBeVisible();
    await check(panel, '[role=dialog]');
    await page.keyboard.press('Escape');
    await expect(page.getByRole('dialog')).toHaveCount(0);
  }
});
