import { expect, test } from '@playwright/test';
import { enter, goTo, locker, openJob } from './jobs';

const HOSE = {
  id: 'h20',
  kind: 'hose',
  name: 'Hose 20',
  section: { shape: 'round', od: 20, wall: 3 },
  bend: { radius: 120, min_radius: 100, min_straight: 0 },
  density: 1150,
};

const job = (run: object) => ({
  format: 'bowline-job',
  version: 1,
  name: 'Hoses',
  stock: [HOSE],
  runs: [{ id: 'hose', name: 'Steering hose', stock: 'h20', ...run }],
});

test('hangs a cable and gives it 8 % slack', async ({ page }) => {
  await openJob(
    page,
    job({ from: { at: [0, 0, 300] }, to: { at: [1200, 900, 300] }, route: { kind: 'corners', stops: [] } }),
    'lay',
  );
  await page.getByRole('combobox', { name: 'Behaves' }).selectOption('hang');
  // Straight as it was it cannot hang; a length that reaches is offered.
  await expect(page.locator('.finding')).toContainText('It does not reach');
  await page.getByLabel('Told by').selectOption('slack');
  await expect(page.getByRole('textbox', { name: 'Slack' })).toHaveValue('8');
  // 1500 apart and 8 % longer: 1620; level ends leave at the same slope.
  await expect(page.locator('.strip')).toContainText('1620 mm');
  await expect(page.locator('.finding')).toHaveCount(0);
  await enter(page, 'Slack', '20');
  await expect(page.locator('.strip')).toContainText('1800 mm');
});

test('springs a hose, finds it too tight, and takes the length that is offered', async ({ page }) => {
  await openJob(
    page,
    job({
      from: { at: [0, 0, 0], axis: [0, 0, 1], lead: 30 },
      to: { at: [260, 0, 0], axis: [0, 0, 1], lead: 30 },
      route: { kind: 'spring', length: 430 },
    }),
    'lay',
  );
  const finding = page.locator('.finding');
  await expect(finding).toContainText('It is bent too tightly');
  await expect(page.getByText('Keeps its radius')).toBeVisible();
  await finding.getByRole('button', { name: /Use a hose of/ }).click();
  await expect(finding).toHaveCount(0);
  await expect(locker(page, 'Steering hose')).toContainText('good');
  await goTo(page, 'Make');
  await expect(page.getByRole('region', { name: 'Bend table' })).toContainText('Cut length');
});

test('drapes a cable over a box, keeps it, and lets it go again', async ({ page }) => {
  await openJob(
    page,
    {
      ...job({ from: { at: [-500, 0, 300] }, to: { at: [500, 0, 300] }, route: { kind: 'hang', slack: 0.3 } }),
      surroundings: [
        { id: 'box', name: 'Battery box', shape: 'box', size: [400, 600, 200], pose: { at: [0, 0, 100] } },
      ],
    },
    'lay',
  );
  const strip = page.locator('.strip');
  await expect(strip).toContainText('1300 mm');
  await page.getByRole('combobox', { name: 'Behaves' }).selectOption('drape');
  await expect(page.getByText('Lies as it falls')).toBeVisible();
  await enter(page, 'Length of the run', '1250');
  await expect(strip).toContainText('1250');
  await page.getByRole('button', { name: 'Keep this shape' }).click();
  await expect(page.getByText('Kept as it lies')).toBeVisible();

  // Kept, it stays 1250 long when its end moves away, which is told with the way back.
  await enter(page, 'End: At z', '340');
  const finding = page.locator('.finding');
  await expect(finding).toContainText('Its end is not where it is kept');
  await finding.getByRole('button', { name: 'Let it go, to lie as it falls' }).click();
  await expect(finding).toHaveCount(0);
  await expect(page.getByRole('button', { name: 'Keep this shape' })).toBeVisible();
});
