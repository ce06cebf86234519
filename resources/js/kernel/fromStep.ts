import type { StepBody } from './readStep';
import type { Answer } from './worker';

/** Largest file that is read, bytes: the kernel holds some ten times as much. */
const LARGEST = 100 * 1024 * 1024;

export const isStep = (name: string) => /\.(step|stp|p21)$/i.test(name);

/**
 * Reads a STEP file with a CAD kernel on a worker, which is loaded when it is asked for the first time. Refused with
 * the name of the file and the reason; stopped by the signal, for the reason that this gives.
 */
export async function fromStep(file: File, signal: AbortSignal): Promise<StepBody> {
  if (file.size > LARGEST) {
    throw new Error(`${file.name} is larger than 100 MB; bring in a part of it`);
  }
  const bytes = new Uint8Array(await file.arrayBuffer());
  signal.throwIfAborted();
  const worker = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module', name: 'step' });
  try {
    const answer = await new Promise<Answer>((resolve, reject) => {
      worker.onmessage = ({ data }: MessageEvent<Answer>) => resolve(data);
      worker.onerror = () => reject(new Error(`${file.name} was not read: what reads it could not be loaded`));
      signal.addEventListener('abort', () => reject(signal.reason));
      worker.postMessage(bytes, [bytes.buffer]);
    });
    if ('wrong' in answer) {
      throw new Error(`${file.name} cannot be brought in: ${answer.wrong}`);
    }
    return answer.body;
  } finally {
    worker.terminate();
  }
}

const HEADER = 80;
const FACET = 50;

/** Returns triangles as binary STL, with normals of zero length, which say nothing. */
export function stlOf(triangles: Float32Array): ArrayBuffer {
  const count = triangles.length / 9;
  const stl = new DataView(new ArrayBuffer(HEADER + 4 + FACET * count));
  stl.setUint32(HEADER, count, true);
  for (const [index, part] of triangles.entries()) {
    const facet = Math.floor(index / 9);
    stl.setFloat32(HEADER + 4 + FACET * facet + 12 + 4 * (index % 9), part, true);
  }
  return stl.buffer;
}
