import { api } from '../api/client';
import type { Channel, Run, SolvedRun } from '../api/types';
import { blocksOf, channelsIn } from '../job/blocks';
import { NumberField } from '../job/NumberField';
import { useWorkbench } from '../job/store';
import { tell } from '../job/tell';
import { useJob } from '../job/useJob';
import { useWallShown } from '../job/wallShown';
import { Button } from '../ui/Button';
import { Choice, named } from '../ui/Choice';
import { Row } from '../ui/Section';

interface Props {
  run: Run;
  solved: SolvedRun;
  onChange: (body: Channel | undefined) => Promise<void>;
}

/** Whether a run is made, or taken out of a block; and how. */
export function ChannelFields({ run, solved, onChange }: Props) {
  const { items, state, edit } = useJob();
  const pick = useWorkbench((store) => store.pick);
  const blocks = blocksOf(items('fittings'), items('surroundings'));
  const { body } = run;
  const block = blocks.find(({ id }) => id === body?.in);
  const drill = async () => {
    const { runs } = await api.asDrillings(state.id, run.id);
    await edit(
      [
        ...runs.map((one) => ({ list: 'runs' as const, id: one.id, item: one })),
        { list: 'runs' as const, id: run.id, item: null },
      ],
      {},
      `Turn ${run.name ?? run.id} into drillings`,
    );
    pick('runs', runs[0]?.id ?? run.id);
  };
  const { body: shown, show } = useWallShown();
  const meets = body?.meets ?? [];
  const others =
    body?.as === 'channel'
      ? channelsIn(body.in, items('runs')).filter(({ id, body: other }) => id !== run.id && other?.as === 'channel')
      : [];
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
          <Row label="As" wide>
            <Choice
              label="Channel or groove"
              value={body.as}
              of={[
                ['channel', 'a channel, from face to face'],
                ['groove', 'a groove along a face'],
              ]}
              onChange={(as) =>
                tell(
                  onChange(
                    as === 'groove'
                      ? { ...body, as, depth: state.stocks[run.stock]?.groove_depth }
                      : { ...body, as: 'channel' },
                  ),
                )
              }
            />
          </Row>
          {body.as === 'groove' && (
            <Row label="Depth under the face">
              <NumberField
                label="Groove: depth"
                value={body.depth}
                onChange={(depth) => onChange({ ...body, depth })}
              />
            </Row>
          )}
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
            <fieldset aria-label="Open to">
              <span>Open to</span>
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
          {fault === null && (
            <Button
              title="The material round every channel, by colour"
              onClick={() => show(shown === body.in ? null : body.in)}
            >
              {shown === body.in ? 'Show it plain' : 'Show the wall by colour'}
            </Button>
          )}
          {fault !== null && <p className="text-danger mb-1">{fault}</p>}
          {run.route.kind === 'corners' && body.as === 'channel' && solved.bends.length > 0 && (
            <Button
              title="Each leg as a straight drilling of its own; those that reach no face are plugged"
              onClick={() => tell(drill())}
            >
              Turn into drillings
            </Button>
          )}
          {block !== undefined && <Button onClick={() => pick(block.list, block.id)}>Show {block.name}</Button>}
        </>
      )}
    </>
  );
}
