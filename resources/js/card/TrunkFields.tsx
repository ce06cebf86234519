import { Scissors } from 'lucide-react';
import { api, type TrunkEdit } from '../api/client';
import type { Point, Run, SolvedRun } from '../api/types';
import { lengthWithUnit, show } from '../job/format';
import { NumberField } from '../job/NumberField';
import { useWorkbench } from '../job/store';
import { tell } from '../job/tell';
import { useJob } from '../job/useJob';
import { Button } from '../ui/Button';
import { Row, Section } from '../ui/Section';

/** How far apart ends are offered to be joined, mm. */
const TOGETHER = 0.01;

const endsOf = ({ vertices }: SolvedRun): Point[] =>
  [vertices[0], vertices[vertices.length - 1]].flatMap((vertex) => (vertex === undefined ? [] : [vertex]));

const isNear = (one: Point, other: Point) =>
  Math.hypot(one[0] - other[0], one[1] - other[1], one[2] - other[2]) < TOGETHER;

/** What is in a trunk of a harness; it is broken in two, or joined with one whose end lies at its own. */
export function TrunkFields({ run, solved }: { run: Run; solved: SolvedRun }) {
  const { state, harnesses, item, items, solution, edit } = useJob();
  const part = useWorkbench((store) => (store.picked?.id === run.id ? store.picked.part : null));
  const leg = part != null && 'leg' in part ? part.leg : null;
  const spans = harnesses
    .flatMap(({ trunks }) => trunks.filter((one) => one.run === run.id))
    .flatMap((one) => one.spans);
  const wires = new Set(spans.flatMap((span) => span.wires));
  const thickest = Math.max(0, ...spans.map(({ diameter }) => diameter));
  const mass = spans.reduce((sum, span) => sum + span.mass, 0);
  const name = run.name ?? run.id;
  const others = items('runs').filter((other) => {
    const laid = solution(other.id);
    return (
      other.id !== run.id &&
      item('stock', other.stock)?.kind === 'bundle' &&
      laid !== undefined &&
      endsOf(laid).some((end) => endsOf(solved).some((own) => isNear(end, own)))
    );
  });
  const make = async (edits: TrunkEdit[], words: string) => edit(edits, undefined, words);
  const breakIt = async (where: { length?: number | string; vertex?: number }) =>
    make(await api.breakTrunk(state.id, run.id, where), `Break ${name} in two`);
  return (
    <Section
      title="Trunk"
      tools={
        <Button
          title={
            leg === null ? 'Break it in two in the middle of its longest straight' : `Break leg ${leg} in its middle`
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
            <span className="figure">ø {lengthWithUnit(thickest)}</span>
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
