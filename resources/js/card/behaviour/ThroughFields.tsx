import { Trash2 } from 'lucide-react';
import type { Through } from '../../api/types';
import { Button } from '../../ui/Button';
import { IconButton } from '../../ui/IconButton';
import { NumberField } from '../../ui/NumberField';
import { usePointing } from '../../view/pointing/store';
import { tell } from '../../workbench/tell';
import { useJob } from '../../workbench/useJob';
import { Row } from '../Section';
import type { BehaviourProps } from './props';

/** The clamps and ties a flexible run is led through, and how its length is shared out between them. */
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
              <select
                className="form-select form-select-sm w-auto"
                aria-label={`Through ${item('clamps', one.clamp)?.name ?? one.clamp}`}
                value={one.loose === true ? 'loose' : one.reverse === true ? 'back' : 'on'}
                onChange={(event) =>
                  tell(
                    put(index, {
                      loose: event.target.value === 'loose' || undefined,
                      reverse: event.target.value === 'back' || undefined,
                    }),
                  )
                }
              >
                <option value="on">along its axis</option>
                <option value="back">against its axis</option>
                <option value="loose">loosely</option>
              </select>
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
