import { useNavigate } from 'react-router';
import { time } from '../job/format';
import { type Stage, stages, useWorkbench } from '../job/store';
import { useClearances } from '../job/useClearances';
import { useJob } from '../job/useJob';
import { OthersHere } from '../people/OthersHere';
import { PersonMenu } from '../people/PersonMenu';
import { JobMenu } from './JobMenu';
import { StepsMenu } from './StepsMenu';
import { UnitsMenu } from './UnitsMenu';

const NAMES: Record<Stage, string> = { place: 'Place', lay: 'Lay', check: 'Check', make: 'Make' };

/** Job name, stages in the order of the work, and the state of saving. */
export function TopBar({ stage }: { stage: Stage }) {
  const { state, saving } = useJob();
  const navigate = useNavigate();
  const { open: openPanel, away } = useWorkbench();
  const near = useClearances().found?.filter(({ waived }) => waived === null) ?? [];
  const findings = [...state.solutions.flatMap((run) => run.findings.filter(({ waived }) => waived === null)), ...near];
  const ready = state.solutions.filter((run) => run.status !== 'violation').length;
  const open: Record<Stage, { count: number; word: string; bad?: boolean }> = {
    place: {
      count: state.places.filter(({ list, ports }) => list === 'fittings' && ports.length === 0).length,
      word: 'fittings without a port',
    },
    lay: { count: state.solutions.length - ready, word: 'runs that cannot be built yet', bad: true },
    check: {
      count: findings.length,
      word: 'findings',
      bad: findings.some((finding) => finding.severity === 'violation'),
    },
    make: { count: ready, word: 'runs ready to make' },
  };
  return (
    <header className="topbar">
      <span className="wordmark">Bowline</span>
      <JobMenu />
      <nav className="stages" aria-label="Stages">
        {stages.map((name) => (
          <button
            key={name}
            type="button"
            aria-current={name === stage ? 'step' : undefined}
            onClick={() => navigate(`/jobs/${state.id}/${name}`)}
          >
            {NAMES[name]}
            {open[name].count > 0 && (
              <span
                className={`count ${open[name].bad ? 'bad' : 'plain'}`}
                title={`${open[name].count} ${open[name].word}`}
              >
                {open[name].count}
                <span className="visually-hidden"> {open[name].word}</span>
              </span>
            )}
          </button>
        ))}
      </nav>
      <span className="spacer" />
      <button type="button" className="find-button" onClick={() => openPanel('find')}>
        <span>Find anything</span>
        <kbd>Ctrl K</kbd>
      </button>
      <OthersHere />
      <StepsMenu />
      <button type="button" className="top-button" title="Keys of this stage (?)" onClick={() => openPanel('keys')}>
        ?<span className="visually-hidden"> keys of this stage</span>
      </button>
      <UnitsMenu />
      <PersonMenu />
      <span className="saved mono" role="status">
        {away ? 'not saved' : saving ? 'saving…' : `saved ${time(state.saved_at)}`}
      </span>
    </header>
  );
}
