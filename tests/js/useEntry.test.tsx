// @vitest-environment jsdom
import { act, renderHook } from '@testing-library/react';
import { describe, expect, test } from 'vitest';
import { useEntry } from '../../resources/js/ui/useEntry';

/* What is typed from the first key until it is taken or refused. */

/** An entry over 12, and a server that takes or refuses when the test says so. */
function entry(text = '12', editText = text) {
  const sent: { typed: string; take: () => void; refuse: (why: string) => void }[] = [];
  const onEnter = (typed: string) =>
    new Promise<void>((take, fail) => {
      sent.push({ typed, take, refuse: (why) => fail(new Error(why)) });
    });
  const hook = renderHook((given: { text: string; editText: string }) => useEntry({ ...given, onEnter }), {
    initialProps: { text, editText },
  });
  return {
    sent,
    now: () => hook.result.current,
    type: (typed: string) => act(() => hook.result.current.type(typed)),
    /** Enters without waiting for the server. */
    enter: (typed: string) =>
      act(async () => {
        void hook.result.current.enter(typed);
      }),
    answer: (index: number, why?: string) =>
      act(async () => {
        const one = sent[index];
        if (why === undefined) {
          one?.take();
        } else {
          one?.refuse(why);
        }
      }),
    stands: (next: string, edit = next) => act(() => hook.rerender({ text: next, editText: edit })),
  };
}

describe('an entry', () => {
  test('sends what was typed once, and shows how the server says it', async () => {
    const field = entry();
    field.type('13 mm');
    await field.enter('13 mm');
    expect(field.sent.map(({ typed }) => typed)).toEqual(['13 mm']);
    field.stands('13');
    await field.answer(0);
    expect(field.now().typed).toBe('13');
    expect(field.now().refused).toBeNull();
  });

  test.each([
    ['what stands there already', '12', '12', '12'],
    ['what it was typed as', '12', '1/2 in', '1/2 in'],
  ])('does not send %s', async (_, text, editText, typed) => {
    const field = entry(text, editText);
    field.type(typed);
    await field.enter(typed);
    expect(field.sent).toEqual([]);
    expect(field.now().typed).toBe(text);
  });

  test('keeps what was refused as it was typed, with the reason, until it is typed over or put back', async () => {
    const field = entry();
    field.type('-5');
    await field.enter('-5');
    await field.answer(0, 'A radius is above 0.');
    expect(field.now()).toMatchObject({ typed: '-5', refused: 'A radius is above 0.' });
    act(() => field.now().putBack());
    expect(field.now()).toMatchObject({ typed: '12', refused: null });
  });

  test('a reason goes when what is entered next is taken', async () => {
    const field = entry();
    await field.enter('-5');
    await field.answer(0, 'A radius is above 0.');
    field.type('14');
    await field.enter('14');
    field.stands('14');
    await field.answer(1);
    expect(field.now()).toMatchObject({ typed: '14', refused: null });
  });

  test('one is on its way at a time: only the newest of what waits follows it', async () => {
    const field = entry();
    for (const typed of ['13', '14', '15']) {
      field.type(typed);
      await field.enter(typed);
    }
    expect(field.sent.map(({ typed }) => typed)).toEqual(['13']);
    field.stands('13');
    await field.answer(0);
    expect(field.sent.map(({ typed }) => typed)).toEqual(['13', '15']);
    field.stands('15');
    await field.answer(1);
    expect(field.now().typed).toBe('15');
  });

  test('entering again what is on its way sends it once, and drops what waited', async () => {
    const field = entry();
    await field.enter('13');
    await field.enter('14');
    await field.enter('13');
    await field.answer(0);
    expect(field.sent.map(({ typed }) => typed)).toEqual(['13']);
  });

  test('what arrives takes the place of what is untouched', () => {
    const field = entry();
    field.stands('16');
    expect(field.now().typed).toBe('16');
  });

  test('what arrives never takes the place of what is being typed', () => {
    const field = entry();
    field.type('1');
    field.stands('16');
    expect(field.now().typed).toBe('1');
  });

  test('what arrives takes the place of what was only shown to begin editing with', () => {
    const field = entry('12.7', '1/2 in');
    act(() => field.now().beginEditing());
    expect(field.now().typed).toBe('1/2 in');
    field.stands('25.4', '1 in');
    expect(field.now().typed).toBe('25.4');
  });

  test('what was typed while the answer was on its way stays', async () => {
    const field = entry();
    field.type('13');
    await field.enter('13');
    field.type('13.5');
    field.stands('13');
    await field.answer(0);
    expect(field.now().typed).toBe('13.5');
  });
});
