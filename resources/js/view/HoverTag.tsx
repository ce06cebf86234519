import type { SolvedClearance, SolvedHarness } from '../api/types';
import { length, lengthWithUnit } from '../job/format';
import { useHover } from '../job/hover';
import { useWorkbench } from '../job/store';
import { type JobAccess, useJob } from '../job/useJob';

/** Most wires of which the tag tells the length. */
const MOST = 3;

/** Difference of length that is told, mm. */
const LEAST = 0.05;

/** The small tag by the pointer. */
export function HoverTag() {
  const hover = useHover((store) => store.hover);
  const dragged = useWorkbench((store) => store.trying?.nearest ?? null);
  const inHand = useWorkbench((store) => (store.trying?.item?.item as { id?: string } | undefined)?.id);
  const { state, harnesses, item } = useJob();
  if (hover === null) {
    return null;
  }
  const rows = harnesses === state.harnesses ? [] : lengthened(state.harnesses, harnesses);
  const broken = harnesses === state.harnesses ? [] : broke(state.harnesses, harnesses);
  return (
    <div className="hover-tag" style={{ left: hover.x, top: hover.y }}>
      <div className="what">{hover.title}</div>
      {[...hover.rows, ...nearest(dragged, inHand, item), ...rows].map(([what, amount]) => (
        <div key={what} className="row-of-tag">
          <span>{what}</span>
          <span className="mono">{amount}</span>
        </div>
      ))}
      {hover.held !== undefined && <div className="held">{hover.held}</div>}
      {broken.map((title) => (
        <div key={title} className="held">
          {title}
        </div>
      ))}
    </div>
  );
}

/** Returns how far the nearest thing is off, with what is needed where that is more. */
function nearest(one: SolvedClearance | null, inHand: unknown, item: JobAccess['item']): [string, string][] {
  if (one === null) {
    return [];
  }
  const other = one.b.id === inHand ? one.a : one.b;
  const needed = one.distance < one.required ? ` of ${length(one.required)}` : '';
  return [[`to ${item(other.list, other.id)?.name ?? other.id}`, `${lengthWithUnit(one.measured)}${needed}`]];
}

/** Returns the wires that get longer or shorter by what is dragged, with their lengths. */
function lengthened(before: readonly SolvedHarness[], after: readonly SolvedHarness[]): [string, string][] {
  const was = new Map(before.flatMap(({ id, wires }) => wires.map((wire) => [`${id} ${wire.id}`, wire.length])));
  const changed = after.flatMap(({ id, wires }) =>
    wires.flatMap((wire) => {
      const old = was.get(`${id} ${wire.id}`) ?? null;
      return old === null || wire.length === null || Math.abs(wire.length - old) < LEAST
        ? []
        : [{ id: wire.id, is: wire.length, by: wire.length - old }];
    }),
  );
  const rows = changed
    .slice(0, MOST)
    .map(({ id, is, by }): [string, string] => [
      id,
      `${lengthWithUnit(is)} (${by > 0 ? '+' : '−'}${length(Math.abs(by))})`,
    ]);
  return changed.length > MOST ? [...rows, ['wires', `${changed.length - MOST} more`]] : rows;
}

/** Returns what is broken of harnesses by what is dragged. */
function broke(before: readonly SolvedHarness[], after: readonly SolvedHarness[]): string[] {
  const titles = (all: readonly SolvedHarness[]) =>
    all.flatMap(({ findings }) => findings.filter((one) => one.severity === 'violation').map(({ title }) => title));
  const was = new Set(titles(before));
  return titles(after)
    .filter((title) => !was.has(title))
    .slice(0, MOST);
}
