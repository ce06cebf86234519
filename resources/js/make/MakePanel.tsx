import { useState } from 'react';
import { CHORD, files } from '../api/client';
import { blocksOf, channelsIn } from '../job/blocks';
import { statusWord } from '../job/Mark';
import { NumberField } from '../job/NumberField';
import { useWorkbench } from '../job/store';
import { useJob } from '../job/useJob';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { Row, Section } from '../ui/Section';
import { AlongIt } from './AlongIt';
import { BenderVerdicts } from './BenderVerdicts';
import { BendMarks } from './BendMarks';
import { BendSheetSection } from './BendSheetSection';
import { BendTable } from './BendTable';
import { BlockMake } from './BlockMake';
import { BodyFiles } from './BodyFiles';
import { BodyWeight, JobWeight, JoinedWeight } from './BodyWeight';
import { BenchSection } from './bench/BenchSection';
import { CutLength } from './CutLength';
import { CutTable } from './CutTable';
import { DrawingDialog } from './DrawingDialog';
import { Fineness } from './Fineness';
import { HarnessMake } from './HarnessMake';
import { JobLists } from './JobLists';
import { MachineTable } from './MachineTable';
import { PackDialog } from './PackDialog';
import { Takeaway } from './Takeaway';
import { TrunkMake } from './TrunkMake';
import { VertexTable } from './VertexTable';

/** The downloads: tables and body of the selected run, bodies and file of the job. */
export function MakePanel() {
  const { state, item, items, solution, put } = useJob();
  const open = useWorkbench((store) => store.open);
  const picked = useWorkbench((store) => store.picked);
  const id = picked?.list === 'runs' ? picked.id : undefined;
  const run = id === undefined ? undefined : item('runs', id);
  const solved = id === undefined ? undefined : solution(id);
  const [chosen, setMark] = useState<string>();
  const [chord, setChord] = useState(CHORD);
  const [isDrawing, setIsDrawing] = useState(false);
  const [isPacking, setIsPacking] = useState(false);
  const isMade = run !== undefined && solved !== undefined && solved.unsolved !== true;
  const stock = run === undefined ? undefined : item('stock', run.stock);
  const isTrunk = stock?.kind === 'bundle';
  // Made as a part by itself: no channel in a block, and no trunk, which is the wires in it.
  const isPart = run?.body === undefined && !isTrunk;
  const spool = solved?.spools.find((one) => one.mark === chosen);
  const mark = spool?.mark;
  // Nothing is marked on a run that is made of spools, but on each of them.
  const tube = solved?.spools.length === 0 ? solved : spool;
  const joined = state.job.bodies?.find(({ runs }) => id !== undefined && runs.includes(id));
  const cuts = (spool ?? solved)?.cut_list ?? null;
  // What is bent on a bender, and not made with elbows.
  const isOfBends = solved?.bent === true && cuts === null;
  const hasBends = ((spool ?? solved)?.bends.length ?? 0) > 0;
  // The block of the channel that is picked, or the one that is picked itself.
  const block = blocksOf(items('fittings'), items('surroundings')).find(
    (one) =>
      one.id === run?.body?.in ||
      (one.list === picked?.list && one.id === picked.id && channelsIn(one.id, items('runs')).length > 0),
  );
  const harness = picked?.list === 'harnesses' ? item('harnesses', picked.id) : undefined;
  return (
    <>
      {harness !== undefined ? (
        <HarnessMake harness={harness} />
      ) : run === undefined || solved === undefined ? (
        <>
          <h2>Make</h2>
          <p className="under">Pick a run to see its bend table.</p>
          {block !== undefined && <BlockMake block={block} chord={chord} />}
        </>
      ) : solved.unsolved === true ? (
        <>
          <h2>{run.name ?? run.id}</h2>
          <p className="text-warning-emphasis">It is not worked out yet: what is to be cut and bent will stand here.</p>
        </>
      ) : (
        <>
          <h2>{run.name ?? run.id}</h2>
          <p className="under">
            {stock?.name ?? run.stock} · {statusWord(solved)}
          </p>
          {solved.status === 'violation' && (
            <p className="text-danger">This run breaks a rule; what is drawn is not yet what can be made. See Check.</p>
          )}
          {solved.spools.length > 0 && (
            <Row label="Made of" wide>
              <Choice
                label="Spool"
                value={mark ?? ''}
                of={[
                  ['', `${solved.spools.length} spools, all in one`],
                  ...solved.spools.map((one): [string, string] => [one.mark, one.mark]),
                ]}
                onChange={(value) => setMark(value === '' ? undefined : value)}
              />
            </Row>
          )}
          {isTrunk && <TrunkMake run={run} solved={solved} />}
          {!isPart ? null : cuts === null ? (
            <>
              <Section
                title={solved.bent ? 'Bend table' : hasBends ? 'Lengths and bends' : 'Cut length'}
                tools={<Takeaway path={files.bends(state.id, run.id, mark)} label="bend table" />}
              >
                {solved.bent || hasBends ? (
                  <BendTable run={run} table={spool ?? solved} />
                ) : (
                  <CutLength of={spool ?? solved} />
                )}
              </Section>
              {solved.bent && tube !== undefined && tube.bends.length > 0 && (
                <Section title="Bend marks on the raw tube">
                  <BendMarks of={tube} />
                </Section>
              )}
            </>
          ) : (
            <Section title="Cut list" tools={<Takeaway path={files.cuts(state.id, run.id, mark)} label="cut list" />}>
              <CutTable parts={cuts} pipe={(spool ?? solved).cut_length} />
              <Row label="Gap at each weld">
                <NumberField
                  label="Gap at each weld"
                  value={run.weld_gap}
                  placeholder="2"
                  onChange={(weld_gap) => put('runs', { ...run, weld_gap })}
                />
              </Row>
            </Section>
          )}
          {solved.bent && (
            <Section title="Benders" tools={<Button onClick={() => open('benders')}>Edit them</Button>}>
              <BenderVerdicts run={run} solved={solved} spool={spool} />
            </Section>
          )}
          {isOfBends && tube !== undefined && tube.bends.length > 0 && (
            <BenchSection run={run} spool={mark} key={`${run.id} ${mark}`} />
          )}
          {(spool ?? solved).vertices.length > 0 && (
            <Section
              title="Vertex table"
              tools={<Takeaway path={files.vertices(state.id, run.id, mark)} label="vertex table" />}
            >
              <VertexTable run={run} solved={solved} spool={spool} />
            </Section>
          )}
          {isOfBends && <MachineTable run={run} spool={mark} />}
          {isPart && <BendSheetSection run={run} spool={mark} isOfBends={isOfBends} />}
          <AlongIt solved={solved} />
          {joined !== undefined && (
            <Section title={`One body: ${joined.name ?? joined.id}`}>
              <p className="quiet">
                {joined.runs.map((one) => item('runs', one)?.name ?? one).join(', ')}, their bores open to each other.
              </p>
              <JoinedWeight body={joined.id} />
              <BodyFiles job={state.id} joined={joined} chord={chord} />
            </Section>
          )}
          {block !== undefined && <BlockMake block={block} chord={chord} />}
          <Section title={isPart ? 'Body' : 'Centre line'}>
            {isPart && (
              <>
                <BodyWeight run={run} spool={mark} />
                <Fineness chord={chord} onChange={setChord} run={run} spool={mark} />
                <BodyFiles job={state.id} run={run.id} spool={mark} chord={chord} />
              </>
            )}
            <div className="made-list">
              <Button href={files.centreline(state.id, run.id)} download>
                Save its centre line as DXF
              </Button>
            </div>
          </Section>
        </>
      )}
      <JobLists />
      <Section title="Revisions">
        <div className="made-list">
          <Button onClick={() => open('revisions')}>Issue, open, compare…</Button>
        </div>
      </Section>
      <Section title="The whole job">
        <JobWeight />
        {!isMade && <Fineness chord={chord} onChange={setChord} />}
        <BodyFiles job={state.id} chord={chord} />
        <div className="made-list">
          <Button onClick={() => setIsDrawing(true)}>Look at the arrangement drawing</Button>
          <Button onClick={() => setIsPacking(true)}>All drawings and lists in one…</Button>
          <Button href={files.centrelines(state.id)} download>
            Save all centre lines as DXF
          </Button>
          <Button href={files.job(state)} download>
            Save the job file
          </Button>
        </div>
        {isPacking && <PackDialog onClose={() => setIsPacking(false)} />}
        {isDrawing && <DrawingDialog kind="arrangement" title="Arrangement" onClose={() => setIsDrawing(false)} />}
      </Section>
    </>
  );
}
