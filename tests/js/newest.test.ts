import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { Refused, Unreachable } from '../../resources/js/api/client';
import { newest } from '../../resources/js/job/newest';

/* One question at a time, always the newest. */

/** A server that answers when the test says so. */
function server() {
  const open: { question: number; answer: (text: string) => void; fail: (error: Error) => void }[] = [];
  const asked: number[] = [];
  return {
    asked,
    ask: (question: number) =>
      new Promise<string>((answer, fail) => {
        asked.push(question);
        open.push({ question, answer, fail });
      }),
    /** The oldest question that waits. */
    next: () => {
      const one = open.shift();
      if (one === undefined) {
        throw new Error('nothing is asked');
      }
      return one;
    },
  };
}

describe('newest', () => {
  test('asks at once, and never what was wanted only meanwhile', async () => {
    const { ask, asked, next } = server();
    const taken: [string, number][] = [];
    const questions = newest(ask, (answer, question) => taken.push([answer, question]));
    questions.want(1);
    questions.want(2);
    questions.want(3);
    expect(asked).toEqual([1]);
    next().answer('one');
    await vi.waitFor(() => expect(asked).toEqual([1, 3]));
    next().answer('three');
    await questions.settled();
    expect(taken).toEqual([
      ['one', 1],
      ['three', 3],
    ]);
  });

  test('asks again after it has come to rest', async () => {
    const { ask, asked, next } = server();
    const taken: string[] = [];
    const questions = newest(ask, (answer) => taken.push(answer));
    for (const [question, answer] of [
      [1, 'a'],
      [2, 'b'],
    ] as const) {
      questions.want(question);
      next().answer(answer);
      await questions.settled();
    }
    expect(asked).toEqual([1, 2]);
    expect(taken).toEqual(['a', 'b']);
  });

  test('takes nothing once it has been stopped, and asks nothing more', async () => {
    const { ask, asked, next } = server();
    const take = vi.fn();
    const refuse = vi.fn();
    const questions = newest(ask, take, refuse);
    questions.want(1);
    questions.want(2);
    questions.stop();
    next().answer('late');
    await questions.settled();
    expect(take).not.toHaveBeenCalled();
    expect(refuse).not.toHaveBeenCalled();
    expect(asked).toEqual([1]);
  });

  test('a late refusal after the stop is not shown either', async () => {
    const { ask, next } = server();
    const refuse = vi.fn();
    const questions = newest(ask, vi.fn(), refuse);
    questions.want(1);
    questions.stop();
    next().fail(new Refused(422, { message: 'late' }));
    await questions.settled();
    expect(refuse).not.toHaveBeenCalled();
  });

  test.each([
    ['a refusal', new Refused(422, { message: 'The bend needs R 24.' }), ['The bend needs R 24.']],
    ['an absent server', new Unreachable('Bowline does not answer.'), ['Bowline does not answer.']],
    // A question that was given up is no news to anybody.
    ['a question given up', new DOMException('', 'AbortError') as Error, []],
  ])('%s does not end it: the newest is asked all the same', async (_, error, said) => {
    const { ask, asked, next } = server();
    const taken: string[] = [];
    const why: string[] = [];
    const questions = newest(
      ask,
      (answer) => taken.push(answer),
      (reason) => why.push(reason),
    );
    questions.want(1);
    questions.want(2);
    next().fail(error);
    await vi.waitFor(() => expect(asked).toEqual([1, 2]));
    next().answer('two');
    await questions.settled();
    expect(why).toEqual(said);
    expect(taken).toEqual(['two']);
  });

  describe('between an answer and the next question', () => {
    beforeEach(() => vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout', 'performance'] }));
    afterEach(() => vi.useRealTimers());

    /** Asks 1, wants 2 while it is answered after some time, ms. */
    const answeredAfter = async (time: number, rests = 1) => {
      const { ask, asked, next } = server();
      const questions = newest(ask, vi.fn(), undefined, { rests });
      questions.want(1);
      questions.want(2);
      await vi.advanceTimersByTimeAsync(time);
      next().answer('one');
      await vi.advanceTimersByTimeAsync(0);
      return { questions, asked, next };
    };

    test.each([
      // As long as the answer took, and no longer than 150 ms; or three times as long.
      [20, 1, 20],
      [90, 1, 90],
      [150, 1, 150],
      [800, 1, 150],
      [20, 3, 60],
      [800, 3, 450],
    ])('that took %d ms it waits %d times as long: %d ms', async (took, rests, waits) => {
      const { asked } = await answeredAfter(took, rests);
      await vi.advanceTimersByTimeAsync(waits - 1);
      expect(asked).toEqual([1]);
      await vi.advanceTimersByTimeAsync(1);
      expect(asked).toEqual([1, 2]);
    });

    test.each([
      // First answers of 30 ms, 20 of which were worked: 10 are the way. Then [took, worked, pause]:
      ['nobody else is there', 30, 20, 30],
      ['it is much work, and nobody else is there', 140, 130, 140],
      ['others kept it waiting for 50 ms more', 80, 20, 80 + 8 * 50],
      ['others kept it waiting for long', 400, 20, 150 + 500],
      ['the way was quicker than before', 25, 20, 25],
    ])('it yields where %s', async (_, took, worked, waits) => {
      const { ask, asked, next } = server();
      const questions = newest(ask, vi.fn(), undefined, { workOf: Number });
      for (const [question, time, work] of [
        [1, 30, 20],
        [2, took, worked],
      ] as const) {
        questions.want(question);
        await vi.advanceTimersByTimeAsync(time);
        next().answer(String(work));
        await vi.advanceTimersByTimeAsync(question === 1 ? 30 : 0);
      }
      questions.want(3);
      await vi.advanceTimersByTimeAsync(waits - 1);
      expect(asked).toEqual([1, 2]);
      await vi.advanceTimersByTimeAsync(1);
      expect(asked).toEqual([1, 2, 3]);
    });

    test('it does not wait where a drop waits for it', async () => {
      const { questions, asked, next } = await answeredAfter(100);
      const settled = vi.fn();
      void questions.settled().then(settled);
      await vi.advanceTimersByTimeAsync(0);
      expect(asked).toEqual([1, 2]);
      next().answer('two');
      await vi.advanceTimersByTimeAsync(0);
      expect(settled).toHaveBeenCalled();
    });

    test('it takes the newest that comes while it waits', async () => {
      const { questions, asked } = await answeredAfter(100);
      questions.want(3);
      await vi.advanceTimersByTimeAsync(100);
      expect(asked).toEqual([1, 3]);
    });

    test('a stop ends the wait, and nothing is asked', async () => {
      const { questions, asked } = await answeredAfter(100);
      questions.stop();
      await questions.settled();
      expect(asked).toEqual([1]);
      expect(vi.getTimerCount()).toBe(0);
    });
  });
});
