import { Trash2 } from 'lucide-react';
import { type ClipboardEvent, type KeyboardEvent, useEffect, useRef, useState } from 'react';
import { api } from '../api/client';
import type { Harness, PastedWires, SolvedWire, Wire } from '../api/types';
import { Field } from '../job/Field';
import { length } from '../job/format';
import { NumberField } from '../job/NumberField';
import { tell } from '../job/tell';
import { units } from '../job/units';
import { useJob } from '../job/useJob';
import { useWires } from '../job/wires';
import { Button } from '../ui/Button';
import { FileButton } from '../ui/FileButton';
import { IconButton } from '../ui/IconButton';
import { stepBetweenCells } from '../ui/stepBetweenCells';
import { usePointedWire } from './usePointedWire';
import { WireReport } from './WireReport';

/** The cells of a wire that are typed. */
const CELLS = [
  ['from', 'From', 'panel.X1.1'],
  ['to', 'To', 'pump.M.1'],
] as const;

const WORDS = [
  ['signal', 'Signal'],
  ['colour', 'Colour'],
  ['class', 'Class'],
] as const;

/** The wires of the picked harness: a row a wire, typed, pasted, or begun in the last row. */
export function WireTable({ harness }: { harness: Harness }) {
  const { state, harnesses, item, items, put } = useJob();
  const { followed, follow } = useWires();
  const body = useRef<HTMLTableSectionElement>(null);
  const [pasted, setPasted] = useState<PastedWires | null>(null);
  const wires = harness.wires ?? [];
  const solved = harnesses.find((one) => one.id === harness.id);
  const stocks = items('stock').filter((stock) => stock.kind !== 'bundle');
  const broken = new Set(solved?.findings.flatMap(({ wire }) => (wire === null ? [] : [wire])));
  useEffect(() => () => follow(null), [follow]);

  const keep = (next: readonly Wire[], name: string) => put('harnesses', { ...harness, wires: [...next] }, name);
  const change = (wire: Wire, changed: Partial<Wire>) =>
    keep(
      wires.map((one) => (one.id === wire.id ? { ...one, ...changed } : one)),
      `Change ${wire.id}`,
    );
  const enterVia = async (wire: Wire, typed: string) => {
    const runs = items('runs');
    const via = typed
      .split(/[,;]+/)
      .map((one) => one.trim())
      .filter((one) => one !== '')
      .map((one) => runs.find((run) => run.id === one || (run.name ?? run.id) === one)?.id ?? one);
    await change(wire, { via: via.length === 0 ? undefined : via });
  };
  const onPaste = (event: ClipboardEvent) => {
    const text = event.clipboardData.getData('text/plain');
    if (/[\t\n;]/.test(text.trim())) {
      event.preventDefault();
      tell(api.pastedWires(state.id, harness.id, text).then(setPasted));
    }
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (stepBetweenCells(body.current, event)) {
      event.preventDefault();
      event.stopPropagation();
    }
  };
  const nameOf = (run: string) => item('runs', run)?.name ?? run;

  return (
    <div className="wire-table">
      <table className="table-plain">
        <thead>
          <tr>
            <th scope="col">Wire</th>
            <th scope="col">From</th>
            <th scope="col">To</th>
            <th scope="col" className="text-end">
              Length
            </th>
            <th scope="col" className="text-end">
              Cut, {units().word}
            </th>
            <th scope="col">Longest</th>
            <th scope="col">Made to</th>
            <th scope="col">As long as</th>
            <th scope="col">Stock</th>
            <th scope="col">In</th>
            <th scope="col">Core</th>
            <th scope="col">Signal</th>
            <th scope="col">Colour</th>
            <th scope="col">Class</th>
            <th scope="col">By way of</th>
            <th scope="col">Way</th>
            <th scope="col">
              <span className="visually-hidden">Take out</span>
            </th>
          </tr>
        </thead>
        <tbody ref={body} onKeyDown={onKeyDown} onPaste={onPaste} onMouseLeave={() => follow(null)}>
          {wires.map((wire) => {
            const laid = solved?.wires.find((one) => one.id === wire.id);
            const isBroken = broken.has(wire.id);
            return (
              <tr
                key={wire.id}
                aria-label={wire.id}
                className={`${followed === wire.id ? 'followed' : ''}${isBroken ? ' broken' : ''}`}
                onMouseEnter={() => follow(wire.id)}
                onFocus={() => follow(wire.id)}
              >
                <td>
                  <Field
                    inTable
                    kind="text"
                    label={`${wire.id}: name`}
                    text={wire.id}
                    onEnter={(id) => change(wire, { id: id.trim() })}
                  />
                </td>
                {CELLS.map(([key, words]) => (
                  <td key={key}>
                    <Field
                      inTable
                      kind="text"
                      label={`${wire.id}: ${words.toLowerCase()}`}
                      text={wire[key]}
                      onEnter={(typed) => change(wire, { [key]: typed.trim() })}
                    />
                  </td>
                ))}
                <td className="number">{laid?.length == null ? 'no way' : length(laid.length)}</td>
                <td className="number" title={laid === undefined ? undefined : partsOf(laid)}>
                  {laid?.cut_length == null ? '–' : length(laid.cut_length)}
                </td>
                <td className="short">
                  <NumberField
                    inTable
                    label={`${wire.id}: longest`}
                    unit=""
                    value={wire.length?.at_most}
                    placeholder="any"
                    onChange={(most) => change(wire, { length: { ...wire.length, at_most: most } })}
                  />
                </td>
                <td className="short">
                  <NumberField
                    inTable
                    label={`${wire.id}: made to`}
                    unit=""
                    value={wire.length?.is}
                    placeholder="–"
                    onChange={(is) => change(wire, { length: { ...wire.length, is } })}
                  />
                </td>
                <td className="short">
                  <Field
                    inTable
                    kind="text"
                    label={`${wire.id}: as long as`}
                    placeholder="–"
                    text={pairInWords(wire)}
                    onEnter={(typed) => change(wire, { length: { ...wire.length, ...pairOf(typed) } })}
                  />
                </td>
                <td>
                  <select
                    className="form-select form-select-sm"
                    aria-label={`${wire.id}: stock`}
                    value={wire.stock}
                    onChange={(event) => tell(change(wire, { stock: event.target.value }))}
                  >
                    {stocks.map((stock) => (
                      <option key={stock.id} value={stock.id}>
                        {stock.name ?? stock.id}
                      </option>
                    ))}
                  </select>
                </td>
                <td>
                  <select
                    className="form-select form-select-sm short"
                    aria-label={`${wire.id}: in a cable or a pair`}
                    value={wire.cable ?? wire.pair ?? ''}
                    onChange={({ target: { value } }) =>
                      tell(
                        change(wire, {
                          cable: harness.cables?.some(({ id }) => id === value) ? value : undefined,
                          core: undefined,
                          pair: harness.pairs?.some(({ id }) => id === value) ? value : undefined,
                        }),
                      )
                    }
                  >
                    <option value=""> </option>
                    {[...(harness.cables ?? []), ...(harness.pairs ?? [])].map(({ id }) => (
                      <option key={id}>{id}</option>
                    ))}
                  </select>
                </td>
                <td className="short">
                  {wire.cable !== undefined && (
                    <Field
                      inTable
                      kind="text"
                      label={`${wire.id}: core`}
                      text={wire.core ?? ''}
                      onEnter={(typed) => change(wire, { core: typed.trim() === '' ? undefined : typed.trim() })}
                    />
                  )}
                </td>
                {WORDS.map(([key, words]) => (
                  <td key={key}>
                    <Field
                      inTable
                      kind="text"
                      label={`${wire.id}: ${words.toLowerCase()}`}
                      text={wire[key] ?? ''}
                      onEnter={(typed) => change(wire, { [key]: typed.trim() === '' ? undefined : typed.trim() })}
                    />
                  </td>
                ))}
                <td>
                  <Field
                    inTable
                    kind="text"
                    label={`${wire.id}: by way of`}
                    text={(wire.via ?? []).map(nameOf).join(', ')}
                    onEnter={(typed) => enterVia(wire, typed)}
                  />
                </td>
                <td className="quiet way">{[...new Set(laid?.ways.map((way) => nameOf(way.run)))].join(', ')}</td>
                <td>
                  <IconButton
                    icon={Trash2}
                    name={`Take out ${wire.id}`}
                    onClick={() =>
                      tell(
                        keep(
                          wires.filter((one) => one.id !== wire.id),
                          `Take out ${wire.id}`,
                        ),
                      )
                    }
                  />
                </td>
              </tr>
            );
          })}
          <NewWire
            harness={harness}
            onAdd={(wire) => keep([...wires, wire], `Add ${wire.id}`)}
            onRead={(text) => tell(api.pastedWires(state.id, harness.id, text).then(setPasted))}
          />
        </tbody>
      </table>
      {pasted !== null && (
        <WireReport
          rows={pasted}
          onPut={() => {
            setPasted(null);
            tell(keep([...wires, ...pasted.wires], `Paste ${pasted.wires.length} wires`));
          }}
          onClose={() => setPasted(null)}
        />
      )}
    </div>
  );
}

/** The wire that another is as long as, with the tolerance: "W3 ± 5". */
const pairInWords = ({ length: told }: Wire) => {
  const wire = told?.same_as ?? '';
  return wire === '' || told?.tolerance === undefined ? wire : `${wire} ± ${told.tolerance}`;
};

/** Reads "W3", "W3 ± 5" or "W3 +- 5"; nothing lets go. */
const pairOf = (typed: string) => {
  const [wire = '', tolerance = ''] = typed.split(/±|\+-/).map((part) => part.trim());
  return { same_as: wire === '' ? undefined : wire, tolerance: tolerance === '' ? undefined : tolerance };
};

/** What the cut length of a wire is made of. */
const partsOf = ({ ways, lead_offs: leads, twist, allowances }: SolvedWire) => {
  const along = ways.reduce((sum, way) => sum + Math.abs(way.to - way.from), 0);
  const ends = allowances.reduce((sum, end) => sum + end.strip + end.crimp + end.loop, 0);
  return [
    `${length(along)} along trunks`,
    twist > 0 ? `${length(twist)} by twisting` : '',
    leads.some((one) => one > 0) ? `${leads.map((one) => length(one)).join(' and ')} led off` : '',
    ends > 0 ? `${length(ends)} for its ends` : '',
  ]
    .filter((one) => one !== '')
    .join(', ');
};

interface NewProps {
  harness: Harness;
  onAdd: (wire: Wire) => Promise<void>;
  /** Rows of a file. */
  onRead: (text: string) => void;
}

/** The last row, in which a wire is begun: it is added once its name and both ends are there. */
function NewWire({ harness, onAdd, onRead }: NewProps) {
  const { state } = useJob();
  const point = usePointedWire(harness, onAdd);
  const [cells, setCells] = useState({ id: '', from: '', to: '' });
  const row = useRef<HTMLTableRowElement>(null);
  const enter = (key: keyof typeof cells) => async (typed: string) => {
    const next = { ...cells, [key]: typed.trim() };
    setCells(next);
    if (next.id === '' || next.from === '' || next.to === '') {
      return;
    }
    const { wires, refused } = await api.pastedWires(state.id, harness.id, `${next.id}\t${next.from}\t${next.to}`);
    const [wire] = wires;
    if (wire === undefined) {
      throw new Error(refused[0]?.why ?? 'This row cannot be read.');
    }
    await onAdd(wire);
    setCells({ id: '', from: '', to: '' });
    row.current?.querySelector('input')?.focus();
  };
  return (
    <tr ref={row} className="new-wire" aria-label="New wire">
      <td>
        <Field inTable kind="text" label="New wire: name" placeholder="W1" text={cells.id} onEnter={enter('id')} />
      </td>
      {CELLS.map(([key, words, example]) => (
        <td key={key}>
          <Field
            inTable
            kind="text"
            label={`New wire: ${words.toLowerCase()}`}
            placeholder={example}
            text={cells[key]}
            onEnter={enter(key)}
          />
        </td>
      ))}
      <td colSpan={14} className="quiet">
        <Button title="Point at both connectors in the view" onClick={point}>
          Point at both ends
        </Button>{' '}
        <FileButton
          label="Wires from a file"
          accept=".csv,.tsv,.txt,text/csv"
          onFile={(file) => tell(file.text().then(onRead))}
        >
          Read a file
        </FileButton>{' '}
        Or type a wire, or paste rows here: wire, from, to, stock, signal, colour, class.
      </td>
    </tr>
  );
}
