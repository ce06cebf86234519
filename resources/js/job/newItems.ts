import type { Fitting, JobState, Place, Run } from '../api/types';

/** Returns the bend radius chosen last, for a run of the same stock. */
export const cornerOf = (stock: string, { stock: last, radius }: JobState['remembered']): Partial<Run['route']> =>
  stock === last && radius !== undefined ? { corner: { radius } } : {};

export interface FreePort {
  name: string;
  label: string;
}

/** Returns the ports at which no run begins or ends, with their names; a channel leaves its openings free. */
export function freePorts(places: readonly Place[], fittings: readonly Fitting[], runs: readonly Run[]): FreePort[] {
  const taken = new Set(runs.flatMap((run) => (run.body === undefined ? [run.from?.port, run.to?.port] : [])));
  return allPorts(places, fittings).filter((port) => !taken.has(port.name));
}

export function allPorts(places: readonly Place[], fittings: readonly Fitting[]): FreePort[] {
  return places.flatMap((place) => {
    const fitting = fittings.find((item) => item.id === place.id && place.list === 'fittings');
    return place.ports.map((port) => ({
      name: port.name,
      label: `${fitting?.name ?? place.id}, ${port.title}`,
    }));
  });
}

/** Returns all ports, and the ends in the open of runs with corners, from which another run goes on. */
export function placesToLay(places: readonly Place[], fittings: readonly Fitting[], runs: readonly Run[]): FreePort[] {
  const ends = runs
    .filter(({ route }) => route.kind === 'corners')
    .flatMap((run) =>
      (['from', 'to'] as const)
        .filter((which) => run[which]?.at !== undefined)
        .map((which) => ({
          name: `${run.id}.${which}`,
          label: `${run.name ?? run.id}, ${which === 'from' ? 'its open start' : 'its open end'}`,
        })),
    );
  return [...allPorts(places, fittings), ...ends];
}

/** Returns "Sea-water pump, Outlet → Heat exchanger, Sea-water in". */
export function fromTo(run: Run, ports: readonly FreePort[], runs: readonly Run[]): string {
  const end = (of: Run['from']) =>
    of?.on !== undefined
      ? `on ${runs.find(({ id }) => id === of.on?.run)?.name ?? of.on.run}`
      : of?.port === undefined
        ? 'open end'
        : (ports.find((port) => port.name === of.port)?.label ?? of.port);
  if (run.from === undefined && run.to === undefined) {
    return 'wound round another run';
  }
  return `${end(run.from)} → ${end(run.to)}`;
}
