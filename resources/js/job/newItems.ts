import type { Clamp, Fitting, JobState, Mesh, Part, Place, Run, Stock, Surrounding } from '../api/types';

/** What a new item starts as; everything about it is changed in its card. */
export const newFitting = (id: string, name: string, before = 0): Fitting => ({
  id,
  name,
  // Beside those that are there, not inside the last one.
  pose: { at: [500 * before, 0, 100] },
  body: { shape: 'box', size: [200, 200, 200] },
  ports: [{ id: 'out', name: 'Outlet', at: [0, 0, 100], axis: '+z' }],
});

export const newBox = (id: string, name: string): Surrounding => ({
  id,
  name,
  shape: 'box',
  pose: { at: [0, 0, 0] },
  size: [400, 400, 200],
});

export const newCylinder = (id: string, name: string): Surrounding => ({
  id,
  name,
  shape: 'cylinder',
  pose: { at: [0, 0, 0] },
  diameter: 200,
  height: 400,
});

/** A panel that stands up, its front towards −y. */
export const newPanel = (id: string, name: string): Surrounding => ({
  id,
  name,
  shape: 'panel',
  pose: { at: [0, 300, 200], turn: { about: '+x', by: 90 } },
  width: 600,
  height: 400,
  thickness: 10,
});

export const newMesh = (id: string, name: string, mesh: Mesh): Surrounding => ({
  id,
  name,
  shape: 'mesh',
  mesh: mesh.mesh,
  extent: mesh.extent as Surrounding['extent'],
  pose: { at: [0, 0, 0] },
});

export const newPart =
  (kind: Part['kind']) =>
  (id: string, name: string, before = 0): Fitting => ({
    id,
    name,
    pose: { at: [400 * before, 0, 100] },
    part: { kind },
  });

export const newClamp = (id: string, name: string): Clamp => ({
  id,
  name,
  at: [0, 0, 0],
  axis: '+x',
  bore: 12,
  width: 12,
});

export const newStock = (id: string, name: string): Stock => ({
  id,
  name,
  kind: 'tube',
  section: { shape: 'round', od: 12, wall: 1.5 },
  bend: { radius: 30, min_radius: 24, min_straight: 20 },
  density: 7850,
});

/** A run between two ports, or in the open beside what is there, to be laid further in its card. */
export const newRun = (
  id: string,
  name: string,
  stock: string,
  from: string,
  to: string,
  remembered: JobState['remembered'],
): Run => ({
  id,
  name,
  stock,
  from: { port: from, end: { type: 'open' } },
  to: { port: to, end: { type: 'open' } },
  route: { kind: 'corners', ...cornerOf(stock, remembered), stops: [] },
});

/** The bend radius chosen last, for a run of the same stock. */
export const cornerOf = (stock: string, { stock: last, radius }: JobState['remembered']): Partial<Run['route']> =>
  stock === last && radius !== undefined ? { corner: { radius } } : {};

export interface FreePort {
  name: string;
  label: string;
}

/** Ports that no run begins or ends at yet, by the names people know. */
export function freePorts(places: readonly Place[], fittings: readonly Fitting[], runs: readonly Run[]): FreePort[] {
  const taken = new Set(runs.flatMap((run) => [run.from?.port, run.to?.port]));
  return allPorts(places, fittings).filter((port) => !taken.has(port.name));
}

export function allPorts(places: readonly Place[], fittings: readonly Fitting[]): FreePort[] {
  return places.flatMap((place) => {
    const fitting = fittings.find((item) => item.id === place.id && place.list === 'fittings');
    return place.ports.map((port) => ({
      name: port.name,
      label: `${fitting?.name ?? place.id}, ${fitting?.ports?.find((item) => item.id === port.id)?.name ?? port.id}`,
    }));
  });
}

/** "Sea-water pump, Outlet → Heat exchanger, Sea-water in" */
export function fromTo(run: Run, ports: readonly FreePort[]): string {
  const end = (name: string | undefined) =>
    name === undefined ? 'open end' : (ports.find((port) => port.name === name)?.label ?? name);
  if (run.from === undefined && run.to === undefined) {
    return 'wound round another run';
  }
  return `${end(run.from?.port)} → ${end(run.to?.port)}`;
}
