import type { Cell } from './listRows';

/** Saves a list as a spreadsheet; what writes it is loaded when it is first wanted. */
export async function saveXlsx(title: string, headings: readonly string[], rows: readonly Cell[][]): Promise<void> {
  const { default: write } = await import('write-excel-file/universal');
  const content = await write(
    [
      headings.map((value) => ({ value, type: String, fontWeight: 'bold' as const })),
      ...rows.map((row) => row.map((value) => (value === null ? null : { value, type: typeOf(value) }))),
    ],
    { sheet: title.slice(0, 31), stickyRowsCount: 1 },
  ).toBlob();
  const link = document.createElement('a');
  link.href = URL.createObjectURL(content);
  link.download = `${title.toLowerCase().replaceAll(/[^\p{L}\p{N}]+/gu, '-')}.xlsx`;
  link.click();
  URL.revokeObjectURL(link.href);
}

const typeOf = (value: string | number) => (typeof value === 'number' ? Number : String);
