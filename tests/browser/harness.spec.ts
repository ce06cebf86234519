import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { enter, goTo, locker, openJob } from './jobs';

const WIRING = JSON.parse(readFileSync(new URL('../../database/demo/wiring.json', import.meta.url), 'utf8'));

/** The wires of the demo as rows of a spreadsheet. */
const rows = () =>
  [
    ['Wire', 'From', 'To', 'Stock', 'Signal', 'Class'].join('\t'),
    ...WIRING.harnesses[0].wires
      .slice(0, 40)
      .map((wire: Record<string, string>) =>
        [wire.id, wire.from, wire.to, wire.stock, wire.signal, wire.class ?? ''].join('\t'),
      ),
    ['W41', 'cabinet.H.5', 'door.D.99', 'w1'].join('\t'),
  ].join('\n');

test('wires a boat: rows pasted, one too long once its trunk is moved, and cured', async ({ page }) => {
  const [harness] = WIRING.harnesses;
  await openJob(page, { ...WIRING, harnesses: [{ ...harness, wires: [], pairs: [] }] }, 'lay');
  await locker(page, 'Data and power').click();
  const wires = page.getByRole('region', { name: 'Wires' });
  await expect(wires).toContainText('0 wires');

  // Forty wires and one to a pin that is not there.
  const name = page.getByLabel('New wire: name');
  await name.focus();
  await name.evaluate((input, text) => {
    const data = new DataTransfer();
    data.setData('text/plain', text);
    input.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
  }, rows());
  const report = page.getByRole('dialog');
  await expect(report).toContainText('40 wires read from what was pasted');
  await expect(report).toContainText('door.D has no pin “99”');
  await report.getByRole('button', { name: 'Add 40 wires' }).click();
  await expect(wires).toContainText('40 wires');

  // Each has found its way: the first up to the lamps, 1238.5 along the trunk and 1200 up.
  const first = wires.getByRole('row', { name: 'W1', exact: true });
  await expect(first).toContainText('2438.5');
  await expect(first).toContainText('Starboard trunk, To the lamps');
  await expect(page.getByRole('complementary', { name: 'Card' })).toContainText('ø 18.6 mm');

  // One more by keys alone.
  await name.fill('W41');
  await name.press('Enter');
  await page.getByLabel('New wire: from').fill('cabinet.H.5');
  await page.getByLabel('New wire: from').press('Enter');
  await page.getByLabel('New wire: to').fill('door.D.99');
  await page.getByLabel('New wire: to').press('Enter');
  await expect(wires).toContainText('door.D has no pin “99”');
  await page.getByLabel('New wire: to').fill('door.D.5');
  await page.getByLabel('New wire: to').press('Enter');
  await expect(wires.getByRole('row', { name: 'W41', exact: true })).toContainText('430');
  await expect(wires).toContainText('41 wires');

  // A pin is put on the horn's plug by hand, and a wire goes to it.
  await locker(page, 'Horn').click();
  await expect(page.getByLabel('Pins of port H')).toHaveValue('1, 2');
  await enter(page, 'Pins of port H', '1-3');
  await locker(page, 'Data and power').click();
  await enter(page, 'W20: to', 'horn.H.3');
  await expect(wires.getByRole('row', { name: 'W20', exact: true })).not.toContainText('no way');

  // A pin that is not there is refused beside its field, and the wire stays as it was.
  await enter(page, 'W1: to', 'lamps.N.77');
  await expect(wires).toContainText('lamps.N has no pin “77”');
  await page.getByLabel('W1: to', { exact: true }).press('Escape');
  await expect(first).toContainText('2438.5');
});

test('says that a wire is too long once its pin has moved, and takes the cure', async ({ page }) => {
  const [harness] = WIRING.harnesses;
  const wires = harness.wires.map((wire: { id: string }) =>
    wire.id === 'W1' ? { ...wire, length: { at_most: 2450 } } : wire,
  );
  await openJob(page, { ...WIRING, harnesses: [{ ...harness, wires }] }, 'place');
  await locker(page, 'Navigation lamps').click();
  await enter(page, 'At z', '1600');
  await locker(page, 'Data and power').click();
  const card = page.getByRole('complementary', { name: 'Card' });
  // 60 higher: 2438.5 + 60.
  await expect(card).toContainText('It is 2498.5 mm; it may be 2450 mm.');
  await expect(page.getByRole('row', { name: 'W1', exact: true })).toContainText('2498.5');
  await card.getByRole('button', { name: 'Let it be 2498.5 mm' }).click();
  await expect(card).not.toContainText('W1 is too long');

  // A branch is turned on the board, which is saved as PDF.
  await goTo(page, 'Make');
  const picture = page.getByAltText(/The board of Data and power/);
  await expect(picture).toBeVisible();
  const before = await picture.getAttribute('src');
  await enter(page, 'To the lamps: turned by', '60');
  await expect(picture).not.toHaveAttribute('src', before ?? '');
  await page.getByLabel('Paper').selectOption('one sheet');
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save the board as PDF' }).click();
  expect((await saved).suggestedFilename()).toBe('wiring.board.pdf');

  // Two wires swapped at the lamps, found by the tester and shown on the board.
  await page.getByLabel('Fault').selectOption('swapped pins');
  await page.getByLabel('Of', { exact: true }).selectOption('lamps.N.1');
  await page.getByLabel('And', { exact: true }).selectOption('lamps.N.2');
  await page.getByRole('button', { name: 'Put in' }).click();
  await page.getByRole('button', { name: 'Test', exact: true }).click();
  await expect(page.getByRole('status', { name: 'What the tester found' })).toContainText('are swapped');
  await expect(picture).toHaveAttribute('src', /marked=/);
  await goTo(page, 'Lay');

  // The door is opened, and the loop suffices all the way.
  await locker(page, 'Door loop').click();
  await page.getByRole('tab', { name: 'Movement' }).click();
  await expect(page.getByRole('region', { name: 'Laid straight' })).toContainText('430');
});
