import { Refused, Unreachable } from '../api/client';

/** Time of an answer beyond which a pause gets no longer, ms. */
const LONGEST = 150;

/**
 * Asks one question at a time, always the newest: questions that were replaced meanwhile are never asked, and no answer
 * is taken after a stop. Between an answer and the next question it waits as long as the answer took, so that one drag
 * keeps the server busy half of the time at most, and many drags do not keep each other waiting; the last question,
 * which a drop waits for, is asked at once.
 *
 * @param rests how many times as long as an answer took it waits
 */
export function newest<Question, Answer>(
  ask: (question: Question) => Promise<Answer>,
  take: (answer: Answer, question: Question) => void,
  refuse: (why: string) => void = () => undefined,
  rests = 1,
) {
  let wanted: Question | null = null;
  let asking: Promise<void> | null = null;
  let stopped = false;
  /** Whether somebody waits for the newest answer. */
  let isAwaited = false;
  let endPause: () => void = () => undefined;

  const pause = (time: number) =>
    new Promise<void>((resolve) => {
      const timer = setTimeout(resolve, time);
      endPause = () => {
        clearTimeout(timer);
        resolve();
      };
    });

  const work = async () => {
    while (wanted !== null && !stopped) {
      const question = wanted;
      wanted = null;
      const asked = performance.now();
      try {
        const answer = await ask(question);
        if (!stopped) {
          take(answer, question);
        }
      } catch (error) {
        if (!stopped && (error instanceof Refused || error instanceof Unreachable)) {
          refuse(error.message);
        }
      }
      if (!stopped && !isAwaited) {
        await pause(rests * Math.min(performance.now() - asked, LONGEST));
      }
    }
    asking = null;
  };

  return {
    want(question: Question) {
      wanted = question;
      isAwaited = false;
      asking ??= work();
    },
    /** Resolves when the newest question has been answered. */
    settled: async () => {
      isAwaited = true;
      endPause();
      while (asking !== null) {
        await asking;
      }
    },
    stop() {
      stopped = true;
      endPause();
    },
  };
}
