import type { Channel, Run } from '../api/types';
import { blocksOf, channelsIn } from '../job/blocks';
import { NumberField } from '../job/NumberField';
import { useWorkbench } from '../job/store';
import { tell } from '../job/tell';
import { useJob } from '../job/useJob';
import { Button } from '../ui/Button';
import { Choice, named } from '../ui/Choice';
import { Row } from '../ui/Section';

interface Props {
  run: Run;
  onChange: (body: Channel | undefined) => Promise<void>;
}

/** Whether a run is made, or taken out of a block; and how. */
export function ChannelFields({ run, onChange }: Props) {
  const { items, state } = useJob();
  const pick = useWorkbench((store) => store.pick);
  const blocks = blocksOf(items('fittings'), items('surroundings'));
  const { body } = run;
  const block = blocks.find(({ id }) => id === body?.in);
  const meets = body?.meets ?? [];
  const others = body === undefined ? [] : channelsIn(body.in, items('runs')).filter(({ id }) => id !== run.id);
  const fault = state.bodies.find(({ id }) => id === body?.in)?.fault ?? null;
  if (blocks.length === 0 && body === undefined) {
    return null;
  }
  return (
    <>
      <Row label="It is" wide>
        <Choice
          label="Made, or taken out of a block"
          value={body?.in ?? ''}
          of={[
            ['', 'made, as a body'],
            ...named(blocks).map(([id, name]) => [id, `taken out of ${name}`] as [string, string]),
          ]}
          onChange={(id) => tell(onChange(id === '' ? undefined : { ...body, as: 'channel', in: id }))}
        />
      </Row>
      {body !== undefined && (
        <>
          <Row label="Least wall round it">
            <NumberField
              label="Channel: least wall"
              value={body.wall}
              placeholder="2"
              onChange={(wall) => onChange({ ...body, wall })}
            />
          </Row>
          <Row label="Cuts beyond its ends">
            <NumberField
              label="Channel: beyond its ends"
              value={body.over}
              placeholder="1"
              onChange={(over) => onChange({ ...body, over })}
            />
          </Row>
          {others.length > 0 && (
            <fieldset>
              <legend className="quiet mb-0">Open to</legend>
              {others.map(({ id, name }) => (
                <label key={id} className="d-flex gap-2 align-items-center">
                  <input
                    type="checkbox"
                    checked={meets.includes(id)}
                    onChange={(event) =>
                      tell(
                        onChange({
                          ...body,
                          meets: event.target.checked ? [...meets, id] : meets.filter((one) => one !== id),
                        }),
                      )
                    }
                  />
                  {name ?? id}
                </label>
              ))}
            </fieldset>
          )}
          {fault !== null && <p className="text-danger mb-1">{fault}</p>}
          {block !== undefined && <Button onClick={() => pick(block.list, block.id)}>Show {block.name}</Button>}
        </>
      )}
    </>
  );
}
