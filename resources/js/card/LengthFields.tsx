import type { FixedLength, Run, SolvedRun } from '../api/types';
import { atOf } from '../job/flowPoints';
import { lengthWithUnit } from '../job/format';
import { NumberField } from '../job/NumberField';
import { tell } from '../job/tell';
import { useJob } from '../job/useJob';
import { Row, Section } from '../ui/Section';
import { AxisField } from './AxisField';

interface Props {
  run: Run;
  solved: SolvedRun;
  onChange: (fixed: FixedLength | undefined) => Promise<void>;
}

/** The length of a run: free, or held, with the corners that may move. */
export function LengthFields({ run, solved, onChange }: Props) {
  const { state, lay } = useJob();
  const fixed = run.fixed_length;
  const isSmooth = run.route.kind === 'flow';
  // The stops that may move, by index in the file and number on the screen.
  const movable = isSmooth
    ? (run.route.points ?? []).flatMap((point, stop) => (atOf(point) === null ? [] : [{ stop, number: stop + 1 }]))
    : solved.legs.flatMap(({ place, stop, vertex }) =>
        place === 'stop' && stop !== null ? [{ stop, number: vertex }] : [],
      );
  const giving = new Set((fixed?.adjust?.stops ?? []).map(Number));

  const sets = (state.job.sets ?? []).filter(({ runs }) => runs.includes(run.id));
  const longest = state.sets.find(({ id }) => id === fixed?.same_as)?.longest;
  const holdAs = (how: string) =>
    lay(run.id, how === 'free' || how === 'held' ? { do: 'hold-as', how } : { do: 'hold-as', how: 'set', set: how });

  return (
    <Section title="Length">
      <Row label="Length now">
        <span className="figure">{lengthWithUnit(solved.length, 2)}</span>
      </Row>
      <Row label="Hold it">
        <select
          className="form-select form-select-sm"
          aria-label="Hold the length"
          value={fixed === undefined ? 'free' : (fixed.same_as ?? 'held')}
          onChange={(event) => tell(holdAs(event.target.value))}
        >
          <option value="free">as it comes</option>
          <option value="held">at a length</option>
          {sets.map((set) => (
            <option key={set.id} value={set.id}>
              as long as the longest of {set.name ?? set.id}
            </option>
          ))}
        </select>
      </Row>
      {fixed !== undefined && (
        <>
          {fixed.same_as === undefined ? (
            <Row label="at">
              <NumberField
                label="Length to hold"
                value={fixed.length}
                onChange={(held) => onChange({ ...fixed, length: held })}
              />
            </Row>
          ) : (
            <Row label="the longest has">
              <span className="figure">{lengthWithUnit(longest ?? solved.length, 2)}</span>
            </Row>
          )}
          <Row label="±">
            <NumberField
              label="Tolerance"
              value={fixed.tolerance}
              onChange={(tolerance) => onChange({ ...fixed, tolerance })}
            />
          </Row>
          <div className="mt-1">{isSmooth ? 'Points' : 'Corners'} that may give</div>
          <div className="d-flex flex-wrap gap-3">
            {movable.map(({ stop, number }) => (
              <label key={stop} className="form-check-label">
                <input
                  type="checkbox"
                  className="form-check-input me-1"
                  checked={giving.has(stop)}
                  onChange={() => tell(lay(run.id, { do: 'let-give', stop, gives: !giving.has(stop) }))}
                />
                {number}
              </label>
            ))}
            {movable.length === 0 && (
              <span className="quiet">none: this run has no {isSmooth ? 'point' : 'corner'} of its own</span>
            )}
          </div>
          {fixed.adjust !== undefined && (
            <>
              <AxisField
                label="along"
                axis={fixed.adjust.along}
                onChange={(next) => onChange({ ...fixed, adjust: { stops: [...giving], along: next } })}
              />
              <Row label="They gave">
                <span className="figure">{lengthWithUnit(solved.adjusted_by, 2)}</span>
              </Row>
            </>
          )}
        </>
      )}
    </Section>
  );
}
