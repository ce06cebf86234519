import type { Errand, WayWeights } from '../../api/types';
import { NumberField, PercentField } from '../../job/NumberField';
import { usePreferences } from '../../job/preferences';
import { useJob } from '../../job/useJob';
import { Choice, named } from '../../ui/Choice';
import { Row } from '../../ui/Section';

interface Props {
  errand: Errand;
  onChange: (errand: Errand) => void;
}

/** What one run has to keep, and what ways are weighed by; the weights are remembered in this browser. */
export function WayFields({ errand, onChange }: Props) {
  const { state, items } = useJob();
  const { weights, weigh } = usePreferences();
  const services = state.services.map(({ id, name }) => ({ id, name: name ?? id }));
  const clamps = items('clamps');
  const through: readonly string[] = errand.through ?? [];
  const set = async (changed: Partial<Errand>) => onChange({ ...errand, ...changed });
  const weight = async (changed: WayWeights) => {
    weigh({ ...weights, ...changed });
    onChange({ ...errand });
  };
  return (
    <details className="ways-more">
      <summary>What it has to keep</summary>
      <Row label="Carries" wide>
        <Choice
          label="What it carries"
          value={errand.service ?? ''}
          of={[['', 'not told'], ...named(services)]}
          onChange={(service) => void set({ service: service === '' ? undefined : service })}
        />
      </Row>
      <Row label="Length">
        <NumberField label="Length it has to have" value={errand.length} onChange={(length) => set({ length })} />
      </Row>
      <Row label="Fall">
        <NumberField label="Least fall" value={errand.fall} unit="mm/m" plain onChange={(fall) => set({ fall })} />
      </Row>
      {clamps.length > 0 && (
        <Row label="Through" wide>
          <Choice
            label="Clamp it goes through"
            value=""
            of={[['', 'add a clamp…'], ...named(clamps.filter(({ id }) => !through.includes(id)))]}
            onChange={(clamp) => clamp !== '' && void set({ through: [...through, clamp] as Errand['through'] })}
          />
        </Row>
      )}
      {through.length > 0 && (
        <div className="quiet">
          {through.map((id) => clamps.find((clamp) => clamp.id === id)?.name ?? id).join(', then ')}{' '}
          <button type="button" className="btn btn-link btn-sm p-0" onClick={() => void set({ through: undefined })}>
            through none
          </button>
        </div>
      )}
      <Row label="A bend is worth">
        <NumberField label="What a bend is worth" value={weights.bends} onChange={(bends) => weight({ bends })} />
      </Row>
      <Row label="Up and down costs">
        <PercentField
          label="What up and down costs more"
          value={weights.height}
          onChange={(height) => weight({ height })}
        />
      </Row>
      <Row label="Close along saves">
        <PercentField
          label="What close along things saves"
          value={weights.nearness}
          onChange={(nearness) => weight({ nearness })}
        />
      </Row>
    </details>
  );
}
