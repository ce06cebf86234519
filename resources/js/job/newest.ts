import { Refused, Unreachable } from '../api/client';
import type { Preview } from '../api/types';

/** Time of an answer beyond which a pause gets no longer, ms. */
const LONGEST = 150;

/** Pause for each ms that an answer waited for others at the server, and the longest such pause, ms. */
const [YIELDS, LONGEST_YIELD] = [8, 500];

/**
 * Asks one question at a time, always the newest: questions that were replaced meanwhile are never asked, and no answer
 * is taken after a stop. Between an answer and the next question it pauses as long as the answer took, so that one drag
 * keeps the server busy half of the time at most; the last question, which a drop waits for, is asked at once.
 *
 * Many drags that do so would still keep each other waiting. Where an answer tells how long it was worked on, what it
 * took beyond that, and beyond the least of this drag (the way there and back), it waited for others. The pause is
 * longer by eight times that: drags share a busy server by asking less often and not by queueing, as congestion
 * control by delay does in networks (L. Brakmo, L. Peterson, "TCP Vegas", 1995).
 *
 * @param rests how many times as long as an answer took it pauses
 * @param workOf returns how long an answer was worked on, ms
 */
export function newest<Question, Answer>(
  ask: (question: Question) => Promise<Answer>,
  take: (answer: Answer, question: Question) => void,
  refuse: (why: string, question: Question) => void = () => undefined,
  { rests = 1, workOf }: { rests?: number; workOf?: (answer: Answer) => number } = {},
) {
  let wanted: Question | null = null;
  let asking: Promise<void> | null = null;
  let stopped = false;
  /** Whether somebody waits for the newest answer. */
  let isAwaited = false;
  let endPause: () => void = () => undefined;
  /** The least time that an answer took beyond the work on it, ms. */
  let leastWait = Number.POSITIVE_INFINITY;

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
      let waited = 0;
      try {
        const answer = await ask(question);
        if (workOf !== undefined) {
          const wait = Math.max(0, performance.now() - asked - workOf(answer));
          leastWait = Math.min(leastWait, wait);
          waited = wait - leastWait;
        }
        if (!stopped) {
          take(answer, question);
        }
      } catch (error) {
        if (!stopped && (error instanceof Refused || error instanceof Unreachable)) {
          refuse(error.message, question);
        }
      }
      if (!stopped && !isAwaited) {
        const took = performance.now() - asked;
        await pause(rests * Math.min(took, LONGEST) + Math.min(YIELDS * waited, LONGEST_YIELD));
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

/** Asks for previews of a drag, one at a time, always the newest. */
export const newestPreview = <Question>(
  ask: (question: Question) => Promise<Preview>,
  take: (answer: Preview, question: Question) => void,
  refuse?: (why: string, question: Question) => void,
) => newest(ask, take, refuse, { workOf: ({ work }) => work });
