import { Dices } from 'lucide-react';
import { length, lengthWithUnit } from '../../job/format';
import { NumberField } from '../../job/NumberField';
import { tell } from '../../job/tell';
import { useJob } from '../../job/useJob';
import { Button } from '../../ui/Button';
import { IconButton } from '../../ui/IconButton';
import { Row } from '../../ui/Section';
import { RouteSlider } from '../RouteSlider';
import { type BehaviourProps, byLength } from './props';

/** The fields of a sprung hose: its length, the lengths that keep its radius, and its shapes at rest. */
export function SpringFields({ run, route, solved, onChange }: BehaviourProps) {
  const { item } = useJob();
  const [least = 0, most = 0] = solved.length_range ?? [];
  const facts = solved.shape?.kind === 'spring' ? solved.shape : null;
  const shapes = facts?.shapes ?? [];
  const shape = Number(route.shape ?? 0);
  const sold = (item('stock', run.stock)?.lengths ?? []).map(Number).sort((a, b) => a - b);
  const suggested = facts?.suggested ?? null;
  return (
    <>
      <Row label="Length, sockets with it">
        <NumberField label="Length of the run" value={route.length} onChange={(next) => onChange({ length: next })} />
      </Row>
      <RouteSlider
        run={run.id}
        label="Length by hand"
        value={solved.length}
        least={least}
        most={most}
        step="any"
        route={byLength}
      />
      {sold.length > 0 && (
        <Row label="Sold as">
          <select
            className="form-select form-select-sm"
            aria-label="Length it is sold in"
            value={facts?.sold_as ?? ''}
            onChange={(event) => tell(onChange({ length: Number(event.target.value) }))}
          >
            <option value="" disabled>
              none of them
            </option>
            {sold.map((one) => (
              <option key={one} value={one}>
                {lengthWithUnit(one)}
              </option>
            ))}
          </select>
        </Row>
      )}
      {facts !== null && (
        <Row label="Keeps its radius">
          <span className="figure">
            {facts.shortest === null
              ? 'at no length'
              : facts.longest === null
                ? `from ${lengthWithUnit(facts.shortest, 0)}`
                : `${length(facts.shortest, 0)} to ${lengthWithUnit(facts.longest, 0)}`}
          </span>
        </Row>
      )}
      {suggested !== null && (
        <Button onClick={() => tell(onChange({ length: suggested }))}>
          {`Use the shortest, ${lengthWithUnit(suggested, 0)}`}
        </Button>
      )}
      {shapes.length > 1 && (
        <Row label={`Shape ${shape + 1} of ${shapes.length}`}>
          <IconButton
            icon={Dices}
            name="The next shape it may rest in"
            onClick={() => tell(onChange({ shape: (shape + 1) % shapes.length }))}
          />
        </Row>
      )}
    </>
  );
}
