// @vitest-environment jsdom
import { cleanup, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { api, Refused } from '../../resources/js/api/client';
import type { Comparison, Job, JobRevision, JobState, Remark, Revisions } from '../../resources/js/api/types';
import { Waive } from '../../resources/js/card/Waive';
import { ComparePanel } from '../../resources/js/check/ComparePanel';
import { Remarks } from '../../resources/js/check/Remarks';
import { RevisionsDialog } from '../../resources/js/dialogs/RevisionsDialog';
import { SheetsDialog } from '../../resources/js/dialogs/SheetsDialog';
import { useComparing } from '../../resources/js/job/comparing';
import { usePreferences } from '../../resources/js/job/preferences';
import { useWorkbench } from '../../resources/js/job/store';
import type { JobAccess } from '../../resources/js/job/useJob';
import { inJob } from './inJob';

vi.mock('react-router', () => ({ useNavigate: () => () => undefined }));

/* What is issued, compared and remarked, in the browser: what is asked of the server, and what is shown of it. */

const STATE: Partial<JobState> = { id: 7, revision: 3, frozen: null, job: {} as Job };

beforeEach(() => {
  usePreferences.setState({ person: 'Ida Voss' });
  useWorkbench.setState({ panel: null, picked: null });
  useComparing.setState({ sides: null, run: null });
});

afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
});

const changed = (id: string, change: Comparison['runs'][number]['change'], more: object = {}) => ({
  id,
  name: id.toUpperCase(),
  change,
  moved: change === 'changed' ? 12.5 : 0,
  bends: [],
  length: [1000, change === 'changed' ? 1025 : 1000],
  cut_length: [1010, 1010],
  mass: [1, 1],
  remake: change === 'changed',
  spools: [],
  ghost: null,
  take: [{ list: 'runs', id, item: { id } }],
  ...more,
});

describe('what has changed', () => {
  const open = async (runs: object[], more: Partial<JobAccess> = {}) => {
    useComparing.setState({ sides: { before: 'revision:1', after: 'working' }, run: null });
    vi.spyOn(api, 'comparison').mockResolvedValue({
      before: 'revision A',
      after: 'the job as it is',
      runs,
    } as unknown as Comparison);
    render(<ComparePanel />, { wrapper: inJob(STATE, more) });
    await screen.findByText(/^from revision A/);
  };

  test('is counted, and stepped through over what is the same', async () => {
    const user = userEvent.setup();
    await open([changed('a', 'changed'), changed('b', 'same'), changed('c', 'gone'), changed('d', 'moved')]);
    expect(screen.getByText('from revision A to the job as it is: 3 of 4 runs')).toBeTruthy();
    const step = async (name: string) => {
      await user.click(screen.getByRole('button', { name }));
      return useComparing.getState().run;
    };
    expect((screen.getByRole('button', { name: 'Previous' }) as HTMLButtonElement).disabled).toBe(true);
    expect(await step('Next')).toBe('a');
    expect(useWorkbench.getState().picked?.id).toBe('a');
    // What is gone cannot be picked: the one before stays so.
    expect(await step('Next')).toBe('c');
    expect(useWorkbench.getState().picked?.id).toBe('a');
    expect(await step('Next')).toBe('d');
    expect((screen.getByRole('button', { name: 'Next' }) as HTMLButtonElement).disabled).toBe(true);
    expect(await step('Previous')).toBe('c');
  });

  test('shows figures that changed twice, and those that did not once', async () => {
    const user = userEvent.setup();
    await open([
      changed('a', 'changed', {
        bends: [{ was: 1, bend: 1, change: 'changed', straight: [120, 120], angle: [90, 88.5], radius: [30, null] }],
        spools: [{ mark: 'a-1', work: 'bend', was: 'a-1' }],
      }),
    ]);
    await user.click(screen.getByRole('button', { name: 'Next' }));
    const row = within(screen.getByRole('region', { name: 'A: changed' }));
    expect(row.getByText('1000.0 → 1025.0')).toBeTruthy();
    expect(row.getByText('1010.0')).toBeTruthy();
    expect(row.getAllByRole('cell').map((cell) => cell.textContent)).toEqual([
      '1changed',
      '120.0',
      '90.0° → 88.5°',
      '30.0',
    ]);
    expect(row.getByText('a-1: bend another from the same stock')).toBeTruthy();
  });

  test('is put back by an edit that says from where', async () => {
    const user = userEvent.setup();
    const edit = vi.fn().mockResolvedValue(undefined);
    await open([changed('a', 'changed')], { edit });
    await user.click(screen.getByRole('button', { name: 'Next' }));
    await user.click(screen.getByRole('button', { name: 'Take it from revision A' }));
    expect(edit).toHaveBeenCalledWith([{ list: 'runs', id: 'a', item: { id: 'a' } }], {}, 'Take A from revision A');
  });

  test('says that there is nothing, and why it cannot be told', async () => {
    await open([changed('a', 'same')]);
    expect(screen.getByText('from revision A to the job as it is: nothing')).toBeTruthy();
    expect((screen.getByRole('button', { name: 'Next' }) as HTMLButtonElement).disabled).toBe(true);
    cleanup();
    useComparing.setState({ sides: { before: 'revision:9', after: 'working' }, run: null });
    vi.spyOn(api, 'comparison').mockRejectedValue(new Error('there is no revision 9'));
    render(<ComparePanel />, { wrapper: inJob(STATE) });
    expect(await screen.findByText('there is no revision 9')).toBeTruthy();
  });
});

const REMARK: Remark = {
  id: 4,
  list: 'runs',
  item: 'feed',
  part: 'bend 2',
  at: null,
  words: 'Room for a spanner?',
  by: 'Maud Larsen',
  made_at: '2026-11-29T10:00:00Z',
  answer: null,
  answered_by: null,
  resolved_at: null,
  resolved_by: null,
} as unknown as Remark;

describe('remarks', () => {
  const open = (remarks: Remark[], state: Partial<JobState> = STATE) => {
    vi.spyOn(api, 'remarks').mockResolvedValue({ remarks });
    render(<Remarks />, { wrapper: inJob(state) });
  };

  test('are made of what is picked, under one’s name', async () => {
    const user = userEvent.setup();
    const made = vi.spyOn(api, 'remark').mockResolvedValue(REMARK);
    useWorkbench.setState({ picked: { list: 'runs', id: 'feed', part: null } });
    open([]);
    await screen.findByText(/^None/);
    await user.click(screen.getByRole('button', { name: 'Remark on feed…' }));
    await user.clear(screen.getByLabelText('Your name'));
    await user.type(screen.getByLabelText('Your name'), 'Ola');
    await user.type(screen.getByLabelText('Remark'), 'Too near{Enter}');
    await waitFor(() =>
      expect(made).toHaveBeenCalledWith(7, { list: 'runs', item: 'feed', words: 'Too near', by: 'Ola' }),
    );
  });

  test('are answered, settled and opened again', async () => {
    const user = userEvent.setup();
    const change = vi.spyOn(api, 'changeRemark').mockResolvedValue(REMARK);
    open([REMARK]);
    const one = within(await screen.findByRole('region', { name: 'Remark: Room for a spanner?' }));
    await user.click(one.getByRole('button', { name: 'Answer…' }));
    await user.type(one.getByLabelText('Answer'), '60 mm are left{Enter}');
    await waitFor(() => expect(change).toHaveBeenCalledWith(7, 4, { by: 'Ida Voss', answer: '60 mm are left' }));
    await user.click(await one.findByRole('button', { name: 'Settled' }));
    await waitFor(() => expect(change).toHaveBeenCalledWith(7, 4, { by: 'Ida Voss', resolved: true }));
    cleanup();
    open([{ ...REMARK, resolved_at: '2026-11-29T11:00:00Z' }]);
    await user.click(await screen.findByRole('button', { name: 'Open it again' }));
    await waitFor(() => expect(change).toHaveBeenCalledWith(7, 4, { by: 'Ida Voss', resolved: false }));
  });

  test('are not made on a revision', async () => {
    useWorkbench.setState({ picked: { list: 'runs', id: 'feed', part: null } });
    open([REMARK], { ...STATE, frozen: { job: 1 } as unknown as JobState['frozen'] });
    expect(screen.queryByText('Remarks')).toBeNull();
  });
});

test('a finding is waived with a reason only', async () => {
  const user = userEvent.setup();
  const onWaive = vi.fn().mockResolvedValue(undefined);
  render(<Waive waived={null} onWaive={onWaive} onTakeBack={vi.fn()} />, { wrapper: inJob(STATE) });
  await user.click(screen.getByRole('button', { name: 'Waive…' }));
  await user.type(screen.getByLabelText('Why it may be so'), '   {Enter}');
  expect(await screen.findByText('Say why it may be so.')).toBeTruthy();
  expect(onWaive).not.toHaveBeenCalled();
  await user.type(screen.getByLabelText('Why it may be so'), ' Tried on the bench {Enter}');
  await waitFor(() => expect(onWaive).toHaveBeenCalledWith('Tried on the bench'));
});

const ISSUED: JobRevision = {
  number: 1,
  name: 'A',
  by: 'Maud Larsen',
  note: 'For the yard',
  state: 'issued',
  part: 1,
  problem: null,
  asked_at: '2026-11-29T10:00:00Z',
  issued_at: '2026-11-29T10:01:00Z',
  intact: true,
  job: 12,
} as unknown as JobRevision;

describe('revisions', () => {
  const open = (revisions: JobRevision[], more: Partial<Revisions> = {}) => {
    useWorkbench.setState({ panel: 'revisions' });
    vi.spyOn(api, 'jobs').mockResolvedValue([
      { id: 7, name: 'This one' },
      { id: 9, name: 'Other boat' },
    ] as never);
    vi.spyOn(api, 'revisions').mockResolvedValue({
      state: 'working',
      checking: null,
      next: 'B',
      revisions,
      ...more,
    } as unknown as Revisions);
    render(<RevisionsDialog />, { wrapper: inJob(STATE) });
  };

  test('tell when one is not as it was issued', async () => {
    open([ISSUED, { ...ISSUED, number: 0, name: '0', intact: false, state: 'superseded' } as JobRevision]);
    const whole = await screen.findByRole('region', { name: 'Revision A' });
    expect(whole.textContent).toContain('by Maud Larsen: For the yard');
    expect(whole.textContent).not.toContain('somebody has changed it');
    expect(screen.getByRole('region', { name: 'Revision 0' }).textContent).toContain('somebody has changed it');
  });

  test('are not issued without a name, and tell what is still open', async () => {
    const user = userEvent.setup();
    usePreferences.setState({ person: '' });
    open([]);
    const issue = (await screen.findByRole('button', { name: 'Issue revision B' })) as HTMLButtonElement;
    expect(issue.disabled).toBe(true);
    await user.type(screen.getByLabelText('Your name'), 'Ida');
    expect(issue.disabled).toBe(false);
    const points = [{ list: 'runs', id: 'feed', words: 'Feed: Bend 3 is too tight' }];
    vi.spyOn(api, 'issue').mockRejectedValue(
      new Refused(422, { message: 'It cannot be issued yet.', open: points } as never),
    );
    await user.click(issue);
    expect((await screen.findByRole('alert')).textContent).toBe('It cannot be issued yet.');
    const still = within(screen.getByRole('list', { name: 'Still open' }));
    expect(still.getByText(/Bend 3 is too tight/)).toBeTruthy();
    await user.click(still.getByRole('button', { name: 'Show it' }));
    expect(useWorkbench.getState().picked).toMatchObject({ list: 'runs', id: 'feed' });
    expect(useWorkbench.getState().panel).toBeNull();
  });

  test('are not all that the job is compared with: other jobs and files are, too', async () => {
    const user = userEvent.setup();
    open([]);
    // Not with itself.
    const choice = await screen.findByLabelText('Compare with another job');
    expect(within(choice).getAllByRole('option')).toHaveLength(2);
    await user.selectOptions(choice, 'Other boat');
    expect(useComparing.getState().sides).toEqual({ before: 'job:9', after: 'working' });
    expect(useWorkbench.getState().panel).toBeNull();
    cleanup();
    open([]);
    const file = (text: string) => Object.assign(new File([text], 'old.json'), { text: async () => text });
    const chooser = await screen.findByLabelText('Job file to compare with');
    await user.upload(chooser, file('no JSON'));
    expect((await screen.findByRole('alert')).textContent).toBe('old.json is no job file.');
    await user.upload(chooser, file('{"format":"bowline-job"}'));
    await waitFor(() =>
      expect(useComparing.getState().file).toEqual({ name: 'old.json', file: { format: 'bowline-job' } }),
    );
    cleanup();
    // It is sent with each question, and has no change sheet: that is of what is stored.
    const asked = vi.spyOn(api, 'compareFile').mockResolvedValue({
      before: 'old.json',
      after: 'the job as it is',
      runs: [],
    });
    render(<ComparePanel />, { wrapper: inJob(STATE) });
    expect(await screen.findByText('from old.json to the job as it is: nothing')).toBeTruthy();
    expect(asked).toHaveBeenCalledWith(7, { name: 'old.json', file: { format: 'bowline-job' } });
    expect(screen.queryByText('Change sheet')).toBeNull();
  });

  test('in check are taken back into work', async () => {
    const user = userEvent.setup();
    const asked = vi.spyOn(api, 'askCheck').mockResolvedValue({} as Revisions);
    open([], { state: 'in-check', checking: { by: 'Ola', at: '2026-11-29T10:00:00Z', revision: 3 } } as never);
    await user.click(await screen.findByRole('button', { name: 'Take it back into work' }));
    expect(asked).toHaveBeenCalledWith(7, null);
  });
});

describe('what stands on the drawings', () => {
  const SHOWN = { entries: {}, values: {} };

  test('is merged when its turn comes, own fields too', async () => {
    const user = userEvent.setup();
    // The job as it is when the edit is made has a field more than the window shows.
    let job = { sheets: { company: 'Yard', fields: [{ name: 'Hull', value: '7' }] } } as unknown as Job;
    const edit = vi.fn(async (_: unknown, header: unknown) => {
      job = { ...job, ...(header as (job: Job) => Partial<Job>)(job) };
    });
    useWorkbench.setState({ panel: 'sheets' });
    render(<SheetsDialog />, {
      wrapper: inJob(
        { ...STATE, ...SHOWN, job: { sheets: { fields: [{ name: 'Hull', value: '' }] } } as unknown as Job },
        {
          edit,
        } as unknown as Partial<JobAccess>,
      ),
    });
    await user.click(screen.getByRole('button', { name: 'Add a field' }));
    await user.selectOptions(screen.getByLabelText('Projection'), 'third');
    await waitFor(() => expect(edit).toHaveBeenCalledTimes(2));
    expect(job.sheets).toEqual({
      company: 'Yard',
      projection: 'third',
      fields: [
        { name: 'Hull', value: '7' },
        { name: 'Project', value: '' },
      ],
    });
  });

  test('keeps a picture as a JPEG for the title block, and takes it out again', async () => {
    const user = userEvent.setup();
    let job = { sheets: { company: 'Yard' } } as unknown as Job;
    const edit = vi.fn(async (_: unknown, header: unknown) => {
      job = { ...job, ...(header as (job: Job) => Partial<Job>)(job) };
    });
    const open = () =>
      render(<SheetsDialog />, {
        wrapper: inJob({ ...STATE, ...SHOWN, job }, { edit } as unknown as Partial<JobAccess>),
      });
    vi.stubGlobal('URL', Object.assign(URL, { createObjectURL: () => 'blob:logo', revokeObjectURL: () => undefined }));
    const decode = vi.fn(async () => undefined);
    HTMLImageElement.prototype.decode = decode;
    vi.spyOn(HTMLCanvasElement.prototype, 'getContext').mockReturnValue({
      fillRect: () => undefined,
      drawImage: () => undefined,
    } as unknown as CanvasRenderingContext2D as never);
    vi.spyOn(HTMLCanvasElement.prototype, 'toDataURL').mockReturnValue('data:image/jpeg;base64,QUJD');
    useWorkbench.setState({ panel: 'sheets' });
    open();
    await user.upload(screen.getByLabelText('Picture of the logo'), new File(['x'], 'logo.png', { type: 'image/png' }));
    await waitFor(() => expect(job.sheets).toEqual({ company: 'Yard', logo: 'QUJD' }));
    cleanup();

    open();
    expect(screen.getByRole('img', { name: 'Logo on the drawings' }).getAttribute('src')).toBe(
      'data:image/jpeg;base64,QUJD',
    );
    await user.click(screen.getByRole('button', { name: 'Take out the logo' }));
    await waitFor(() => expect(job.sheets?.logo).toBeUndefined());
    decode.mockRejectedValue(new Error('broken'));
    await user.upload(
      screen.getByLabelText('Picture of the logo'),
      new File(['x'], 'words.png', { type: 'image/png' }),
    );
    expect((await screen.findByRole('alert')).textContent).toBe('“words.png” is no picture that can be shown here.');
  });
});
