import { Refused, Unreachable } from '../api/client';

/**
 * Asks one question at a time, always the newest: questions that were replaced meanwhile are never asked, and no answer
 * is taken after a stop.
 */
export function newest<Question, Answer>(
  ask: (question: Question) => Promise<Answer>,
  take: (answer: Answer, question: Question) => void,
  refuse: (why: string) => void = () => undefined,
) {
  let wanted: Question | null = null;
  let asking: Promise<void> | null = null;
  let stopped = false;

  const work = async () => {
    while (wanted !== null && !stopped) {
      const question = wanted;
      wanted = null;
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
    }
    asking = null;
  };

  return {
    want(question: Question) {
      wanted = question;
      asking ??= work();
    },
    /** Resolves when the newest question has been answered. */
    settled: async () => {
      while (asking !== null) {
        await asking;
      }
    },
    stop() {
      stopped = true;
    },
  };
}
