import { useQuery } from '@tanstack/react-query';
import { type ReactNode, useState } from 'react';
import { Modal } from 'react-bootstrap';
import type { HarnessList } from '../api/types';
import { show } from '../job/format';
import { tell } from '../job/tell';
import { useJob } from '../job/useJob';
import { Button } from '../ui/Button';
import { type Cell, filtered, sorted } from './listRows';
import { saveXlsx } from './saveXlsx';

interface Props {
  title: string;
  /** What tells this list from others, for the cache. */
  of: readonly unknown[];
  load: () => Promise<HarnessList>;
  /** Addresses of the list as CSV and as PDF. */
  csv: string;
  pdf: string;
  /** What stands over the table, such as how it is made. */
  children?: ReactNode;
  onClose: () => void;
}

/** A heading of a list in words: "cut_length_mm" as "cut length, mm". */
const inWords = (heading: string) =>
  heading
    .replace(/_(mm|in|kg|percent)$/, (_, unit: string) => `, ${unit === 'percent' ? '%' : unit}`)
    .replaceAll('_', ' ');

/** A list on the screen: sorted by a column, filtered as one types, with the columns that are wanted; saved so. */
export function ListDialog({ title, of, load, csv, pdf, children, onClose }: Props) {
  const { state } = useJob();
  const [typed, setTyped] = useState('');
  const [by, setBy] = useState<{ column: number; down: boolean } | null>(null);
  const [hidden, setHidden] = useState<ReadonlySet<string>>(new Set());
  const { data, error } = useQuery({
    queryKey: ['list', state.id, ...of, state.revision],
    queryFn: load,
    retry: false,
    placeholderData: (before) => before,
  });
  const shown = (data?.headings ?? []).flatMap((heading, column) => (hidden.has(heading) ? [] : [column]));
  const rows = data === undefined ? [] : sorted(filtered(data.rows, typed), by);
  const isNumber = (column: number) => data?.rows.some((row) => typeof row[column] === 'number') === true;
  const toggle = (heading: string) => {
    const next = new Set(hidden);
    next.delete(heading) || next.add(heading);
    setHidden(next);
  };
  return (
    <Modal show onHide={onClose} size="xl" scrollable aria-labelledby="list-title">
      <Modal.Header closeButton>
        <Modal.Title id="list-title">{title}</Modal.Title>
      </Modal.Header>
      <Modal.Body>
        {error !== null && <p className="text-danger">{error.message}</p>}
        {children}
        {data === undefined ? (
          error === null && <p className="quiet">Making the list…</p>
        ) : data.rows.length === 0 ? (
          <p className="quiet mb-0">There is nothing in it yet.</p>
        ) : (
          <>
            <div className="list-tools">
              <input
                className="form-control form-control-sm"
                placeholder="Filter"
                aria-label="Filter the list"
                value={typed}
                onChange={(event) => setTyped(event.target.value)}
              />
              <details>
                <summary>Columns</summary>
                <div className="list-columns">
                  {data.headings.map((heading) => (
                    <label key={heading}>
                      <input type="checkbox" checked={!hidden.has(heading)} onChange={() => toggle(heading)} />
                      {inWords(heading)}
                    </label>
                  ))}
                </div>
              </details>
            </div>
            <table className="table-plain harness-list">
              <thead>
                <tr>
                  {shown.map((column) => (
                    <th
                      key={data.headings[column]}
                      scope="col"
                      className={isNumber(column) ? 'number' : undefined}
                      aria-sort={by?.column === column ? (by.down ? 'descending' : 'ascending') : undefined}
                    >
                      <button
                        type="button"
                        className="sort"
                        onClick={() => setBy({ column, down: by?.column === column && !by.down })}
                      >
                        {inWords(data.headings[column] ?? '')}
                        {by?.column === column && (by.down ? ' ↓' : ' ↑')}
                      </button>
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {rows.map((row, index) => (
                  // biome-ignore lint/suspicious/noArrayIndexKey: rows may be alike
                  <tr key={index}>
                    {shown.map((column) => (
                      <td key={data.headings[column]} className={isNumber(column) ? 'number' : undefined}>
                        {inCell(row[column] ?? null)}
                      </td>
                    ))}
                  </tr>
                ))}
              </tbody>
            </table>
          </>
        )}
      </Modal.Body>
      <Modal.Footer>
        <span className="quiet me-auto">{data !== undefined && `${rows.length} of ${data.rows.length} rows`}</span>
        <Button
          disabled={data === undefined}
          title="Save what is shown for a spreadsheet"
          onClick={() =>
            tell(
              saveXlsx(
                title,
                shown.map((column) => inWords(data?.headings[column] ?? '')),
                rows.map((row) => shown.map((column) => row[column] ?? null)),
              ),
            )
          }
        >
          XLSX
        </Button>
        <Button href={csv} download>
          CSV
        </Button>
        <Button href={pdf} download>
          PDF
        </Button>
      </Modal.Footer>
    </Modal>
  );
}

const inCell = (cell: Cell) => (typeof cell === 'number' ? show(cell, 3) : cell);
