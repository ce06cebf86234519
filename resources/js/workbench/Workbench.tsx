import { lazy, Suspense, useEffect } from 'react';
import { Link, Navigate, useParams } from 'react-router';
import { api, Refused } from '../api/client';
import type { JobState } from '../api/types';
import { BoardStage } from '../board/BoardStage';
import { useLaying } from '../job/laying';
import { usePieces } from '../job/pieces';
import { usePointing } from '../job/pointing';
import { type Stage, stages, useWorkbench } from '../job/store';
import { JobContext, useJob, useJobAccess, useJobQuery } from '../job/useJob';
import { useWays } from '../job/ways';
import { Locker } from '../locker/Locker';
import { Strip } from '../strip/Strip';
import { Button } from '../ui/Button';
import { FullState } from '../ui/FullState';
import { regrid } from '../view/camera';
import { ActionKeys } from './ActionKeys';
import { Away } from './Away';
import { CardPanel } from './CardPanel';
import { Dialogs } from './Dialogs';
import { Find } from './Find';
import { FirstSteps } from './FirstSteps';
import { KeysHelp } from './KeysHelp';
import { Notice } from './Notice';
import { Reading } from './Reading';
import { TopBar } from './TopBar';

// Requested together with the job, but not part of the first script: it is more than half of the code.
const loading = import('../view/View');
const View = lazy(async () => ({ default: (await loading).View }));

/** The screen on which a job is edited: stages above, locker, view, strip and card. */
export function Workbench() {
  const { job, stage } = useParams();
  const id = Number(job);
  const query = useJobQuery(id);
  if (!stages.includes(stage as Stage)) {
    return <Navigate to={`/jobs/${id}/lay`} replace />;
  }
  if (query.isPending) {
    return <FullState title="Opening the job…" />;
  }
  if (query.isError) {
    const gone = query.error instanceof Refused && query.error.status === 404;
    return (
      <FullState title={gone ? 'This job is not there' : 'The job cannot be opened'} text={query.error.message}>
        {gone ? <Link to="/jobs">To the jobs</Link> : <Button onClick={() => void query.refetch()}>Try again</Button>}
      </FullState>
    );
  }
  return <Opened key={id} state={query.data} stage={stage as Stage} />;
}

function Opened({ state, stage }: { state: JobState; stage: Stage }) {
  const access = useJobAccess(state);
  useEffect(() => {
    void api.opened(state.id).catch(() => undefined);
    return () => {
      useLaying.getState().stop();
      usePieces.getState().stop();
      useWays.getState().stop();
      usePointing.getState().ask(null);
      useWorkbench.getState().showAll();
    };
  }, [state.id]);
  useEffect(() => {
    if (stage !== 'lay') {
      useWorkbench.getState().setTrying(null);
      useLaying.getState().stop();
      usePieces.getState().stop();
    }
    usePointing.getState().ask(null);
  }, [stage]);

  useEffect(() => {
    document.title = `${state.job.name ?? 'Job'} · Bowline`;
  }, [state.job.name]);

  // biome-ignore lint/correctness/useExhaustiveDependencies: these two are what the grid follows from
  useEffect(regrid, [state.job.show_units, state.job.show_fraction]);

  // The selection is checked only when the job changes, because a new item is selected before it arrives.
  useEffect(() => {
    const { picked, pick, unpick } = useWorkbench.getState();
    if (picked !== null && state.job[picked.list]?.some((item) => item.id === picked.id)) {
      return;
    }
    // A job opens with its worst run selected.
    const worst = state.solutions.find((run) => run.status === 'violation') ?? state.solutions[0];
    if (worst !== undefined) {
      pick('runs', worst.id);
    } else if (picked !== null) {
      unpick();
    }
  }, [state]);

  return (
    <JobContext value={access}>
      <div className={`workbench${stage === 'make' ? ' wide-card' : ''}`}>
        <TopBar stage={stage} />
        <Locker stage={stage} />
        <Suspense fallback={<section className="view" aria-label="View" aria-busy="true" />}>
          <View stage={stage} />
        </Suspense>
        {stage === 'make' && <PickedBoard />}
        <Strip />
        <CardPanel stage={stage} />
        <FirstSteps />
        <Notice />
        <Reading />
        <Away />
        <Find stage={stage} />
        <KeysHelp stage={stage} />
        <Dialogs />
        <ActionKeys stage={stage} />
      </div>
    </JobContext>
  );
}

/** The board of the harness that is picked, over the view. */
function PickedBoard() {
  const { item } = useJob();
  const picked = useWorkbench((store) => store.picked);
  const harness = picked?.list === 'harnesses' ? item('harnesses', picked.id) : undefined;
  return harness === undefined ? null : <BoardStage key={harness.id} harness={harness} />;
}
