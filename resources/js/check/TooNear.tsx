import { useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import { useNavigate } from 'react-router';
import { api } from '../api/client';
import type { ClearanceWork, Edit, Run, SolvedClearance, Waiver } from '../api/types';
import { Waive } from '../card/Waive';
import { Mark } from '../job/Mark';
import { useNearness } from '../job/nearness';
import { useWorkbench } from '../job/store';
import { tell } from '../job/tell';
import { useClearances } from '../job/useClearances';
import { useJob } from '../job/useJob';
import { WorkProgress } from '../job/WorkProgress';
import { useWays } from '../job/ways';
import { Button } from '../ui/Button';

const pairOf = ({ a, b }: SolvedClearance) => `${a.list}/${a.id} ${b.list}/${b.id}`;

/** Whether a run can be laid again: with corners, between two ports. */
const isRigid = (run: Run | undefined): boolean =>
  run?.route.kind === 'corners' && run.from?.port !== undefined && run.to?.port !== undefined;

/** What in the job is too near to each other, those that are not waived first. */
export function TooNear() {
  const mark = useNearness((store) => store.mark);
  const { found: told, work, error, change } = useClearances();
  useEffect(() => () => mark(null), [mark]);
  // What was marked is marked as it is now, or no more once it is cured.
  useEffect(() => {
    const { marked } = useNearness.getState();
    if (marked !== null && told !== undefined) {
      mark(told.find((one) => pairOf(one) === pairOf(marked)) ?? null);
    }
  }, [told, mark]);
  const found = told ?? [];
  const open = found.filter(({ waived }) => waived === null);
  const waived = found.filter((one) => one.waived !== null);
  return (
    <>
      <h2>Between things</h2>
      <p className="under" role="status">
        {error !== null
          ? `This could not be looked at: ${error.message}`
          : work !== null
            ? whileLooking(work.state, told !== undefined)
            : told === undefined
              ? 'Looking at what is near…'
              : open.length === 0
                ? 'Nothing is too near to anything else.'
                : `${open.length} too near${waived.length === 0 ? '' : `, ${waived.length} waived`}`}
      </p>
      {work !== null && <WorkProgress work={work} doing="Looking at what is near…" change={change} />}
      {[...open, ...waived].map((one) => (
        <NearPair key={`${one.title} ${pairOf(one)}`} one={one} />
      ))}
    </>
  );
}

/** What is said while it is looked for on the queue, or is not any more. */
function whileLooking(state: ClearanceWork['state'], isKnownBefore: boolean): string {
  const isEnded = state === 'stopped' || state === 'failed';
  return [
    isEnded ? 'What is too near now is not known.' : 'It is a large job: this takes a while.',
    ...(isKnownBefore ? ['What stands here is from before the last change.'] : []),
  ].join(' ');
}

const NO_CURE = 'No one move of a leg, a corner, a fitting or a clamp cures it';

/** Moves of a leg, a corner, a fitting or a clamp, and swaps of two runs, that cure it; asked for once it is marked. */
function Cures({ one: { a, b } }: { one: SolvedClearance }) {
  const { state, edit } = useJob();
  const { data, error } = useQuery({
    queryKey: ['near cures', state.id, state.revision, a, b],
    queryFn: () => api.nearCures(state.id, a, b),
  });
  const areRuns = a.list === 'runs' && b.list === 'runs';
  if (data === undefined || data.length === 0) {
    return (
      <div className="quiet" role="status">
        {error !== null
          ? `Cures could not be looked for: ${error.message}`
          : data === undefined
            ? 'Looking for a cure…'
            : `${NO_CURE}${areRuns ? ', nor does a swap of both runs' : ''}.`}
      </div>
    );
  }
  return (
    <div className="remedies">
      {data.map(({ items, words }) => (
        <Button
          key={words}
          look="primary"
          onClick={() =>
            tell(
              edit(
                items.map(({ list, item }) => ({ list, id: item.id, item: item as Edit['item'] })),
                undefined,
                words,
              ),
            )
          }
        >
          {words}
        </Button>
      ))}
    </div>
  );
}

function NearPair({ one }: { one: SolvedClearance }) {
  const { state, item, edit } = useJob();
  const pick = useWorkbench((store) => store.pick);
  const navigate = useNavigate();
  const { marked, mark } = useNearness();
  const { a, b, measured: distance } = one;
  const others = (state.job.waivers ?? []).filter(
    (waiver) =>
      ![`${pairOf(one)}`, pairOf({ ...one, a: b, b: a })].includes(pairOf({ ...one, a: waiver.a, b: waiver.b })),
  );
  const nameOf = ({ list, id }: typeof a) => item(list, id)?.name ?? id;
  const keep = (waivers: Waiver[], what: string) => edit([], { waivers }, what);
  const layAgain = (id: string) => {
    navigate(`/jobs/${state.id}/lay`);
    useWays.getState().ask([{ again: id }]);
  };
  const isMarked = marked !== null && pairOf(marked) === pairOf(one);
  return (
    <section className={`finding ${one.waived === null ? one.severity : 'waived'}`} aria-label={one.title}>
      <button
        type="button"
        className="title"
        title={isMarked ? 'Take the mark away' : 'Mark both places'}
        aria-pressed={isMarked}
        onClick={() => mark(isMarked ? null : one)}
      >
        {one.waived === null && <Mark status={one.severity} />}
        <span>
          <span className="visually-hidden">
            {one.waived !== null ? 'Waived' : one.severity === 'violation' ? 'Broken' : 'Warning'}:{' '}
          </span>
          {one.title}
        </span>
      </button>
      <div>{one.message}</div>
      {one.waived !== null && <div className="quiet">Waived: {one.waived}</div>}
      {isMarked && one.waived === null && <Cures one={one} />}
      <div className="remedies">
        {[a, b].map((ref) => (
          <Button key={`${ref.list}/${ref.id}`} onClick={() => pick(ref.list, ref.id)}>
            Show {nameOf(ref)}
          </Button>
        ))}
        {one.waived === null &&
          [a, b]
            .filter(({ list, id }) => list === 'runs' && isRigid(item('runs', id)))
            .map(({ id }) => (
              <Button key={`again ${id}`} onClick={() => layAgain(id)}>
                Lay {nameOf({ list: 'runs', id })} again
              </Button>
            ))}
        <Waive
          waived={one.waived}
          onWaive={(reason) => keep([...others, { a, b, distance, reason }], `Waive ${nameOf(a)} at ${nameOf(b)}`)}
          onTakeBack={() => keep(others, 'Take back a waiver')}
        />
      </div>
    </section>
  );
}
