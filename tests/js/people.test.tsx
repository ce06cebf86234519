// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { ReactNode } from 'react';
import { MemoryRouter, Route, Routes, useLocation } from 'react-router';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { api } from '../../resources/js/api/client';
import type { JobPeople, Me, Person, TrailEntry } from '../../resources/js/api/types';
import { usePresence } from '../../resources/js/job/presence';
import { useWorkbench } from '../../resources/js/job/store';
import { type JobAccess, JobContext } from '../../resources/js/job/useJob';
import { JobPeopleDialog } from '../../resources/js/people/JobPeopleDialog';
import { OthersHere } from '../../resources/js/people/OthersHere';
import {
  AccountPage,
  InvitationPage,
  NewPasswordPage,
  PeoplePage,
  SharedPage,
  SignInPage,
  TrailPage,
} from '../../resources/js/people/pages';

/* The pages of people: what each shows while it reads, when it is refused, and to whom. */

const MAUD: Person = {
  id: 1,
  name: 'Maud Larsen',
  email: 'maud@example.org',
  role: 'owner',
  second_factor: false,
  invited: false,
  disabled: false,
} as Person;
const OLA = { ...MAUD, id: 2, name: 'Ola Ness', email: 'ola@example.org', role: 'viewer', invited: true } as Person;

const me = (...may: string[]) =>
  vi.spyOn(api, 'me').mockResolvedValue({ people: true, person: MAUD, team: 'Yard', may } as Me);

/** Says where one is. */
const Place = () => {
  const { pathname, search } = useLocation();
  return <output>{pathname + search}</output>;
};

function open(page: ReactNode, at = '/here', path = '/here', state: unknown = null, around: object | null = null) {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  const access = { state: { id: 7 }, item: () => undefined, ...around } as unknown as JobAccess;
  const [pathname, search = ''] = at.split('?');
  return render(
    <MemoryRouter initialEntries={[{ pathname, search: search === '' ? '' : `?${search}`, state }]}>
      <QueryClientProvider client={client}>
        <JobContext value={access}>
          <Routes>
            <Route path={path} element={page} />
            <Route path="*" element={<p>elsewhere</p>} />
          </Routes>
          <Place />
        </JobContext>
      </QueryClientProvider>
    </MemoryRouter>,
  );
}

/** Waits until one is there: React Router navigates in a transition, which React may spread over several tasks. */
const arriveAt = (place: string) => waitFor(() => expect(screen.getByRole('status').textContent).toBe(place));

const user = userEvent.setup();
const press = (name: string) => user.click(screen.getByRole('button', { name }));
const type = async (label: string, text: string) => {
  const field = screen.getByLabelText(label);
  await user.clear(field);
  await user.type(field, text);
};

beforeEach(() => {
  vi.spyOn(api, 'people').mockResolvedValue({ team: 'Yard', people: [MAUD, OLA] });
  vi.spyOn(api, 'tokens').mockResolvedValue({ tokens: [] });
});
afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
  usePresence.setState({ others: [] });
  useWorkbench.setState({ panel: null });
});

describe('signing in', () => {
  test('asks for a code where there is a second factor, and goes back to where one was', async () => {
    const signIn = vi.spyOn(api, 'signIn').mockResolvedValue({ code_needed: true } as never);
    const giveCode = vi.spyOn(api, 'giveCode').mockResolvedValue({ code_needed: false } as never);
    open(<SignInPage />, '/here', '/here', { back: '/jobs/3/lay' });
    await type('E-mail address', 'maud@example.org');
    await type('Password', 'four words and more');
    await press('Sign in');
    expect(signIn).toHaveBeenCalledWith({ email: 'maud@example.org', password: 'four words and more' });
    // The password is not kept while the code is asked for.
    expect(screen.queryByLabelText('Password')).toBeNull();
    await type('Code of your authenticator, or a recovery code', '123456');
    await press('Sign in');
    expect(giveCode).toHaveBeenCalledWith('123456');
    await arriveAt('/jobs/3/lay');
  });

  test('says why it was refused, and keeps what was typed', async () => {
    vi.spyOn(api, 'signIn').mockRejectedValue(new Error('the address or the password is wrong'));
    open(<SignInPage />);
    await type('E-mail address', 'maud@example.org');
    await type('Password', 'wrong');
    await press('Sign in');
    expect((await screen.findByRole('alert')).textContent).toBe('The address or the password is wrong');
    expect(screen.getByLabelText<HTMLInputElement>('E-mail address').value).toBe('maud@example.org');
    expect(screen.getByLabelText<HTMLInputElement>('Password').value).toBe('wrong');
  });

  test('sends a link to a new password, and does not say whether there is such a person', async () => {
    const forgot = vi.spyOn(api, 'forgotPassword').mockResolvedValue(undefined as never);
    open(<SignInPage />);
    await type('E-mail address', 'nobody@example.org');
    await press('I have forgotten it');
    await press('Send me a link');
    expect(forgot).toHaveBeenCalledWith('nobody@example.org');
    expect(screen.getByText(/If somebody here has the address nobody@example.org/)).toBeTruthy();
    await press('Back to signing in');
    expect(screen.getByLabelText('Password')).toBeTruthy();
  });
});

describe('a password that is chosen', () => {
  test('is typed twice the same, and one that is refused stays', async () => {
    const choose = vi.spyOn(api, 'newPassword').mockRejectedValueOnce(new Error('it is one that is often found'));
    open(<NewPasswordPage />, '/here?email=ola@example.org&token=abc');
    expect(screen.getByText('For ola@example.org. All other sessions end.')).toBeTruthy();
    await type('Password', 'correct horse');
    await type('Once more', 'correct hors');
    await press('Go on');
    expect(screen.getByRole('alert').textContent).toBe('The two are not the same.');
    expect(choose).not.toHaveBeenCalled();
    await type('Once more', 'correct horse');
    await press('Go on');
    expect((await screen.findByRole('alert')).textContent).toBe('It is one that is often found');
    choose.mockResolvedValue(undefined as never);
    await press('Go on');
    expect(choose).toHaveBeenLastCalledWith({ email: 'ola@example.org', token: 'abc', password: 'correct horse' });
    await arriveAt('/sign-in');
  });

  test('accepts an invitation, by its signed address', async () => {
    vi.spyOn(api, 'invitation').mockResolvedValue({ name: 'Ola', email: 'ola@example.org' } as never);
    const accept = vi.spyOn(api, 'acceptInvitation').mockResolvedValue(undefined as never);
    open(<InvitationPage />, '/in/2?signature=s', '/in/:user');
    expect(screen.getByText('Looking at the invitation…')).toBeTruthy();
    expect(await screen.findByText('Welcome, Ola')).toBeTruthy();
    await type('Password', 'correct horse battery');
    await type('Once more', 'correct horse battery');
    await press('Go on');
    expect(accept).toHaveBeenCalledWith('2', '?signature=s', 'correct horse battery');
    await arriveAt('/');
  });

  test('is not asked for where the invitation does not hold', async () => {
    vi.spyOn(api, 'invitation').mockRejectedValue(new Error('it is older than seven days'));
    open(<InvitationPage />, '/in/2', '/in/:user');
    expect(await screen.findByText('This invitation does not hold')).toBeTruthy();
    expect(screen.getByText('It is older than seven days')).toBeTruthy();
  });
});

describe('a job that is shared', () => {
  test('is shown', async () => {
    vi.spyOn(api, 'openShared').mockResolvedValue({ job: 12 } as never);
    open(<SharedPage />, '/shared/abc', '/shared/:link');
    expect(screen.getByText('Opening the job…')).toBeTruthy();
    expect(await screen.findByText('elsewhere')).toBeTruthy();
    await arriveAt('/jobs/12/lay');
  });

  test('says so where its link was ended', async () => {
    vi.spyOn(api, 'openShared').mockRejectedValue(new Error('no'));
    open(<SharedPage />, '/shared/abc', '/shared/:link');
    expect(await screen.findByText('This link does not hold')).toBeTruthy();
  });
});

describe('the people of a team', () => {
  test('are led by who may', async () => {
    me('lead');
    const change = vi.spyOn(api, 'changePerson').mockResolvedValue(OLA);
    open(<PeoplePage />);
    expect(screen.getByText('Reading…')).toBeTruthy();
    const row = within((await screen.findByText('Ola Ness')).closest('tr') as HTMLElement);
    expect(screen.getByRole('heading', { name: 'People of Yard' })).toBeTruthy();
    await user.selectOptions(row.getByLabelText('Role of Ola Ness'), 'checker');
    expect(change).toHaveBeenLastCalledWith(2, { role: 'checker' });
    await user.click(row.getByRole('button', { name: 'Send it again' }));
    expect(change).toHaveBeenLastCalledWith(2, { again: true });
    await user.click(row.getByRole('button', { name: 'Lock out' }));
    expect(change).toHaveBeenLastCalledWith(2, { disabled: true });
    change.mockRejectedValue(new Error('you are the last owner'));
    await user.selectOptions(row.getByLabelText('Role of Ola Ness'), 'shop');
    expect((await screen.findByRole('alert')).textContent).toBe('You are the last owner');
  });

  test('are only read by others', async () => {
    me('read');
    open(<PeoplePage />);
    const row = within((await screen.findByText('Ola Ness')).closest('tr') as HTMLElement);
    expect(row.getByText('viewer')).toBeTruthy();
    expect(screen.queryByRole('combobox')).toBeNull();
    expect(screen.queryByText('Lock out')).toBeNull();
    expect(screen.queryByText('Invite somebody')).toBeNull();
  });

  test('are not shown where they cannot be read', async () => {
    me('lead');
    vi.spyOn(api, 'people').mockRejectedValue(new Error('sign in first'));
    open(<PeoplePage />);
    expect(await screen.findByText('Sign in first')).toBeTruthy();
    expect(screen.queryByText('Reading…')).toBeNull();
  });

  test('are invited, and whom it is refused for is not forgotten', async () => {
    me('lead');
    const invite = vi.spyOn(api, 'invite').mockRejectedValueOnce(new Error('somebody has that address'));
    open(<PeoplePage />);
    await screen.findByText('Invite somebody');
    const form = within(screen.getByRole('form', { name: 'Invite somebody' }));
    await user.type(form.getByLabelText('Name'), 'Ida');
    await user.type(form.getByLabelText('E-mail address'), 'ida@example.org');
    await user.selectOptions(form.getByLabelText('Role of whom you invite'), 'shop');
    await press('Send the invitation');
    expect((await screen.findByRole('alert')).textContent).toBe('Somebody has that address');
    expect(form.getByLabelText<HTMLInputElement>('Name').value).toBe('Ida');
    expect(form.getByLabelText<HTMLInputElement>('E-mail address').value).toBe('ida@example.org');
    invite.mockResolvedValue(OLA);
    await press('Send the invitation');
    expect(invite).toHaveBeenLastCalledWith({ name: 'Ida', email: 'ida@example.org', role: 'shop' });
    await vi.waitFor(() => expect(form.getByLabelText<HTMLInputElement>('Name').value).toBe(''));
    expect(screen.queryByRole('alert')).toBeNull();
  });
});

describe('the people of a job', () => {
  const LIST = {
    people: [
      { name: 'Maud Larsen', email: 'maud@example.org', role: 'owner', own: false, guest: false },
      { name: 'Ola Ness', email: 'ola@example.org', role: 'viewer', own: true, guest: false },
      { name: 'Kai', email: 'kai@example.org', role: 'shop', own: true, guest: true },
    ],
    shared: false,
  } as JobPeople;

  const show = async () => {
    vi.spyOn(api, 'jobPeople').mockResolvedValue(LIST);
    useWorkbench.setState({ panel: 'people' });
    open(<JobPeopleDialog />);
    expect(screen.getByText('Looking…')).toBeTruthy();
    await screen.findByRole('list', { name: 'People of this job' });
  };

  test('have a role of their own, that of the team, or none, by who owns it', async () => {
    me('own');
    const change = vi.spyOn(api, 'changeJobPerson').mockResolvedValue(LIST);
    await show();
    const choice = (name: string) => screen.findByLabelText<HTMLSelectElement>(`Role of ${name} in this job`);
    expect((await choice('Maud Larsen')).selectedOptions[0]?.text).toBe('as in the team: owner');
    expect((await choice('Ola Ness')).value).toBe('viewer');
    expect((await choice('Kai')).options[0]?.text).toBe('none: take the job back');
    await user.selectOptions(await choice('Kai'), '');
    expect(change).toHaveBeenLastCalledWith(7, { email: 'kai@example.org', role: undefined });
  });

  test('are given a role by their address, which stays where it is refused', async () => {
    me('own');
    const change = vi.spyOn(api, 'changeJobPerson').mockRejectedValueOnce(new Error('nobody has that address'));
    await show();
    await type('E-mail address of somebody else', 'new@example.org');
    await press('Give the role');
    expect((await screen.findByRole('alert')).textContent).toBe('Nobody has that address');
    const field = screen.getByLabelText<HTMLInputElement>('E-mail address of somebody else');
    expect(field.value).toBe('new@example.org');
    change.mockResolvedValue(LIST);
    await press('Give the role');
    await vi.waitFor(() => expect(field.value).toBe(''));
    expect(change).toHaveBeenLastCalledWith(7, { email: 'new@example.org', role: 'viewer' });
  });

  test('read by a link, which is shown once', async () => {
    me('own');
    const share = vi.spyOn(api, 'shareJob').mockResolvedValue({ link: 'https://yard.example.org/shared/abc' });
    await show();
    await press('Make a link');
    expect(share).toHaveBeenCalledWith(7, true);
    expect((await screen.findByLabelText<HTMLInputElement>('Link')).value).toContain('/shared/abc');
  });

  test('are only read by who does not own it', async () => {
    me('read');
    await show();
    await vi.waitFor(() => expect(screen.queryByRole('combobox')).toBeNull());
    expect(screen.queryByText('Make a link')).toBeNull();
  });
});

describe('what was done', () => {
  const entry = (id: number) =>
    ({
      id,
      at: '2026-11-29T12:00:00Z',
      by: 'Maud',
      event: 'edit',
      job: 'Skid',
      words: `Step ${id}`,
      details: {},
    }) as TrailEntry;

  test('is asked for by what, whom and when, and saved the same', async () => {
    me('lead');
    const trail = vi.spyOn(api, 'trail').mockResolvedValue({ found: 1, entries: [entry(1)] });
    open(<TrailPage />);
    expect(screen.getByText('Reading…')).toBeTruthy();
    expect(await screen.findByText('Step 1')).toBeTruthy();
    await user.selectOptions(screen.getByLabelText('What'), 'issue');
    await user.selectOptions(screen.getByLabelText('By whom'), 'Ola Ness');
    await type('from', '2026-11-01');
    await vi.waitFor(() =>
      expect(trail).toHaveBeenLastCalledWith({ what: 'issue', person: '2', from: '2026-11-01', to: '', before: '' }),
    );
    const save = screen.getByText('Save as CSV').closest('a');
    expect(save?.getAttribute('href')).toContain('what=issue&person=2&from=2026-11-01');
  });

  test('says so where nothing was', async () => {
    me('lead');
    vi.spyOn(api, 'trail').mockResolvedValue({ found: 0, entries: [] });
    open(<TrailPage />);
    expect(await screen.findByText('Nothing of that was done.')).toBeTruthy();
    expect(screen.queryByText('Show what was before')).toBeNull();
  });

  test('comes a hundred at a time, the newest first', async () => {
    me('lead');
    const all = Array.from({ length: 100 }, (_, i) => entry(200 - i));
    const trail = vi.spyOn(api, 'trail').mockResolvedValue({ found: 150, entries: all });
    open(<TrailPage />);
    await screen.findByText('Step 200');
    expect(screen.getByText('150 found')).toBeTruthy();
    trail.mockResolvedValue({ found: 150, entries: [entry(100)] });
    await press('Show what was before');
    expect(await screen.findByText('Step 100')).toBeTruthy();
    expect(trail.mock.lastCall?.[0]).toMatchObject({ before: '101' });
    expect(screen.queryByText('Show what was before')).toBeNull();
  });

  test('is not told to who may not read it', async () => {
    me('read');
    vi.spyOn(api, 'trail').mockRejectedValue(new Error('you may not do this'));
    open(<TrailPage />);
    expect(await screen.findByText('You may not do this')).toBeTruthy();
  });
});

describe('an account', () => {
  test('has a second factor turned on by a code, and its recovery codes shown once', async () => {
    me();
    vi.spyOn(api, 'beginSecondFactor').mockResolvedValue({
      secret: 'JBSWY3DP',
      modules: [
        [1, 0],
        [0, 1],
      ],
    } as never);
    const confirm = vi.spyOn(api, 'confirmSecondFactor').mockRejectedValueOnce(new Error('that is not the code'));
    open(<AccountPage />);
    await screen.findByText('Second factor: off');
    await type('Your password', 'four words');
    await press('Put one on');
    expect((await screen.findByLabelText<HTMLInputElement>('Secret')).value).toBe('JBSWY3DP');
    await type('Code', '000000');
    await press('Turn it on');
    expect((await screen.findByRole('alert')).textContent).toBe('That is not the code');
    confirm.mockResolvedValue({ recovery_codes: ['aaaa-bbbb', 'cccc-dddd'] });
    await press('Turn it on');
    const codes = await screen.findByRole('list', { name: 'Recovery codes' });
    expect(
      within(codes)
        .getAllByRole('listitem')
        .map((one) => one.textContent),
    ).toEqual(['aaaa-bbbb', 'cccc-dddd']);
    expect(screen.queryByLabelText('Secret')).toBeNull();
  });

  test('makes a token for what it is told, and shows it once', async () => {
    me();
    const make = vi.spyOn(api, 'makeToken').mockResolvedValue({ text: '3|abc' } as never);
    open(<AccountPage />);
    await screen.findByText('Tokens of scripts');
    await type('What it is for', 'nightly bend tables');
    await type('Days for which it is good', '30');
    await user.click(screen.getByLabelText('waive and issue'));
    await user.click(screen.getByLabelText('read'));
    await press('Make a token');
    expect(make).toHaveBeenCalledWith({ name: 'nightly bend tables', days: 30, scopes: ['issue'] });
    expect((await screen.findByLabelText<HTMLInputElement>('Token')).value).toBe('3|abc');
  });

  test('signs out everywhere', async () => {
    me();
    const leave = vi.spyOn(api, 'signOutEverywhere').mockResolvedValue(undefined as never);
    open(<AccountPage />);
    await screen.findByText('Sessions');
    await press('Sign out everywhere');
    expect(leave).toHaveBeenCalled();
    await arriveAt('/sign-in');
  });

  test('is nobody’s on one desk', async () => {
    vi.spyOn(api, 'me').mockResolvedValue({ people: false, person: null, team: null, may: [] });
    open(<AccountPage />);
    expect(await screen.findByText('Nobody signs in here')).toBeTruthy();
  });
});

describe('who else is here', () => {
  test('is shown by initials with what they have picked, and picks it', async () => {
    const pump = { id: 'pump', name: 'Pump' };
    const item = (_: string, id: string) => (id === 'pump' ? pump : undefined);
    usePresence.setState({
      others: [
        { name: 'Ola Ness', window: 'a', picked: { list: 'fittings', id: 'pump' } },
        { name: 'Ida', window: 'b', picked: { list: 'runs', id: 'gone' } },
      ] as never,
    });
    open(<OthersHere />, '/here', '/here', null, { item });
    const ola = screen.getByRole('button', { name: 'Ola Ness, at Pump' });
    expect(ola.textContent).toBe('ON');
    await user.click(ola);
    expect(useWorkbench.getState().picked).toMatchObject({ list: 'fittings', id: 'pump' });
    // What is not there any more is not told of.
    expect(screen.getByRole('button', { name: 'Ida' }).textContent).toBe('I');
  });

  test('takes no room where nobody is', () => {
    open(<OthersHere />);
    expect(screen.queryByRole('list')).toBeNull();
  });
});
