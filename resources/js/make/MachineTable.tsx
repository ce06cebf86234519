import { ArrowUp } from 'lucide-react';
import { useState } from 'react';
import { api, files } from '../api/client';
import type { Run } from '../api/types';
import { type MachineColumn, type MachineKind, usePreferences } from '../job/preferences';
import { tell } from '../job/tell';
import { freshId, useJob } from '../job/useJob';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { FileButton } from '../ui/FileButton';
import { IconButton } from '../ui/IconButton';
import { Row, Section } from '../ui/Section';

/** What stands in each column. */
const WORDS: Readonly<Record<string, string>> = {
  vertex: 'number of the corner',
  x: 'x',
  y: 'y',
  z: 'z',
  radius: 'radius of the bend',
  bend: 'number of the bend',
  straight: 'length to the bend',
  rotation: 'rotation',
  angle: 'angle',
  set_angle: 'angle that is set',
  mark: 'bend starts at',
};

/** The table that the shop's own bender reads: its columns chosen, named, put in order, saved, and brought in. */
export function MachineTable({ run, spool }: { run: Run; spool: string | undefined }) {
  const { state, items, put } = useJob();
  const [kind, setKind] = useState<MachineKind>('lra');
  const columns = usePreferences((store) => store.machineColumns[kind]);
  const keep = usePreferences((store) => store.keepMachineColumns);
  const [remarks, setRemarks] = useState<readonly string[]>([]);
  const [fault, setFault] = useState<string | null>(null);
  const chosen = columns.filter(({ shown }) => shown).map(({ column, name }) => ({ column, name }));
  const change = (column: string, changed: Partial<MachineColumn>) =>
    keep(
      kind,
      columns.map((one) => (one.column === column ? { ...one, ...changed } : one)),
    );
  const raise = (index: number) =>
    keep(kind, [
      ...columns.slice(0, index - 1),
      ...columns.slice(index, index + 1),
      ...columns.slice(index - 1, index),
      ...columns.slice(index + 1),
    ]);
  const bringIn = async (file: File) => {
    setFault(null);
    setRemarks([]);
    try {
      const { routes, remarks: said } = await api.lines(state.id, await file.text(), false, { kind, columns: chosen });
      setRemarks(said);
      const [route] = routes;
      if (route !== undefined) {
        const name = file.name.replace(/\.(csv|txt)$/i, '').slice(0, 150);
        const id = freshId(items('runs'), name);
        await put('runs', { ...route, id, name, stock: run.stock } as unknown as Run, `Bring in ${file.name}`);
      }
    } catch (reason) {
      setFault(reason instanceof Error ? reason.message : String(reason));
    }
  };
  return (
    <Section title="Table of your bender">
      <Row label="Table" wide>
        <Choice
          label="Kind of table"
          value={kind}
          of={[
            ['lra', 'LRA: length, rotation, angle'],
            ['xyz', 'XYZ: corners'],
          ]}
          onChange={(value) => setKind(value === 'xyz' ? 'xyz' : 'lra')}
        />
      </Row>
      <ul className="machine-columns" aria-label="Columns in their order">
        {columns.map(({ column, name, shown }, index) => (
          <li key={column}>
            <label>
              <input
                type="checkbox"
                checked={shown}
                onChange={(event) => change(column, { shown: event.target.checked })}
              />{' '}
              {WORDS[column] ?? column}
            </label>
            <input
              className="form-control form-control-sm"
              aria-label={`Heading of ${WORDS[column] ?? column}`}
              value={name}
              maxLength={60}
              onChange={(event) => change(column, { name: event.target.value })}
            />
            <IconButton
              icon={ArrowUp}
              name={`Put ${WORDS[column] ?? column} further ahead`}
              disabled={index === 0}
              onClick={() => raise(index)}
            />
          </li>
        ))}
      </ul>
      {fault !== null && (
        <p className="text-danger mb-1" role="alert">
          {fault}
        </p>
      )}
      {remarks.map((remark) => (
        <p key={remark} className="quiet mb-1">
          {remark}
        </p>
      ))}
      <div className="made-list">
        <Button
          href={files.machineTable(state.id, run.id, kind, chosen, spool)}
          download
          disabled={chosen.length === 0}
        >
          Save it as CSV
        </Button>
        <FileButton label="Table of a bender" accept=".csv,.txt" onFile={(file) => tell(bringIn(file))}>
          Bring one in as a run…
        </FileButton>
      </div>
    </Section>
  );
}
