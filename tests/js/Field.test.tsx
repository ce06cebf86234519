// @vitest-environment jsdom
import { cleanup, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { flushSync } from 'react-dom';
import { afterEach, describe, expect, test, vi } from 'vitest';
import { Field, type FieldProps } from '../../resources/js/job/Field';

/* A field under the hand: applied by Enter or by leaving it, put back by Escape. */

afterEach(cleanup);

/** A field that keeps what it is given unless `refuses` says why not. */
function Kept({ refuses, ...props }: Partial<FieldProps> & { refuses?: (typed: string) => string | null }) {
  const [text, setText] = useState(props.text ?? '30');
  return (
    <Field
      label="Radius"
      {...props}
      text={text}
      onEnter={async (typed) => {
        const why = refuses?.(typed) ?? null;
        await props.onEnter?.(typed);
        if (why !== null) {
          throw new Error(why);
        }
        // As an edit of the job is: done when what it came to is on the screen.
        flushSync(() => setText(typed));
      }}
    />
  );
}

function field(props: Parameters<typeof Kept>[0] = {}) {
  const onEnter = vi.fn(async () => undefined);
  const view = render(
    <>
      <Kept onEnter={onEnter} {...props} />
      <button type="button">elsewhere</button>
    </>,
  );
  return { onEnter, user: userEvent.setup(), input: screen.getByLabelText<HTMLInputElement>('Radius'), view };
}

describe('a field', () => {
  test('what is typed replaces what stood there, and Enter applies it', async () => {
    const { onEnter, user, input } = field();
    await user.click(input);
    await user.keyboard('36{Enter}');
    expect(onEnter.mock.calls).toEqual([['36']]);
    expect(input.value).toBe('36');
  });

  test('leaving it applies it once', async () => {
    const { onEnter, user, input } = field();
    await user.click(input);
    await user.keyboard('36');
    await user.click(screen.getByText('elsewhere'));
    expect(onEnter.mock.calls).toEqual([['36']]);
  });

  test('leaving it untouched applies nothing', async () => {
    const { onEnter, user, input } = field();
    await user.click(input);
    await user.click(screen.getByText('elsewhere'));
    expect(onEnter).not.toHaveBeenCalled();
  });

  test('Escape puts back what stood there, and nothing else hears of it', async () => {
    const heard = vi.fn();
    window.addEventListener('keydown', heard);
    const { onEnter, user, input } = field();
    await user.click(input);
    await user.keyboard('99');
    heard.mockClear();
    await user.keyboard('{Escape}');
    expect(input.value).toBe('30');
    expect(onEnter).not.toHaveBeenCalled();
    expect(heard).not.toHaveBeenCalled();
    window.removeEventListener('keydown', heard);
  });

  test('what is refused stays with its reason, read out with the field', async () => {
    const { user, input } = field({ refuses: (typed) => (typed === '5' ? 'This tube needs at least R 24.' : null) });
    await user.click(input);
    await user.keyboard('5{Enter}');
    const reason = await screen.findByRole('alert');
    expect(reason.textContent).toBe('This tube needs at least R 24.');
    expect(input.value).toBe('5');
    expect(input.getAttribute('aria-invalid')).toBe('true');
    expect(input.getAttribute('aria-describedby')).toBe(reason.id);
    await user.clear(input);
    await user.type(input, '24{Enter}');
    expect(screen.queryByRole('alert')).toBeNull();
    expect(input.getAttribute('aria-invalid')).toBe('false');
  });

  test.each([
    ['{ArrowUp}', '31'],
    ['{ArrowDown}', '29'],
    ['{ArrowUp}{ArrowUp}{ArrowDown}', '31'],
  ])('%s steps it to %s', async (keys, value) => {
    const { onEnter, user, input } = field({ step: (typed, by) => String(Number(typed) + Math.sign(by)) });
    await user.click(input);
    await user.keyboard(keys);
    await waitFor(() => expect(onEnter).toHaveBeenLastCalledWith(value));
    await waitFor(() => expect(input.value).toBe(value));
  });

  test('arrow keys leave an expression alone', async () => {
    const { onEnter, user, input } = field({ text: '=rise', step: () => null });
    await user.click(input);
    await user.keyboard('{ArrowUp}');
    expect(input.value).toBe('=rise');
    expect(onEnter).not.toHaveBeenCalled();
  });

  test('a name that has been begun is offered with its value; Tab takes the one chosen', async () => {
    const { user, input } = field({ names: { rise: 300, rise_b: 410, wall: 1.5 } });
    await user.click(input);
    await user.keyboard('=ri');
    const offered = screen.getByRole('list', { name: 'Named values' });
    expect([...offered.querySelectorAll('button')].map(({ textContent }) => textContent)).toEqual([
      'rise300',
      'rise_b410',
    ]);
    await user.keyboard('{ArrowDown}{Tab}');
    expect(input.value).toBe('=rise_b');
    expect(document.activeElement).toBe(input);
    await user.keyboard('{Enter}');
    expect(screen.queryByRole('list', { name: 'Named values' })).toBeNull();
  });

  test('in a table the first Enter begins and the second applies; until then keys are the table’s', async () => {
    const heard = vi.fn();
    const { onEnter, user, input } = field({ inTable: true });
    input.parentElement?.parentElement?.addEventListener('keydown', (event) => heard(event.key));
    input.focus();
    await user.keyboard('{ArrowDown}');
    expect(heard).toHaveBeenCalledWith('ArrowDown');
    await user.keyboard('{Enter}');
    expect(onEnter).not.toHaveBeenCalled();
    expect(input.dataset.editing).toBe('true');
    await user.keyboard('44{Enter}');
    expect(onEnter.mock.calls).toEqual([['44']]);
    expect(input.dataset.editing).toBeUndefined();
  });

  test('a unit is shown beside it, and a disabled field takes nothing', async () => {
    const { onEnter, user, input, view } = field({ unit: 'mm', disabled: true });
    expect(view.container.querySelector('.unit')?.textContent).toBe('mm');
    await user.click(input);
    await user.keyboard('5{Enter}');
    expect(input.value).toBe('30');
    expect(onEnter).not.toHaveBeenCalled();
  });

  test('Ctrl+= begins to set it equal to another dimension', async () => {
    const begin = vi.fn();
    const { user, input } = field({ equal: { begin, take: vi.fn(), isOffered: false, isWaiting: false } });
    await user.click(input);
    await user.keyboard('{Control>}={/Control}');
    expect(begin).toHaveBeenCalledOnce();
  });

  test('a field on offer is taken by pressing it, and is not edited', async () => {
    const take = vi.fn();
    const { user, input } = field({ equal: { begin: vi.fn(), take, isOffered: true, isWaiting: false } });
    await user.pointer({ keys: '[MouseLeft]', target: input });
    expect(take).toHaveBeenCalledOnce();
  });
});
