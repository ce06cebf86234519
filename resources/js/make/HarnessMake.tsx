import { useState } from 'react';
import { files } from '../api/client';
import type { Harness } from '../api/types';
import { NumberField } from '../job/NumberField';
import { useJob } from '../job/useJob';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { Row, Section } from '../ui/Section';
import { HarnessTester } from './HarnessTester';
import { SaveButton } from './SaveButton';
import { Takeaway } from './Takeaway';

const LISTS = [
  ['wires', 'Wire list'],
  ['bundles', 'Bundle list'],
  ['cuts', 'Cut list'],
  ['connectors', 'Connector tables'],
  ['covers', 'Cover list'],
  ['labels', 'Labels'],
  ['continuity', 'Continuity list'],
] as const;

const PAPERS = [
  ['a4', 'A4 tiles'],
  ['a3', 'A3 tiles'],
  ['letter', 'letter tiles'],
  ['one', 'one sheet'],
] as const;

/** The lists by which a harness is made, and the board that it is made on. */
export function HarnessMake({ harness }: { harness: Harness }) {
  const { state, item, put } = useJob();
  const [paper, setPaper] = useState('a4');
  const [wrong, setWrong] = useState<readonly string[]>([]);
  const board = harness.board ?? {};
  const change = (changed: Partial<NonNullable<Harness['board']>>) =>
    put('harnesses', { ...harness, board: { ...board, ...changed } }, 'Change the board');
  const turn = (run: string, angle: number | string) =>
    change({ angles: [...(board.angles ?? []).filter((one) => one.run !== run), { run, angle }] });
  const solved = state.harnesses.find((one) => one.id === harness.id);
  const broken = solved?.findings.some((one) => one.severity === 'violation') === true;
  return (
    <>
      <h2>{harness.name ?? harness.id}</h2>
      <p className="under">harness, {harness.wires?.length ?? 0} wires</p>
      {broken && <p className="text-danger">Something of it cannot be made yet. See Check.</p>}
      <Section title="Lists">
        {LISTS.map(([list, words]) => (
          <Row key={list} label={words}>
            <span className="d-flex gap-1">
              <Takeaway path={files.wireList(state.id, harness.id, list)} label={words.toLowerCase()} />
              <Button
                title={`Save the ${words.toLowerCase()} as PDF`}
                href={files.wireList(state.id, harness.id, list, 'pdf')}
                download
              >
                PDF
              </Button>
            </span>
          </Row>
        ))}
      </Section>
      <Section title="Board">
        <a href={files.boardPicture(state.id, harness.id, state.revision, wrong)} target="_blank" rel="noreferrer">
          <img
            className="board"
            src={files.boardPicture(state.id, harness.id, state.revision, wrong)}
            alt={`The board of ${harness.name ?? harness.id}, laid flat: open it at full size`}
          />
        </a>
        <Row label="Room for a straight of">
          <NumberField
            label="Room for a straight of"
            value={board.longest}
            placeholder="any length"
            onChange={(longest) => change({ longest })}
          />
        </Row>
        <Row label="Paper">
          <Choice label="Paper" value={paper} of={PAPERS} onChange={setPaper} />
        </Row>
        <div className="made-list">
          <SaveButton address={files.board(state.id, harness.id, 'pdf', paper)}>Save the board as PDF</SaveButton>
          <Button href={files.board(state.id, harness.id, 'svg')} download>
            SVG
          </Button>
          <Button href={files.board(state.id, harness.id, 'dxf')} download>
            DXF
          </Button>
        </div>
      </Section>
      <HarnessTester key={harness.id} harness={harness} onFound={setWrong} />
      <Section title="Turned on the board, degrees">
        {harness.trunks.map((run) => {
          const name = item('runs', run)?.name ?? run;
          return (
            <Row key={run} label={name}>
              <NumberField
                label={`${name}: turned by`}
                unit="°"
                plain
                value={board.angles?.find((one) => one.run === run)?.angle}
                placeholder="by itself"
                onChange={(angle) => turn(run, angle)}
              />
            </Row>
          );
        })}
      </Section>
    </>
  );
}
