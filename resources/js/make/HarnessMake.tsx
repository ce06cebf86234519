import { useState } from 'react';
import { api, files } from '../api/client';
import type { Board, Harness } from '../api/types';
import { NumberField } from '../job/NumberField';
import { tell } from '../job/tell';
import { turnedOn, useBoard } from '../job/useBoard';
import { useJob } from '../job/useJob';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { Row, Section } from '../ui/Section';
import { HarnessTester } from './HarnessTester';
import { ListDialog } from './ListDialog';
import { SaveButton } from './SaveButton';
import { Takeaway } from './Takeaway';

const LISTS = [
  ['wires', 'Wire list'],
  ['bundles', 'Bundle list'],
  ['cuts', 'Cut list'],
  ['parts', 'Bill of materials'],
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
  const [shown, setShown] = useState<readonly [string, string] | null>(null);
  const board = useBoard(harness);
  const solved = state.harnesses.find((one) => one.id === harness.id);
  const broken = solved?.findings.some((one) => one.severity === 'violation') === true;
  return (
    <>
      <h2>{harness.name ?? harness.id}</h2>
      <p className="under">harness, {harness.wires?.length ?? 0} wires</p>
      {broken && <p className="text-danger">Something of it cannot be made yet. See Check.</p>}
      <Section title="Lists">
        {LISTS.map(([list, words]) => (
          <div key={list} className="list-row">
            <Button look="link" title={`Show the ${words.toLowerCase()}`} onClick={() => setShown([list, words])}>
              {words}
            </Button>
            <Takeaway path={files.wireList(state.id, harness.id, list)} label={words.toLowerCase()} />
            <Button
              title={`Save the ${words.toLowerCase()} as PDF`}
              href={files.wireList(state.id, harness.id, list, 'pdf')}
              download
            >
              PDF
            </Button>
          </div>
        ))}
      </Section>
      {shown !== null && (
        <ListDialog
          title={shown[1]}
          of={[harness.id, shown[0]]}
          load={() => api.harnessList(state.id, harness.id, shown[0])}
          csv={files.wireList(state.id, harness.id, shown[0])}
          pdf={files.wireList(state.id, harness.id, shown[0], 'pdf')}
          onClose={() => setShown(null)}
        />
      )}
      <Section title="Board">
        {board.data !== undefined && <BuiltSo harness={harness} board={board.data} />}
        <Row label="Room for a straight of">
          <NumberField
            label="Room for a straight of"
            value={harness.board?.longest}
            placeholder="any length"
            onChange={(longest) =>
              put('harnesses', { ...harness, board: { ...harness.board, longest } }, 'Change the board')
            }
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
      <HarnessTester key={harness.id} harness={harness} />
      <Section title="Turned on the board">
        {board.data?.turns.length === 0 && <p className="quiet mb-0">Nothing branches off.</p>}
        {board.data?.turns.map((turn) => {
          const trunk = item('runs', turn.run)?.name ?? turn.run;
          const name = turn.towards === null ? trunk : `${trunk}, to its ${turn.towards}`;
          const told = harness.board?.angles?.find(
            (one) => one.run === turn.run && (one.towards ?? turn.towards) === turn.towards,
          );
          return (
            <div key={`${turn.run} ${turn.towards}`}>
              <Row label={name}>
                <NumberField
                  label={`${name}: turned by`}
                  unit="°"
                  plain
                  value={told?.angle}
                  placeholder={`${Math.round(turn.angle)} by itself`}
                  onChange={(angle) => put('harnesses', turnedOn(harness, turn, angle), `Turn ${name} on the board`)}
                />
              </Row>
              {turn.in_way !== null && (
                <p className="text-warning-emphasis mb-1">
                  No room there: {turn.in_way} is in the way. It lies at {Math.round(turn.angle)}°.
                </p>
              )}
            </div>
          );
        })}
      </Section>
    </>
  );
}

/** What differs from the board that was built, and the note that it is built as it is now. */
function BuiltSo({ harness, board: { changes, is_built: isBuilt, now } }: { harness: Harness; board: Board }) {
  const { put } = useJob();
  return (
    <>
      {isBuilt && changes.length === 0 && <p className="quiet mb-1">Nothing has changed since the board was built.</p>}
      {changes.length > 0 && (
        <>
          <p className="mb-1">Changed since the board was built, and marked on it:</p>
          <ul className="mb-2" aria-label="Changed since the board was built">
            {changes.map((words) => (
              <li key={words} className="text-warning-emphasis">
                {words}
              </li>
            ))}
          </ul>
        </>
      )}
      {(!isBuilt || changes.length > 0) && (
        <div className="made-list">
          <Button
            title="What changes afterwards is marked on the board"
            onClick={() =>
              tell(put('harnesses', { ...harness, board: { ...harness.board, built: now } }, 'Note the board as built'))
            }
          >
            The board is built like this
          </Button>
        </div>
      )}
    </>
  );
}
