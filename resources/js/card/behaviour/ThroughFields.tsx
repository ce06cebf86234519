import { Trash2 } from 'lucide-react';
import type { Through } from '../../api/types';
import { NumberField } from '../../job/NumberField';
import { usePointing } from '../../job/pointing';
import { tell } from '../../job/tell';
import { useJob } from '../../job/useJob';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { IconButton } from '../../ui/IconButton';
import { Row } from '../../ui/Section';
import type { BehaviourProps } from './props';

/** The clamps and ties of a flexible run, and how its length is divided among the spans. */
export function ThroughFields({ run, route, onChange }: BehaviourProps) {
  const { item, items, lay } = useJob();
  const ask = usePointing((store) => store.ask);
  const through = route.through ?? [];
  const shares = route.kind !== 'flow';
  const put = (index: number, changed: Partial<Through> | null) =>
    onChange({
      through: through.flatMap((one, i) => (i !== index ? [one] : changed === null ? [] : [{ ...one, ...changed }])),
      ...(changed === null ? { last_span: undefined } : {}),
    });
  const lead = () =>
    ask({
      words: `Lead ${run.name ?? run.id} through which clamp?`,
      kinds: ['clamp'],
      take: async ({ anchor }) => {
        if (typeof anchor === 'string') {
          await lay(run.id, { do: 'through-clamp', clamp: anchor });
        }
      },
    });
  if (items('clamps').length === 0) {
    return null;
  }
  return (
    <>
      {shares &&
        through.map((one, index) => (
          <fieldset key={one.clamp} className="mb-1">
            <legend className="visually-hidden">Through {item('clamps', one.clamp)?.name ?? one.clamp}</legend>
            <Row label={`Span ${index + 1}`}>
              <NumberField
                label={`Length of span ${index + 1}`}
                value={one.length}
                placeholder="its share"
                onChange={(length) => put(index, { length })}
              />
            </Row>
            <div className="d-flex gap-1 align-items-center">
              <span className="flex-grow-1">{item('clamps', one.clamp)?.name ?? one.clamp}</span>
              <WayThrough gate={one} onChange={(way) => put(index, way)} />
              <IconButton
                icon={Trash2}
                name={`Take it out of ${item('clamps', one.clamp)?.name ?? one.clamp}`}
                onClick={() => tell(put(index, null))}
              />
            </div>
          </fieldset>
        ))}
      {shares && through.length > 0 && (
        <Row label={`Span ${through.length + 1}`}>
          <NumberField
            label={`Length of span ${through.length + 1}`}
            value={route.last_span}
            placeholder="its share"
            onChange={(last_span) => onChange({ last_span })}
          />
        </Row>
      )}
      <div className="mt-1">
        <Button onClick={lead}>Lead it through a clamp…</Button>
      </div>
    </>
  );
}

const way = (how: string): Partial<Through> => ({
  loose: how === 'loose' || undefined,
  reverse: how === 'back' || undefined,
});

/** How a run passes a clamp: on its axis, in either direction, or loosely. */
export function WayThrough({ gate, onChange }: { gate: Through; onChange: (way: Partial<Through>) => Promise<void> }) {
  const { item } = useJob();
  return (
    <Choice
      narrow
      label={`Through ${item('clamps', gate.clamp)?.name ?? gate.clamp}`}
      value={gate.loose === true ? 'loose' : gate.reverse === true ? 'back' : 'on'}
      of={[
        ['on', 'along its axis'],
        ['back', 'against its axis'],
        ['loose', 'loosely'],
      ]}
      onChange={(how) => tell(onChange(way(how)))}
    />
  );
}
