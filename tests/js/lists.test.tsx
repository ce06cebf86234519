// @vitest-environment jsdom
import { inflateRawSync } from 'node:zlib';
import { cleanup, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, test, vi } from 'vitest';
import { ListDialog } from '../../resources/js/make/ListDialog';
import { type Cell, filtered, sorted } from '../../resources/js/make/listRows';
import { saveXlsx } from '../../resources/js/make/saveXlsx';
import { inJob } from './inJob';

const ROWS: Cell[][] = [
  ['W10', 1020.5, 'DN 20'],
  ['W9', 90, null],
  ['W1', 200, 'DN 25'],
];

afterEach(cleanup);

describe('rows of a list', () => {
  test.each([
    ['', 3],
    ['dn', 2],
    ['dn 25', 1],
    ['w1', 2],
    ['nothing', 0],
    // An empty cell has no word in it.
    ['null', 0],
  ])('are those in which every word of “%s” stands', (typed, count) => {
    expect(filtered(ROWS, typed)).toHaveLength(count);
  });

  test.each([
    // Numbers within words count by size: W9 comes before W10.
    [0, false, ['W1', 'W9', 'W10']],
    [0, true, ['W10', 'W9', 'W1']],
    [1, false, ['W9', 'W1', 'W10']],
    [1, true, ['W10', 'W1', 'W9']],
    // An empty cell stays last either way.
    [2, false, ['W10', 'W1', 'W9']],
    [2, true, ['W1', 'W10', 'W9']],
  ] as const)('are sorted by column %d, downwards %s', (column, down, order) => {
    expect(sorted(ROWS, { column, down }).map(([name]) => name)).toEqual(order);
  });

  test('stay as they came without a column, and are not changed', () => {
    expect(sorted(ROWS, null)).toEqual(ROWS);
    expect(ROWS[0]?.[0]).toBe('W10');
  });
});

describe('a list on the screen', () => {
  const open = (rows: Cell[][]) =>
    render(
      <ListDialog
        title="Weld list"
        of={['welds']}
        load={() => Promise.resolve({ headings: ['weld', 'cut_length_mm', 'fill_percent'], rows })}
        csv="/welds.csv"
        pdf="/welds.pdf"
        onClose={() => undefined}
      />,
      { wrapper: inJob({ id: 7, revision: 3 }) },
    );

  test('has headings in words, numbers to the right, and says how much of it is shown', async () => {
    open(ROWS);
    expect((await screen.findAllByRole('columnheader')).map((one) => one.textContent)).toEqual([
      'weld',
      'cut length, mm',
      'fill, %',
    ]);
    expect(screen.getByText('1020.5').className).toBe('number');
    expect(screen.getByText('3 of 3 rows')).toBeTruthy();
    expect(screen.getByText('CSV').getAttribute('href')).toBe('/welds.csv');
  });

  test('is sorted, filtered, and shows the columns that are wanted', async () => {
    const user = userEvent.setup();
    open(ROWS);
    await user.click(await screen.findByRole('button', { name: 'cut length, mm' }));
    const first = () => within(screen.getAllByRole('row')[1] as HTMLElement).getAllByRole('cell')[0]?.textContent;
    expect(first()).toBe('W9');
    await user.click(screen.getByRole('button', { name: 'cut length, mm ↑' }));
    expect(first()).toBe('W10');
    await user.type(screen.getByLabelText('Filter the list'), 'w1 25');
    expect(screen.getByText('1 of 3 rows')).toBeTruthy();
    await user.click(screen.getByLabelText('fill, %'));
    expect(screen.getAllByRole('columnheader')).toHaveLength(2);
  });

  test('says that it is empty', async () => {
    open([]);
    expect(await screen.findByText('There is nothing in it yet.')).toBeTruthy();
  });
});

const bytesOf = (blob: Blob) =>
  new Promise<Uint8Array>((resolve) => {
    const reader = new FileReader();
    reader.onload = () => resolve(new Uint8Array(reader.result as ArrayBuffer));
    reader.readAsArrayBuffer(blob);
  });

/** Returns the files of a ZIP (APPNOTE 4.3), by name. */
function unzipped(bytes: Uint8Array): Record<string, string> {
  const view = new DataView(bytes.buffer, bytes.byteOffset);
  const files: Record<string, string> = {};
  // The last record says where the list of files begins and how many there are.
  let end = bytes.length - 22;
  while (view.getUint32(end, true) !== 0x06054b50) {
    end--;
  }
  let at = view.getUint32(end + 16, true);
  for (let left = view.getUint16(end + 10, true); left > 0; left--) {
    const [method, size] = [view.getUint16(at + 10, true), view.getUint32(at + 20, true)];
    const [name, extra, comment] = [28, 30, 32].map((offset) => view.getUint16(at + offset, true)) as [
      number,
      number,
      number,
    ];
    const local = view.getUint32(at + 42, true);
    const from = local + 30 + view.getUint16(local + 26, true) + view.getUint16(local + 28, true);
    const content = bytes.slice(from, from + size);
    files[new TextDecoder().decode(bytes.slice(at + 46, at + 46 + name))] = new TextDecoder().decode(
      method === 0 ? content : inflateRawSync(content),
    );
    at += 46 + name + extra + comment;
  }
  return files;
}

/** Returns the cells that are not empty of the first sheet of an XLSX file (ECMA-376), by their names. */
function cellsOf(bytes: Uint8Array): Record<string, string | number> {
  const files = unzipped(bytes);
  const parse = (name: string) => new DOMParser().parseFromString(files[name] ?? '', 'application/xml');
  const shared = [...parse('xl/sharedStrings.xml').getElementsByTagName('si')].map((one) => one.textContent ?? '');
  const cells: Record<string, string | number> = {};
  for (const cell of parse('xl/worksheets/sheet1.xml').getElementsByTagName('c')) {
    const text = cell.textContent ?? '';
    if (text !== '') {
      const type = cell.getAttribute('t');
      cells[cell.getAttribute('r') ?? ''] = type === 's' ? (shared[Number(text)] ?? '') : type ? text : Number(text);
    }
  }
  return cells;
}

test('a list is saved as a spreadsheet with its cells', async () => {
  let saved: Blob | null = null;
  URL.createObjectURL = vi.fn((blob: Blob) => {
    saved = blob;
    return 'blob:list';
  }) as typeof URL.createObjectURL;
  URL.revokeObjectURL = vi.fn();
  vi.spyOn(HTMLAnchorElement.prototype, 'click').mockImplementation(() => undefined);
  await saveXlsx(
    'Weld list',
    ['weld', 'length, mm'],
    [
      ['W1', 12.5],
      ['Ø', null],
    ],
  );
  const cells = cellsOf(await bytesOf(saved as unknown as Blob));
  expect(cells).toEqual({ A1: 'weld', B1: 'length, mm', A2: 'W1', B2: 12.5, A3: 'Ø' });
});
