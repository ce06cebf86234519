import init from 'replicad-opencascadejs';
import kernelAddress from 'replicad-opencascadejs/wasm?url';
import { readStep, type StepBody } from './readStep';

/** What the worker answers: the body, or what is wrong with the file. */
export type Answer = { body: StepBody } | { wrong: string };

/** Reads one STEP file beside the page. Whoever asked ends the worker, which holds a few hundred megabytes. */
self.onmessage = async ({ data }: MessageEvent<Uint8Array>) => {
  const answer = (answer: Answer) => self.postMessage(answer);
  try {
    answer({ body: readStep(await init({ locateFile: () => kernelAddress }), data) });
  } catch (error) {
    answer({ wrong: error instanceof Error ? error.message : 'it asks for more than this machine can hold' });
  }
};
