import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Form, Modal } from 'react-bootstrap';
import { api, files } from '../api/client';
import type { CatalogueReport, CatalogueRow, Stock } from '../api/types';
import { lengthEven } from '../job/format';
import { useWorkbench } from '../job/store';
import { tell } from '../job/tell';
import { units } from '../job/units';
import { useJob } from '../job/useJob';
import { Button } from '../ui/Button';
import { FileButton } from '../ui/FileButton';
import { SpringbackTable } from './SpringbackTable';

const KINDS = ['', 'tube', 'pipe', 'rod', 'wire', 'hose', 'cable'] as const;

/** The stock catalogue: search, take into the job, own sizes, CSV in and out. */
export function CatalogueDialog() {
  const { panel, open } = useWorkbench();
  return (
    <Modal
      show={panel === 'catalogue'}
      onHide={() => open(null)}
      size="xl"
      scrollable
      aria-labelledby="catalogue-title"
    >
      <Modal.Header closeButton>
        <Modal.Title id="catalogue-title">Stock catalogue</Modal.Title>
      </Modal.Header>
      <Modal.Body>
        <Catalogue />
        <SpringbackTable />
      </Modal.Body>
    </Modal>
  );
}

function Catalogue() {
  const { state, items, put } = useJob();
  const { open, pick, picked } = useWorkbench();
  const client = useQueryClient();
  const [typed, setTyped] = useState('');
  const [kind, setKind] = useState('');
  const [report, setReport] = useState<CatalogueReport | null>(null);
  const found = useQuery({
    queryKey: ['catalogue', typed, kind],
    queryFn: () => api.catalogue(typed, kind),
    placeholderData: keepPreviousData,
  });
  const again = () => client.invalidateQueries({ queryKey: ['catalogue'] });

  const take = async (row: CatalogueRow) => {
    const { item } = await api.newItem(state.id, { kind: 'catalogue', part_number: row.part_number });
    await put('stock', item as unknown as Stock, `Take ${row.name} from the catalogue`);
    pick('stock', item.id);
    open(null);
  };
  const bringIn = async (file: File) => {
    setReport(await api.takeStock(await file.text()));
    await again();
  };
  const own = items('stock').find(({ id }) => picked?.list === 'stock' && picked.id === id);
  const addOwn = async (stock: Stock) => {
    await api.keepStock(state.id, { stock: stock.id });
    setTyped(stock.part_number ?? stock.id);
    await again();
  };

  return (
    <>
      <div className="d-flex gap-2 mb-2">
        <Form.Control
          type="search"
          size="sm"
          autoFocus
          placeholder="10305 12x1.5 · 316L 28 · NPS 2 Sch 40 · 2SN 10 · battery 50"
          aria-label="Find stock"
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
        />
        <Form.Select
          size="sm"
          className="w-auto"
          aria-label="Kind of stock"
          value={kind}
          onChange={(event) => setKind(event.target.value)}
        >
          {KINDS.map((one) => (
            <option key={one} value={one}>
              {one === '' ? 'every kind' : one}
            </option>
          ))}
        </Form.Select>
      </div>
      {found.isError && <p className="text-danger">{found.error.message}</p>}
      {found.isPending && <p className="quiet">Opening the catalogue…</p>}
      {found.data !== undefined && (
        <>
          <p className="quiet mb-1" role="status">
            {found.data.found} of {found.data.all} sizes
            {found.data.found > found.data.rows.length ? `; the first ${found.data.rows.length} are shown` : ''}
          </p>
          <table className="table-plain catalogue-table">
            <thead>
              <tr>
                <th scope="col">Part number</th>
                <th scope="col">Name</th>
                <th scope="col">Standard</th>
                <th scope="col">OD, {units().word}</th>
                <th scope="col">Wall</th>
                <th scope="col">R</th>
                <th scope="col">Least R</th>
                <th scope="col">
                  <span className="visually-hidden">Take it</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {found.data.rows.map((row) => (
                <tr key={row.part_number}>
                  <td className="mono">{row.part_number}</td>
                  <td>{row.name}</td>
                  <td>{row.own ? 'own' : row.standard}</td>
                  <td>{lengthEven(row.od, 2)}</td>
                  <td>{row.wall === 0 ? 'solid' : lengthEven(row.wall, 2)}</td>
                  <td>{lengthEven(row.radius, 0)}</td>
                  <td>{lengthEven(row.min_radius)}</td>
                  <td>
                    <Button onClick={() => tell(take(row))}>Take it</Button>
                    {row.own === true && row.id !== undefined && (
                      <Button onClick={() => tell(api.dropStock(row.id ?? 0).then(again))}>Delete</Button>
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          {found.data.rows.length === 0 && <p className="quiet">Nothing has all of these words. Fewer find more.</p>}
        </>
      )}
      <div className="d-flex gap-2 mt-3 align-items-center">
        <FileButton label="Catalogue as CSV" accept=".csv,.txt" onFile={(file) => tell(bringIn(file))}>
          Bring in a CSV…
        </FileButton>
        <Button href={files.catalogue(true)} download>
          Save your own as CSV
        </Button>
        <Button href={files.catalogue(false)} download>
          Save all as CSV
        </Button>
        {own !== undefined && (
          <Button onClick={() => tell(addOwn(own))}>{`Add “${own.name ?? own.id}” of this job`}</Button>
        )}
      </div>
      {report !== null && <Report report={report} />}
    </>
  );
}

function Report({ report }: { report: CatalogueReport }) {
  return (
    <div className="mt-2" role="status">
      <strong>
        {report.taken} taken, {report.refused.length} refused
      </strong>
      <ul>
        {report.refused.map(({ line, text, why }) => (
          <li key={`${line} ${text}`}>
            {line > 0 ? `Line ${line}: ` : ''}
            {why} <span className="quiet mono">{text}</span>
          </li>
        ))}
      </ul>
    </div>
  );
}
