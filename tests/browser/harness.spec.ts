import { readFileSync } from 'node:fs';
import { expect } from '@playwright/test';
import { test } from './fixtures';
import { enter, goTo, locker, middleOf, openJob } from './jobs';

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

  // A trunk is made with its harness, of the wires in it, and not on a bender.
  await goTo(page, 'Make');
  await locker(page, 'Starboard trunk').click();
  const trunk = page.getByRole('region', { name: 'Trunk' });
  await expect(trunk).toContainText('4744.2 mm');
  await expect(trunk).toContainText('ø 18.6 mm');
  await expect(page.getByRole('region', { name: /^(Bend table|Benders|On the bench|Body|Drawings)$/ })).toHaveCount(0);
  await trunk.getByRole('button', { name: 'Lists of Data and power' }).click();
  await expect(page.getByRole('button', { name: 'Wire list', exact: true })).toBeVisible();
  await goTo(page, 'Lay');

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
  // Kept: what is typed is what stands there.
  await expect(page.getByLabel('W20: to', { exact: true })).toHaveAttribute('data-untouched', 'true');
  await expect(page.getByLabel('W20: to', { exact: true })).toHaveValue('horn.H.3');
  await expect(wires.getByRole('row', { name: 'W20', exact: true })).not.toContainText('no way');

  // One between two connectors that are pointed at: from the first free pin of each.
  await wires.getByRole('button', { name: 'Point at both ends' }).click();
  const pointing = page.getByRole('region', { name: 'Pointing' });
  for (const plug of ['Console, C2', 'Horn, H']) {
    const under = pointing.getByRole('status');
    for (let tries = 0; tries < 20 && (await under.textContent()) !== plug; tries++) {
      await page.keyboard.press('Tab');
    }
    await expect(under).toHaveText(plug);
    await page.keyboard.press('Enter');
  }
  const pointed = wires.getByRole('row', { name: 'W42', exact: true });
  await expect(pointed.getByLabel('W42: from')).toHaveValue(/^console\.C2\.\d+$/);
  await expect(pointed.getByLabel('W42: to')).toHaveValue('horn.H.2');

  // Rows of a file are read as pasted ones are.
  await page.getByLabel('Wires from a file').setInputFiles({
    name: 'more.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('W50,cabinet.H.6,door.D.6,w1\nW51,x.Y.1'),
  });
  await expect(report).toContainText('1 wire read');
  await expect(report).toContainText('1 row was refused');
  await report.getByRole('button', { name: 'Put in nothing' }).click();

  // The wires are seen in the trunks, and one by itself.
  await page.getByRole('button', { name: 'See the wires in the trunks' }).click();
  const legend = page.getByRole('region', { name: 'Wires in the trunks' });
  const port = legend.getByRole('button', { name: 'W1 Port light' });
  await port.click();
  await expect(port).toHaveAttribute('aria-pressed', 'true');
  await page.getByRole('button', { name: 'Show trunks as bundles' }).click();
  await expect(legend).toBeHidden();

  // A trunk is broken in two and joined again, and the first wire stays as long as it was.
  await locker(page, 'Starboard trunk').click();
  await page.getByRole('button', { name: 'Break in two' }).click();
  await page.getByRole('button', { name: 'Join with Starboard trunk, 2' }).click();
  await expect(locker(page, 'Starboard trunk, 2')).toBeHidden();
  await locker(page, 'Data and power').click();
  await expect(first).toContainText('2438.5');

  // A pin that is not there is refused beside its field, and the wire stays as it was.
  await enter(page, 'W1: to', 'lamps.N.77');
  await expect(wires).toContainText('lamps.N has no pin “77”');
  await page.getByLabel('W1: to', { exact: true }).press('Escape');
  await expect(first).toContainText('2438.5');
});

test('breaks a trunk that hangs, and joins it again', async ({ page }) => {
  const [trunk, ...others] = WIRING.runs;
  const hung = { ...trunk, route: { kind: 'hang', slack: 0.05 } };
  await openJob(page, { ...WIRING, runs: [hung, ...others], harnesses: [] }, 'lay');
  await locker(page, 'Starboard trunk').click();
  const trunks = page.getByRole('region', { name: 'Trunk' });
  await enter(page, 'Break it at', '99999');
  await expect(trunks).toContainText('there is a clamp, or an end; break it where it is free.');
  await page.getByLabel('Break it at', { exact: true }).press('Escape');
  await trunks.getByRole('button', { name: 'Break in two' }).click();
  await expect(locker(page, 'Starboard trunk, 2')).toBeVisible();
  await trunks.getByRole('button', { name: 'Join with Starboard trunk, 2' }).click();
  await expect(locker(page, 'Starboard trunk, 2')).toBeHidden();
});

test('says that a wire is too long once its pin has moved, and takes the cure', async ({ page }) => {
  const [harness] = WIRING.harnesses;
  const wires = harness.wires.map((wire: { id: string }) =>
    wire.id === 'W1' ? { ...wire, length: { at_most: 2450 } } : wire,
  );
  await openJob(page, { ...WIRING, harnesses: [{ ...harness, wires }] }, 'place');
  await locker(page, 'Navigation lamps').click();
  // While they are dragged up the tag tells what that does to the wires; Escape puts them back.
  const up = await middleOf(page.locator('.move-handle').filter({ hasText: 'z' }));
  await page.mouse.move(up.x, up.y);
  await page.mouse.down();
  await page.mouse.move(up.x, up.y - 40, { steps: 4 });
  const tag = page.locator('.hover-tag');
  await expect(tag).toContainText('W1 is too long');
  await expect(tag).toContainText(/W2\s*\d+(\.\d)? mm \(\+/);
  await page.keyboard.press('Escape');
  await page.mouse.up();
  await expect(tag).toBeHidden();
  await enter(page, 'At z', '1600');
  await locker(page, 'Data and power').click();
  const card = page.getByRole('complementary', { name: 'Card' });
  // 60 higher: 2438.5 + 60.
  await expect(card).toContainText('It is 2498.5 mm; it may be 2450 mm.');
  await expect(page.getByRole('row', { name: 'W1', exact: true })).toContainText('2498.5');
  await card.getByRole('button', { name: 'Let it be 2498.5 mm' }).click();
  await expect(card).not.toContainText('W1 is too long');

  // A branch is turned on the board by hand, and by its number; the board is saved as PDF.
  await goTo(page, 'Make');
  const board = page.getByRole('region', { name: 'Board' });
  const picture = board.getByAltText('Data and power, laid flat');
  await expect(picture).toBeVisible();
  const lamps = board.getByRole('slider', { name: 'Turn To the lamps' });
  await expect(lamps).toHaveAttribute('aria-valuetext', '90°, by itself');
  const grip = await middleOf(lamps);
  await page.mouse.move(grip.x, grip.y);
  await page.mouse.down();
  // As far to the side as up: 45° from where it branches off.
  const height = (await middleOf(lamps)).y;
  await page.mouse.move(grip.x + 60, grip.y);
  await expect(board.getByText(/To the lamps \d+°/)).toBeVisible();
  // Where it branches off: the lower left end of the line to where the hand would have it.
  const footOf = () =>
    board.locator('.board-wanted line').evaluate((line) => {
      const { left, bottom } = line.getBoundingClientRect();
      return { x: left, y: bottom };
    });
  let foot = await footOf();
  await page.mouse.move(foot.x + (foot.y - height), height, { steps: 3 });
  await expect(board.getByText('To the lamps 45°')).toBeVisible();
  await page.mouse.up();
  await expect(lamps).toHaveAttribute('aria-valuetext', '45°');
  await expect(page.getByLabel('To the lamps: turned by')).toHaveValue('45');
  // Along the trunk there is no room for it: it is held where there was.
  const again = await middleOf(lamps);
  await page.mouse.move(again.x, again.y);
  await page.mouse.down();
  await page.mouse.move(again.x + 10, again.y);
  foot = await footOf();
  await page.mouse.move(foot.x + 150, foot.y, { steps: 3 });
  await expect(board.getByText(/^0°: no room, .* lies there$/)).toBeVisible();
  await page.keyboard.press('Escape');
  await page.mouse.up();
  await expect(lamps).toHaveAttribute('aria-valuetext', '45°');
  await enter(page, 'To the lamps: turned by', '60');
  await expect(lamps).toHaveAttribute('aria-valuetext', '60°');
  await lamps.press('ArrowLeft');
  await expect(lamps).toHaveAttribute('aria-valuetext', '65°');
  await lamps.press('Delete');
  await expect(lamps).toHaveAttribute('aria-valuetext', '90°, by itself');
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
  const ringed = async () => decodeURIComponent((await picture.getAttribute('src')) ?? '').split('r="52"').length - 1;
  await expect.poll(ringed).toBe(1);

  // It is built like this; what changes afterwards is told and marked.
  await page.getByRole('button', { name: 'The board is built like this' }).click();
  await expect(page.getByText('Nothing has changed since the board was built.')).toBeVisible();
  await goTo(page, 'Place');
  await locker(page, 'Navigation lamps').click();
  await enter(page, 'At z', '1570');
  await locker(page, 'Data and power').click();
  await goTo(page, 'Make');
  await expect(page.getByRole('list', { name: 'Changed since the board was built' })).toHaveText(
    'To the lamps: 1230 mm, was 1260 mm',
  );
  await goTo(page, 'Lay');

  // The door is opened, and the loop suffices all the way.
  await locker(page, 'Door loop').click();
  await page.getByRole('tab', { name: 'Movement' }).click();
  await expect(page.getByRole('region', { name: 'Laid straight' })).toContainText('430');
});
