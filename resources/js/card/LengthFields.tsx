import type { FixedLength, Run, SolvedRun } from '../api/types';
import { show } from '../ui/format';
import { NumberField } from '../ui/NumberField';
import { tell } from '../workbench/tell';
import { AxisField } from './AxisField';
import { Row, Section } from './Section';

interface Props {
  run: Run;
  solved: SolvedRun;
  onChange: (fixed: FixedLength | undefined) => Promise<void>;
}

/** The length of a run: as it comes, or held, with the corners that may give. */
export function LengthFields({ run, solved, onChange }: Props) {
  const fixed = run.fixed_length;
  const movable = solved.legs.filter((leg) => leg.place === 'stop' && leg.stop !== null);
  const giving = new Set((fixed?.adjust?.stops ?? []).map(Number));
  const along = fixed?.adjust?.along ?? '+z';

  const toggle = (stop: number) => {
    if (fixed === undefined) {
      return;
    }
    const stops = giving.has(stop)
      ? [...giving].filter((other) => other !== stop)
      : [...giving, stop].sort((a, b) => a - b);
    tell(onChange({ ...fixed, adjust: stops.length === 0 ? undefined : { stops, along } }));
  };

  return (
    <Section title="Length">
      <Row label="Length now">
        <span className="figure">{show(solved.length, 2)} mm</span>
      </Row>
      <Row label="Hold it">
        <select
          className="form-select form-select-sm"
          aria-label="Hold the length"
          value={fixed === undefined ? 'free' : 'held'}
          onChange={(event) =>
            tell(
              onChange(
                event.target.value === 'held'
                  ? { length: Math.round(solved.length * 10) / 10, tolerance: 1 }
                  : undefined,
              ),
            )
          }
        >
          <option value="free">as it comes</option>
          <option value="held">at a length</option>
        </select>
      </Row>
      {fixed !== undefined && (
        <>
          <Row label="at">
            <NumberField
              label="Length to hold"
              value={fixed.length}
              onChange={(length) => onChange({ ...fixed, length })}
            />
          </Row>
          <Row label="±">
            <NumberField
              label="Tolerance"
              value={fixed.tolerance}
              onChange={(tolerance) => onChange({ ...fixed, tolerance })}
            />
          </Row>
          <div className="mt-1">Corners that may give</div>
          <div className="d-flex flex-wrap gap-3">
            {movable.map((leg) => (
              <label key={leg.vertex} className="form-check-label">
                <input
                  type="checkbox"
                  className="form-check-input me-1"
                  checked={giving.has(leg.stop ?? -1)}
                  onChange={() => toggle(leg.stop ?? -1)}
                />
                {leg.vertex}
              </label>
            ))}
            {movable.length === 0 && <span className="quiet">none: this run has no corner of its own</span>}
          </div>
          {fixed.adjust !== undefined && (
            <>
              <AxisField
                label="along"
                axis={fixed.adjust.along}
                onChange={(next) => onChange({ ...fixed, adjust: { stops: [...giving], along: next } })}
              />
              <Row label="They gave">
                <span className="figure">{show(solved.adjusted_by, 2)} mm</span>
              </Row>
            </>
          )}
        </>
      )}
    </Section>
  );
}
