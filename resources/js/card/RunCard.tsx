import { ArrowLeftRight } from 'lucide-react';
import type { Run } from '../api/types';
import { lengthWithUnit, show } from '../job/format';
import { NumberField } from '../job/NumberField';
import { allPorts, fromTo } from '../job/newItems';
import { tell } from '../job/tell';
import { useJob } from '../job/useJob';
import { Button } from '../ui/Button';
import { Choice, named } from '../ui/Choice';
import { IconButton } from '../ui/IconButton';
import { Row, Section } from '../ui/Section';
import { BehaviourFields } from './BehaviourFields';
import { BranchList } from './BranchList';
import { CardHead } from './CardHead';
import { ChannelFields } from './ChannelFields';
import { EndFields } from './EndFields';
import { FindingList } from './FindingList';
import { JoinedFields } from './JoinedFields';
import { JointFields } from './JointFields';
import { LengthFields } from './LengthFields';
import { MovementFacts } from './MovementFacts';
import { PathTable } from './PathTable';
import { PlacementFields } from './PlacementFields';
import { RadiusChoices } from './RadiusChoices';
import { RepeatFields } from './RepeatFields';
import { SettlingFields } from './SettlingFields';
import { TrunkFields } from './TrunkFields';
import { TwinDialog } from './TwinDialog';

/** The card of a run: findings first, then stock, path, length and ends. */
export function RunCard({ id }: { id: string }) {
  const { item, items, put, lay, solution, state } = useJob();
  const run = item('runs', id);
  const solved = solution(id);
  if (run === undefined || solved === undefined) {
    return null;
  }
  const ports = allPorts(state.places, items('fittings'));
  const stock = item('stock', run.stock);
  const change = (changed: Partial<Run>) => put('runs', { ...run, ...changed });
  const isRigid = run.route.kind === 'corners';
  const radius =
    run.route.corner?.radius ??
    (run.route.corner?.elbow === undefined
      ? stock?.bend.radius
      : (solved.legs.find((leg) => leg.elbow !== null)?.asked_radius ?? undefined));
  const { ratio, elbow } = run.route.corner ?? {};
  const tellCorners = (by: string) =>
    by === 'long' || by === 'short'
      ? lay(id, { do: 'set-corner', vertex: null, corner: { elbow: by } })
      : lay(id, { do: 'tell-by', by: by as 'radius' | 'ratio' });

  return (
    <>
      <CardHead list="runs" item={run} under={fromTo(run, ports, items('runs'))} />
      <div className="mt-2">
        <FindingList run={solved} />
      </div>
      <SettlingFields solved={solved} />
      <Section title="Stock">
        <Choice
          label="Stock"
          value={run.stock}
          of={named(items('stock'))}
          onChange={(value) => tell(change({ stock: value }))}
        />
        {stock?.section !== undefined && stock.section.shape !== 'round' && (
          <PlacementFields run={run} onChange={change} />
        )}
        {isRigid && (
          <>
            <Row label="Radius, all corners">
              <select
                className="form-select form-select-sm radius-kind"
                aria-label="Radius as a length or a multiple of the diameter"
                value={elbow ?? (ratio === undefined ? 'radius' : 'ratio')}
                onChange={(event) => tell(tellCorners(event.target.value))}
              >
                <option value="radius">length</option>
                <option value="ratio">× ø</option>
                <option value="long">long elbows</option>
                <option value="short">short elbows</option>
              </select>
              <NumberField
                label="Radius of all corners"
                unit={ratio === undefined ? undefined : '× ø'}
                plain={ratio !== undefined}
                value={ratio ?? radius}
                disabled={elbow !== undefined}
                onChange={(value) =>
                  lay(id, {
                    do: 'set-corner',
                    vertex: null,
                    corner: ratio === undefined ? { radius: value } : { ratio: value },
                  })
                }
              />
            </Row>
            {solved.bends.length > 0 && <RadiusChoices run={id} solved={solved} stock={stock} vertex={null} />}
          </>
        )}
      </Section>
      <Row label="Carries" wide>
        <Choice
          label="Carries"
          value={run.service ?? ''}
          of={[['', 'not told'], ...named(state.services)]}
          onChange={(service) => tell(change({ service: service === '' ? undefined : service }))}
        />
      </Row>
      <Row label="Insulation">
        <NumberField
          label="Insulation"
          value={run.insulation ?? 0}
          onChange={(insulation) => change({ insulation: insulation === 0 ? undefined : insulation })}
        />
      </Row>
      <Row label="Falls by at least">
        <NumberField
          label="Falls by at least"
          plain
          unit="mm/m"
          value={run.fall}
          placeholder="need not"
          onChange={(fall) => change({ fall })}
        />
      </Row>
      <ChannelFields run={run} solved={solved} onChange={(body) => change({ body })} />
      <BehaviourFields run={run} solved={solved} onChange={change} />
      {solved.movement !== null && <MovementFacts movement={solved.movement} />}
      {(run.route.like !== undefined || run.route.symmetry !== undefined) && (
        <p className="follows">
          {run.route.like === undefined
            ? 'Its second half follows the first.'
            : `It goes as ${item('runs', run.route.like.run)?.name ?? run.route.like.run} does.`}{' '}
          <Button onClick={() => tell(lay(id, { do: 'make-own' }))}>Make it a run of its own</Button>
        </p>
      )}
      {isRigid && (
        <Section
          title="Path"
          tools={
            <span className="text-nowrap">
              <TwinDialog run={run} />
              <IconButton
                icon={ArrowLeftRight}
                name="Reverse the run"
                onClick={() => tell(lay(id, { do: 'reverse' }))}
              />
            </span>
          }
        >
          <PathTable run={run} solved={solved} />
        </Section>
      )}
      {(isRigid || run.route.kind === 'flow') && (
        <LengthFields run={run} solved={solved} onChange={(fixed_length) => change({ fixed_length })} />
      )}
      {isRigid && run.body === undefined && <BranchList run={run} />}
      {stock?.kind === 'bundle' ? (
        <TrunkFields run={run} />
      ) : (
        run.body === undefined && (
          <>
            <JointFields run={run} solved={solved} onChange={change} />
            <RepeatFields run={run} solved={solved} onChange={change} />
          </>
        )
      )}
      <EndFields
        run={run}
        solved={solved}
        ports={ports}
        onChange={(which, end) => change(which === 'from' ? { from: end } : { to: end })}
      />
      {run.body === undefined && stock?.kind !== 'bundle' && (
        <Section title="Body">
          <Row label="Cut length">
            <span className="figure">{lengthWithUnit(solved.cut_length)}</span>
          </Row>
          <Row label="Mass">
            <span className="figure">{show(solved.body.mass, 3)} kg</span>
          </Row>
          <JoinedFields run={run} />
        </Section>
      )}
    </>
  );
}
