import { api } from '../api/client';
import type { NewItem } from '../api/types';
import { useReading } from '../job/reading';
import { fromStep, isStep, stlOf } from '../kernel/fromStep';

/** Sends the triangles of a file to be kept, and returns what a body of the surroundings begins as. */
export async function bringInBody(file: File): Promise<NewItem> {
  const name = file.name.replace(/\.\w+$/, '') || 'Mesh';
  if (!isStep(file.name)) {
    const { mesh, extent } = await api.takeMesh(file);
    return { kind: 'mesh', name, mesh, extent: extent as NewItem['extent'] };
  }
  const asked = new AbortController();
  const { setReading } = useReading.getState();
  setReading({ name: file.name, stop: () => asked.abort(new Error(`${file.name} was not brought in`)) });
  try {
    const { triangles, rounds } = await fromStep(file, asked.signal);
    const { mesh, extent } = await api.takeMesh(new File([stlOf(triangles)], file.name));
    asked.signal.throwIfAborted();
    return { kind: 'mesh', name, mesh, extent: extent as NewItem['extent'], rounds };
  } finally {
    setReading(null);
  }
}
