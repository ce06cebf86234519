import { useLaying } from '../../job/laying';
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
        .filter((run) => run.route.kind === 'corners' && run.to?.port === undefined && run.from?.port !== undefined)
        .map((run) => {
          const port = ports.find(({ name }) => name === run.from?.port);
          const end = state.solutions.find((solved) => solved.id === run.id)?.vertices.at(-1);
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
