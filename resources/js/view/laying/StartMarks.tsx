import type { Point } from '../../api/types';
import { type Start, useLaying } from '../../job/laying';
import { allPorts, freePorts } from '../../job/newItems';
import { useWorkbench } from '../../job/store';
import { useJob } from '../../job/useJob';
import { usePreferredStock } from '../../job/usePreferredStock';
import { Pinned } from '../Pinned';

/** A mark on every free port, and on the open end of a run: a click lays from there. */
export function StartMarks() {
  const { state, items, places } = useJob();
  const [stock] = usePreferredStock();
  const begin = useLaying((store) => store.begin);
  const pick = useWorkbench((store) => store.pick);
  const free = new Set(freePorts(state.places, items('fittings'), items('runs')).map(({ name }) => name));
  const labels = new Map(allPorts(state.places, items('fittings')).map(({ name, label }) => [name, label]));
  const ports = places.flatMap((place) => place.ports);

  return (
    <>
      {ports
        .filter((port) => free.has(port.name))
        .map((port) => (
          <Pinned key={port.name} at={port.at} rank={3}>
            <button
              type="button"
              className="start-mark"
              aria-label={`Begin at ${labels.get(port.name) ?? port.name}`}
              title={labels.get(port.name)}
              onClick={() => begin({ port: port.name, at: port.at, axis: port.axis }, stock)}
            />
          </Pinned>
        ))}
      {items('runs')
        .filter(
          ({ route, from, to }) =>
            route.kind === 'corners' &&
            to?.port === undefined &&
            to?.on === undefined &&
            (from?.port ?? from?.on) !== undefined,
        )
        .map((run) => {
          const vertices = state.solutions.find((solved) => solved.id === run.id)?.vertices ?? [];
          const port = run.from?.on === undefined ? ports.find(({ name }) => name === run.from?.port) : onRun(vertices);
          const end = vertices.at(-1);
          return port === undefined || end === undefined ? null : (
            <Pinned key={run.id} at={end} rank={3}>
              <button
                type="button"
                className="start-mark open-end"
                aria-label={`Go on with ${run.name ?? run.id}`}
                title={`Go on with ${run.name ?? run.id}`}
                onClick={() => {
                  pick('runs', run.id);
                  begin({ port: port.name, at: port.at, axis: port.axis }, run.stock, run.id);
                }}
              />
            </Pinned>
          );
        })}
    </>
  );
}

/** Returns the start of a run that stands on another, which has no port. */
function onRun([at, next]: readonly Point[]): (Omit<Start, 'port'> & { name: string }) | undefined {
  return at === undefined || next === undefined
    ? undefined
    : { name: '', at, axis: [next[0] - at[0], next[1] - at[1], next[2] - at[2]] };
}
