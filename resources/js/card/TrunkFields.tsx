import { useQuery } from '@tanstack/react-query';
import { Scissors } from 'lucide-react';
import { api, type TrunkEdit } from '../api/client';
import type { Run } from '../api/types';
import { lengthWithUnit, show } from '../job/format';
import { NumberField } from '../job/NumberField';
import { useWorkbench } from '../job/store';
import { tell } from '../job/tell';
import { useJob } from '../job/useJob';
import { Button } from '../ui/Button';
import { Row, Section } from '../ui/Section';

/** What is in a trunk of a harness; it is broken in two, or joined with one whose end lies at its own. */
export function TrunkFields({ run }: { run: Run }) {
  const { state, harnesses, items, edit } = useJob();
  const part = useWorkbench((store) => (store.picked?.id === run.id ? store.picked.part : null));
  const leg = part != null && 'leg' in part ? part.leg : null;
  const solvedIn = harnesses.find(({ trunks }) => trunks.some((one) => one.run === run.id));
  const spans = solvedIn?.trunks.find((one) => one.run === run.id)?.spans ?? [];
  const wires = new Set(spans.flatMap((span) => span.wires));
  const thickest = Math.max(0, ...spans.map(({ diameter }) => diameter));
  const mass = spans.reduce((sum, span) => sum + span.mass, 0);
  const name = run.name ?? run.id;
  const { data: partners = [] } = useQuery({
    queryKey: ['trunk partners', state.id, state.revision, run.id],
    queryFn: () => api.trunkPartners(state.id, run.id),
  });
  const others = items('runs').filter(({ id }) => partners.includes(id));
  const make = async (edits: TrunkEdit[], words: string) => edit(edits, undefined, words);
  const breakIt = async (where: { length?: number | string; vertex?: number }) =>
    make(await api.breakTrunk(state.id, run.id, where), `Break ${name} in two`);
  return (
    <Section
      title="Trunk"
      tools={
        <Button
          title={
            leg === null
              ? `Break it in two in the middle of its longest ${run.route.kind === 'corners' ? 'straight' : 'curve'}`
              : `Break leg ${leg} in its middle`
          }
          onClick={() => tell(breakIt(leg === null ? {} : { vertex: leg }))}
        >
          <Scissors size={14} aria-hidden /> {leg === null ? 'Break in two' : `Break leg ${leg}`}
        </Button>
      }
    >
      <Row label="In it">
        <span className="figure">
          {wires.size === 0 ? 'no wires' : `${wires.size} wire${wires.size === 1 ? '' : 's'}`}
        </span>
      </Row>
      {wires.size > 0 && (
        <>
          <Row label="Thickest">
            <span className="figure">
              {solvedIn?.packed === false && 'about '}ø {lengthWithUnit(thickest)}
            </span>
          </Row>
          <Row label="Mass">
            <span className="figure">{show(mass, 3)} kg</span>
          </Row>
        </>
      )}
      <Row label="Break it at">
        <NumberField
          label="Break it at"
          value={undefined}
          placeholder="length"
          onChange={async (length) => {
            if (length !== undefined) {
              await breakIt({ length });
            }
          }}
        />
      </Row>
      {others.map((other) => (
        <Button
          key={other.id}
          onClick={() =>
            tell(
              api
                .joinTrunks(state.id, run.id, { with: other.id })
                .then((edits) => make(edits, `Join ${name} with ${other.name ?? other.id}`)),
            )
          }
        >
          Join with {other.name ?? other.id}
        </Button>
      ))}
    </Section>
  );
}
