import type {
  BegunItem,
  Bench,
  Benders,
  BentPart,
  Board,
  BoardTurn,
  BodyFacts,
  BodyMesh,
  BodyWalls,
  BodyWork,
  Catalogue,
  CatalogueReport,
  CatalogueRow,
  ChangeJobPerson,
  ChangePassword,
  ChangePerson,
  Comb,
  ComparedFile,
  Comparison,
  Drillings,
  Edit,
  Edits,
  Entry,
  Errands,
  Fitting,
  FlangeTables,
  HarnessList,
  InsideTrunks,
  InvitePerson,
  ItemRef,
  JobChange,
  JobClearances,
  JobFacts,
  JobHarnesses,
  JobList,
  JobPeople,
  JobRevision,
  JobState,
  Joined,
  JoinPieces,
  KeepFlange,
  KnownSpringback,
  Laying,
  LayWork,
  Lines,
  MachineTable,
  MadePart,
  MadeParts,
  Me,
  Measured,
  MeasureOf,
  Mesh,
  NearCures,
  NewItem,
  NewPack,
  NewPart,
  NewPassword,
  NewRemark,
  NewRevision,
  NewToken,
  OpenPoint,
  OwnFlanges,
  OwnStock,
  Pack,
  Parts,
  PastedPairs,
  PastedRows,
  PastedWires,
  Person,
  PortOnPort,
  Presence,
  Presences,
  Preview,
  PreviewPlace,
  PreviewRun,
  Problem,
  ReadNumber,
  RecoveryCodes,
  Remark,
  RemarkChange,
  Rename,
  Revision,
  Revisions,
  Run,
  ScriptToken,
  SecondFactor,
  SectionOf,
  SectionView,
  Settling,
  Several,
  SignedIn,
  SignIn,
  SolvedHarness,
  Supports,
  TeamPeople,
  Tested,
  Trail,
  TriangleCount,
  TriedHarness,
  TriedItem,
  TrunkBreak,
  TrunkJoin,
  Twin,
  Twinned,
  WallMap,
  Ways,
  WiringFaults,
} from './types';

/** A refusal of the server with its message and the JSON pointer into an item or the body. */
export class Refused extends Error {
  constructor(
    readonly status: number,
    readonly problem: Problem,
  ) {
    super(problem.message);
  }
}

/** The server did not answer at all. */
export class Unreachable extends Error {}

async function ask(method: string, path: string, body?: string | ArrayBuffer, signal?: AbortSignal): Promise<Response> {
  let response: Response;
  try {
    response = await fetch(`/api/${path}`, {
      method,
      body,
      signal,
      headers: {
        Accept: 'application/json',
        ...(body === undefined
          ? {}
          : { 'Content-Type': typeof body === 'string' ? 'application/json' : 'application/octet-stream' }),
      },
    });
  } catch (error) {
    if (error instanceof DOMException && error.name === 'AbortError') {
      throw error;
    }
    throw new Unreachable('Bowline’s server does not answer.');
  }
  if (!response.ok) {
    const problem = (await response.json().catch(() => null)) as Problem | null;
    throw new Refused(response.status, {
      ...problem,
      message: problem?.message || `The server answered ${response.status}.`,
    });
  }
  return response;
}

const send = async <Answer>(path: string, body: unknown, signal?: AbortSignal): Promise<Answer> =>
  (await ask('POST', path, JSON.stringify(body), signal)).json() as Promise<Answer>;

const get = async <Answer>(path: string): Promise<Answer> => (await ask('GET', path)).json() as Promise<Answer>;

/** now.json of a job (App\Http\Live), which nginx answers. */
export interface Live {
  revision: number;
  step: number;
  /** Differs when others have come, gone, or picked something else. */
  present: string;
}

/** Reads a file of JSON; null where there is none, whatever the reason. */
async function fileOf<Content>(address: string): Promise<Content | null> {
  try {
    const response = await fetch(address);
    return response.ok ? ((await response.json()) as Content) : null;
  } catch {
    return null;
  }
}

/** What changes when a trunk is broken or joined; no item where one goes. */
export type TrunkEdit = Pick<Edit, 'list' | 'id' | 'item'>;

/** An answer about a body of several runs, or how far it has come while it is worked on. */
export type Worked<Answer> = { answer: Answer; work: null } | { answer: null; work: BodyWork };

/** Accepted: the answer is worked on. */
const ACCEPTED = 202;

const worked = async <Answer>(path: string): Promise<Worked<Answer>> => {
  const response = await ask('GET', path);
  return response.status === ACCEPTED
    ? { answer: null, work: (await response.json()) as BodyWork }
    : { answer: (await response.json()) as Answer, work: null };
};

const run = (job: number, id: string) => `jobs/${job}/runs/${encodeURIComponent(id)}`;

const harnessOf = (job: number, id: string) => `jobs/${job}/harnesses/${encodeURIComponent(id)}`;

/** Bowline's HTTP interface, typed from schema/. */
export const api = {
  me: (job?: number) => get<Me>(`me${job === undefined ? '' : `?job=${job}`}`),
  signIn: (body: SignIn) => send<SignedIn>('sign-in', body),
  giveCode: (code: string) => send<SignedIn>('sign-in/code', { code }),
  signOut: () => ask('POST', 'sign-out', '{}'),
  signOutEverywhere: () => ask('POST', 'me/sign-out-everywhere', '{}'),
  forgotPassword: (email: string) => ask('POST', 'password/forgotten', JSON.stringify({ email })),
  newPassword: (body: NewPassword) => ask('POST', 'password/new', JSON.stringify(body)),
  /** Whom an invitation is for; the query of its address is signed. */
  invitation: (user: string, query: string) =>
    get<{ name: string; email: string }>(`invitations/${encodeURIComponent(user)}${query}`),
  acceptInvitation: (user: string, query: string, password: string) =>
    send<SignedIn>(`invitations/${encodeURIComponent(user)}${query}`, { password }),
  openShared: (link: string) => send<{ job: number }>(`shared/${encodeURIComponent(link)}`, {}),
  changePassword: (body: ChangePassword) => ask('POST', 'me/password', JSON.stringify(body)),
  beginSecondFactor: (password: string) => send<SecondFactor>('me/second-factor', { password }),
  confirmSecondFactor: (code: string) => send<RecoveryCodes>('me/second-factor/confirmed', { code }),
  removeSecondFactor: (password: string) => ask('POST', 'me/second-factor/off', JSON.stringify({ password })),
  tokens: () => get<{ tokens: ScriptToken[] }>('me/tokens'),
  makeToken: (body: NewToken) => send<ScriptToken>('me/tokens', body),
  dropToken: (id: number) => ask('DELETE', `me/tokens/${id}`, '{}'),
  people: () => get<TeamPeople>('people'),
  invite: (body: InvitePerson) => send<Person>('people', body),
  changePerson: (id: number, body: ChangePerson) => send<Person>(`people/${id}`, body),
  jobPeople: (job: number) => get<JobPeople>(`jobs/${job}/people`),
  changeJobPerson: (job: number, body: ChangeJobPerson) => send<JobPeople>(`jobs/${job}/people`, body),
  shareJob: (job: number, on: boolean) => send<{ link: string | null }>(`jobs/${job}/link`, { on }),
  trail: (query: TrailQuery) => get<Trail>(`trail?${new URLSearchParams({ ...query })}`),
  /** Tells what this window has picked, and who else is in the job. */
  presence: (job: number, body: Presence) => send<Presences>(`jobs/${job}/presence`, body),
  /** Tells that this window is closed; sent although the page goes. */
  leave: (job: number, window: string) =>
    void fetch(`/api/jobs/${job}/presence`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ window, gone: true } satisfies Presence),
      keepalive: true,
    }).catch(() => undefined),
  /** The newest revision of a job, by a query that the server signed; null where that has expired, or is not served. */
  live: (job: number, query: string) => fileOf<Live>(`/live/${job}/now.json${query}`),
  /** The change of a job to the revision after one, from its file; null where there is none. */
  liveNews: (job: number, since: number, query: string) =>
    fileOf<JobState | JobChange>(`/live/${job}/since-${since}-${since + 1}.json${query}`),
  /** Takes back the last step of whoever asks. */
  undo: (job: number) => send<JobState>(`jobs/${job}/undo`, {}),
  markMade: (job: number, number: number, body: MadePart) =>
    send<MadeParts>(`jobs/${job}/revisions/${number}/made`, body),
  jobs: () => get<JobList>('jobs'),
  job: (id: number) => get<JobState>(`jobs/${id}`),
  /** What is new in a job since a revision; all of it where that cannot be told. */
  news: (id: number, since: number) => get<JobState | JobChange>(`jobs/${id}?since=${since}`),
  revision: (id: number) => get<Revision>(`jobs/${id}/revision`),
  opened: (id: number) => ask('POST', `jobs/${id}/opened`, '{}'),
  newJob: (name: string) => send<JobState>('jobs', { name }),
  copyJob: (id: number) => send<JobState>(`jobs/${id}/copy`, {}),
  /** Opens a job file, or an archive with its meshes; the server tells them apart. */
  openFile: async (file: File) =>
    (await ask('POST', 'jobs/open', await file.arrayBuffer())).json() as Promise<JobState>,
  deleteJob: (id: number) => ask('DELETE', `jobs/${id}`, '{}'),
  restoreJob: (id: number) => ask('POST', `jobs/${id}/restore`, '{}'),
  edit: (job: number, edits: Edits) => send<JobState | JobChange>(`jobs/${job}/edits`, edits),
  lay: (job: number, id: string, laying: Laying) => send<JobState | JobChange>(`${run(job, id)}/laying`, laying),
  goTo: (job: number, step: number) => send<JobState>(`jobs/${job}/step`, { step }),
  previewRun: (job: number, asked: PreviewRun, signal?: AbortSignal) =>
    send<Preview>(`jobs/${job}/preview/run`, asked, signal),
  /** Previews an edit of a run that is dragged, with what is nearest to it. */
  dragRun: (job: number, asked: PreviewRun) => api.previewRun(job, { ...asked, nearest: true }),
  /** Previews a thing that is dragged, and all that hangs on it, with what is nearest to them. */
  dragPlace: (job: number, asked: PreviewPlace) =>
    send<Preview>(`jobs/${job}/preview/place`, { ...asked, nearest: true }),
  waysIn: (job: number, id: string, port: string) => send<Ways>(`${run(job, id)}/ways-in`, { port }),
  settling: (job: number, id: string) => get<Settling>(`${run(job, id)}/settling`),
  settle: (job: number, id: string, settle: boolean) => send<Settling>(`${run(job, id)}/settling`, { settle }),
  twin: (job: number, id: string, twin: Twin) => send<Twinned>(`${run(job, id)}/twin`, twin),
  newItem: (job: number, asked: NewItem) => send<BegunItem>(`jobs/${job}/new`, asked),
  pieces: (job: number, asked: JoinPieces) => send<Joined>(`jobs/${job}/pieces`, asked),
  several: (job: number, asked: Several) => send<Run[]>(`jobs/${job}/several`, asked),
  comb: (job: number, asked: Comb) => send<Run[]>(`jobs/${job}/comb`, asked),
  /** The edits by which a trunk is broken in two, and by which two are joined. */
  breakTrunk: (job: number, id: string, where: TrunkBreak) => send<TrunkEdit[]>(`${run(job, id)}/broken`, where),
  /** Ids of the trunks with which one can be joined. */
  trunkPartners: (job: number, id: string) => get<string[]>(`${run(job, id)}/joined`),
  joinTrunks: (job: number, id: string, join: TrunkJoin) => send<TrunkEdit[]>(`${run(job, id)}/joined`, join),
  rename: (job: number, rename: Rename) => send<JobState>(`jobs/${job}/values/rename`, rename),
  parts: () => get<Parts>('parts'),
  flangeTables: () => get<FlangeTables>('flange-tables'),
  ownFlanges: () => get<OwnFlanges>('flanges'),
  keepFlange: (asked: KeepFlange) => send<OwnFlanges>('flanges', asked),
  dropFlange: (id: number) => ask('DELETE', `flanges/${id}`, '{}'),
  takeFlanges: (text: string) => send<CatalogueReport>('flanges/import', { text }),
  portOnto: (job: number, fitting: string, asked: PortOnPort) =>
    send<Fitting>(`jobs/${job}/fittings/${encodeURIComponent(fitting)}/onto`, asked),
  catalogue: (find: string, kind: string) =>
    get<Catalogue>(`catalogue?find=${encodeURIComponent(find)}&kind=${encodeURIComponent(kind)}`),
  keepStock: (job: number, asked: OwnStock) => send<CatalogueRow>(`jobs/${job}/catalogue`, asked),
  dropStock: (id: number) => ask('DELETE', `catalogue/${id}`, '{}'),
  takeStock: (text: string) => send<CatalogueReport>('catalogue/import', { text }),
  takeMesh: async (file: File) =>
    (
      await ask('POST', `meshes?name=${encodeURIComponent(file.name)}`, await file.arrayBuffer())
    ).json() as Promise<Mesh>,
  triangles: async (key: string) =>
    new Float32Array(await (await ask('GET', `meshes/${encodeURIComponent(key)}`)).arrayBuffer()),
  /** Begins to lay runs; what is found at once is in the answer. */
  layRuns: (job: number, asked: Errands) => send<LayWork>(`jobs/${job}/ways`, asked),
  layWork: (job: number, id: number) => get<LayWork>(`jobs/${job}/ways/${id}`),
  stopLaying: (job: number, id: number) => send<LayWork>(`jobs/${job}/ways/${id}/stop`, {}),
  /** Pairs of ports in pasted rows. */
  pairs: (job: number, text: string, stock: string) =>
    send<PastedPairs>(`jobs/${job}/pairs`, stock === '' ? { text } : { text, stock }),
  pasted: (job: number, text: string) => send<PastedRows>(`jobs/${job}/pasted`, { text }),
  /** What in the job is too near to each other. */
  clearances: (job: number) => get<JobClearances>(`jobs/${job}/clearances`),
  /** Stops looking for it on the queue, or takes that up again. */
  changeClearanceWork: (job: number, again: boolean) => send<JobClearances>(`jobs/${job}/clearances/work`, { again }),
  /** Cures of two things that are too near, each tried. */
  nearCures: (job: number, a: ItemRef, b: ItemRef) => send<NearCures>(`jobs/${job}/clearances/cures`, { a, b }),
  /** Clamps on a length of a run that is supported too seldom, by where it begins. */
  supports: (job: number, id: string, from: number) => get<Supports>(`${run(job, id)}/supports?from=${from}`),
  harnesses: (job: number) => get<JobHarnesses>(`jobs/${job}/harnesses`),
  /** Lengths in all harnesses while something is dragged, which is not stored. */
  tryHarnesses: (job: number, tried: TriedItem) => send<TriedHarness[]>(`jobs/${job}/harnesses`, tried),
  /** A harness with the cures of what is found. */
  curedHarness: (job: number, harness: string) => get<SolvedHarness>(harnessOf(job, harness)),
  board: (job: number, harness: string, marked: readonly string[]) =>
    get<Board>(
      `${harnessOf(job, harness)}/board${marked.length === 0 ? '' : `?marked=${encodeURIComponent(marked.join(','))}`}`,
    ),
  /** The board with something of it turned, which is not stored. */
  turnBoard: (job: number, harness: string, turn: BoardTurn) => send<Board>(`${harnessOf(job, harness)}/board`, turn),
  revisions: (job: number) => get<Revisions>(`jobs/${job}/revisions`),
  jobRevision: (job: number, number: number) => get<JobRevision>(`jobs/${job}/revisions/${number}`),
  issue: (job: number, body: NewRevision) => send<JobRevision>(`jobs/${job}/revisions`, body),
  openPoints: (job: number) => get<{ open: OpenPoint[] }>(`jobs/${job}/open-points`),
  /** Asks for a check of the job as it is; nobody takes that back. */
  askCheck: (job: number, by: string | null) => send<Revisions>(`jobs/${job}/checking`, { by }),
  /** What has changed from a job file to the job as it is. */
  compareFile: (job: number, file: ComparedFile) => send<Comparison>(`jobs/${job}/comparison`, file),
  comparison: (job: number, before: string, after: string) =>
    get<Comparison>(`jobs/${job}/comparison?before=${before}&after=${after}`),
  remarks: (job: number) => get<{ remarks: Remark[] }>(`jobs/${job}/remarks`),
  remark: (job: number, body: NewRemark) => send<Remark>(`jobs/${job}/remarks`, body),
  changeRemark: (job: number, remark: number, body: RemarkChange) =>
    send<Remark>(`jobs/${job}/remarks/${remark}`, body),
  /** Begins to bind drawings and lists together. */
  newPack: (job: number, body: NewPack) => send<Pack>(`jobs/${job}/packs`, body),
  pack: (job: number, id: number) => get<Pack>(`jobs/${job}/packs/${id}`),
  stopPack: (job: number, id: number) => send<Pack>(`jobs/${job}/packs/${id}/stop`, {}),
  drawingPages: (job: number, kind: string, options: DrawingOptions) =>
    get<{ pages: number }>(`jobs/${job}/drawings/${kind}?${drawingQuery(options)}`),
  jobList: (job: number, list: string, query: ListQuery) =>
    get<HarnessList>(`jobs/${job}/lists/${list}${listQuery(query)}`),
  harnessList: (job: number, harness: string, list: string) =>
    get<HarnessList>(`${harnessOf(job, harness)}/lists/${list}`),
  insideTrunks: (job: number, harness: string) => get<InsideTrunks>(`${harnessOf(job, harness)}/inside`),
  testHarness: (job: number, harness: string, faults: WiringFaults) =>
    send<Tested>(`${harnessOf(job, harness)}/tested`, faults),
  pastedWires: (job: number, harness: string, text: string) =>
    send<PastedWires>(`${harnessOf(job, harness)}/pasted`, { text }),
  entry: (job: number, entry: Entry) => send<ReadNumber>(`jobs/${job}/entry`, entry),
  /** Existing lines in a file; as a table of the shop's own bender by what its columns are called. */
  lines: (job: number, text: string, trunks: boolean, table?: MachineTable) =>
    send<Lines>(`jobs/${job}/lines`, { text, trunks, ...(table === undefined ? {} : { table }) }),
  /** The verdicts on a run, or on one spool of it. */
  benders: (job: number, id: string, spool?: string) => get<Benders>(`${run(job, id)}/benders${only('?', spool)}`),
  /** How a run, or a spool of it, is bent on a bender, from its start or its end, and what came of parts. */
  bench: (job: number, id: string, of: { spool?: string; bender?: string; from: 'start' | 'end' }) =>
    get<Bench>(
      `${run(job, id)}/bench?${new URLSearchParams(
        Object.entries(of).filter((one): one is [string, string] => one[1] !== undefined),
      )}`,
    ),
  bendPart: (job: number, id: string, part: NewPart) => send<BentPart>(`${run(job, id)}/bench`, part),
  stopPart: (job: number, part: number) => send<BentPart>(`jobs/${job}/bent-parts/${part}/stop`, {}),
  /** What is known of springback, by bender, stock and die. */
  springback: () => get<{ known: KnownSpringback[] }>('springback'),
  forgetSpringback: (bender: string, stock: string) =>
    ask('POST', 'springback/forget', JSON.stringify({ bender, stock })),
  /** How many triangles the body of a run or spool has at a chord tolerance, mm. */
  triangleCount: (job: number, id: string, chord: number, spool?: string) =>
    get<TriangleCount>(`${run(job, id)}/triangles?chord=${chord}${only('&', spool)}`),
  mass: (job: number, id: string) => get<BodyFacts>(`${run(job, id)}/mass`),
  measure: (job: number, asked: MeasureOf) => send<Measured>(`jobs/${job}/measure`, asked),
  section: (job: number, asked: SectionOf) => send<SectionView>(`jobs/${job}/section`, asked),
  /** Of all runs, or of those that are named. */
  jobMass: (job: number, runs: readonly string[] | null) =>
    worked<JobFacts>(`jobs/${job}/mass${runs === null ? '' : `?runs=${encodeURIComponent(runs.join('/'))}`}`),
  joinedMesh: (job: number, id: string, chord: number) =>
    worked<BodyMesh>(`jobs/${job}/joined/${encodeURIComponent(id)}/mesh?chord=${chord}`),
  joinedWalls: (job: number, id: string) => worked<BodyWalls>(`jobs/${job}/joined/${encodeURIComponent(id)}/walls`),
  wallMap: (job: number, id: string, chord: number) =>
    worked<WallMap>(`jobs/${job}/joined/${encodeURIComponent(id)}/wall-map?chord=${chord}`),
  joinedMass: (job: number, id: string) => worked<JobFacts>(`jobs/${job}/joined/${encodeURIComponent(id)}/mass`),
  bodyWork: (job: number, id: number) => get<BodyWork>(`jobs/${job}/body-works/${id}`),
  /** Stops the work on a body, or takes it up again. */
  changeBodyWork: (job: number, id: number, again: boolean) =>
    send<BodyWork>(`jobs/${job}/body-works/${id}`, { again }),
  drillings: (job: number, block: string) =>
    get<Drillings>(`jobs/${job}/joined/${encodeURIComponent(block)}/drillings`),
  /** The runs that a channel is as drillings. */
  asDrillings: (job: number, id: string) => get<{ runs: Run[] }>(`${run(job, id)}/drillings`),
  text: async (path: string) => (await ask('GET', path)).text(),
  /**
   * Downloads a file under the name the server gives it, unless a body in it is still being found; rejects with the
   * reason where it cannot be written.
   */
  file: async (address: string): Promise<Worked<{ name: string; content: Blob; on: string | null }>> => {
    const response = await ask('GET', address.replace('/api/', ''));
    if (response.status === ACCEPTED) {
      return { answer: null, work: (await response.json()) as BodyWork };
    }
    const name = /filename="([^"]+)"/.exec(response.headers.get('Content-Disposition') ?? '')?.[1] ?? 'bowline';
    return { answer: { name, content: await response.blob(), on: response.headers.get('X-Written-On') }, work: null };
  },
};

/** What of the trail is asked for; everything where a word is empty. */
interface TrailQuery {
  what: string;
  person: string;
  from: string;
  to: string;
  /** Number of the entry before which the next page begins. */
  before?: string;
}

/** Chord tolerance of saved triangles where no other is typed, mm. */
export const CHORD = 0.1;

/** Endings of files of bodies. */
type Ending = 'step' | '3mf' | 'glb' | 'obj' | 'stl';

/** Names a spool in a query by its mark; nothing for the whole run. */
const only = (sign: '?' | '&', spool: string | undefined) =>
  spool === undefined ? '' : `${sign}spool=${encodeURIComponent(spool)}`;

/** Of which set of runs a list is, all where it is empty; the width of a saw cut, mm. */
interface ListQuery {
  set: string;
  kerf: string | undefined;
}

const listQuery = ({ set, kerf }: ListQuery) =>
  `?set=${encodeURIComponent(set)}${kerf === undefined ? '' : `&kerf=${kerf}`}`;

/** What a drawing is of, and on what. */
export interface DrawingOptions {
  run?: string;
  spool?: string;
  /** As the job says where it is empty. */
  paper?: string;
  /** Whether a tape at full size follows a bend sheet. */
  tape?: boolean;
  /** The one view of an arrangement; all where it is empty. */
  view?: string;
  /** Coordinate at which that is cut, mm; a view where it is empty. */
  cut?: string;
}

const drawingQuery = ({ run: of, spool, paper, tape, view, cut }: DrawingOptions) =>
  new URLSearchParams([
    ...(of === undefined ? [] : [['run', of]]),
    ...(spool === undefined ? [] : [['spool', spool]]),
    ...(paper === undefined || paper === '' ? [] : [['paper', paper]]),
    ...(tape === true ? [['tape', 'yes']] : []),
    ...(view === undefined || view === '' ? [] : [['view', view]]),
    ...(cut === undefined || cut === '' ? [] : [['cut', cut]]),
  ]).toString();

/** Addresses of the files that can be downloaded. */
export const files = {
  plainJob: (job: number) => `/api/jobs/${job}/file`,
  /** A job with meshes is saved as an archive: as text meshes are a third larger, and not all can be opened again. */
  job: ({ id, job }: JobState) =>
    `/api/jobs/${id}/file${(job.surroundings ?? []).some(({ shape }) => shape === 'mesh') ? '.bowline' : ''}`,
  picture: (job: number, revision: number) => `/api/jobs/${job}/picture.svg?revision=${revision}`,
  jobList: (job: number, list: string, format: 'csv' | 'pdf', query: ListQuery) =>
    `/api/jobs/${job}/lists/${list}.${format}${listQuery(query)}`,
  ofRevision: (job: number, number: number, name: string) =>
    `/api/jobs/${job}/revisions/${number}/files/${encodeURIComponent(name)}`,
  pack: (job: number, id: number) => `/api/jobs/${job}/packs/${id}/file`,
  changeSheet: (job: number, before: string, after: string) =>
    `/api/jobs/${job}/comparison.pdf?before=${before}&after=${after}`,
  centrelines: (job: number) => `/api/jobs/${job}/centrelines.dxf`,
  centreline: (job: number, id: string) => `/api/${run(job, id)}/centreline.dxf`,
  bends: (job: number, id: string, spool?: string) => `/api/${run(job, id)}/bends.csv${only('?', spool)}`,
  wireList: (job: number, harness: string, list: string, format: 'csv' | 'pdf' = 'csv') =>
    `/api/${harnessOf(job, harness)}/${list}.${format}`,
  board: (job: number, harness: string, format: 'svg' | 'dxf' | 'pdf', paper?: string) =>
    `/api/${harnessOf(job, harness)}/board.${format}${paper === undefined ? '' : `?paper=${paper}`}`,
  drillings: (job: number, block: string) => `/api/jobs/${job}/joined/${encodeURIComponent(block)}/drillings.csv`,
  cuts: (job: number, id: string, spool?: string) => `/api/${run(job, id)}/cuts.csv${only('?', spool)}`,
  machineTable: (job: number, id: string, kind: string, columns: MachineTable['columns'], spool?: string) => {
    const query = new URLSearchParams({ columns: JSON.stringify(columns) });
    return `/api/${run(job, id)}/machine/${kind}.csv?${query}${only('&', spool)}`;
  },
  vertices: (job: number, id: string, spool?: string) => `/api/${run(job, id)}/vertices.csv${only('?', spool)}`,
  /** A drawing; as SVG one of its pages, from 0. The revision keeps a browser from showing an older one. */
  drawing: (
    job: number,
    kind: string,
    format: 'pdf' | 'svg' | 'dxf',
    options: DrawingOptions,
    revision: number,
    page?: number,
  ) =>
    `/api/jobs/${job}/drawings/${kind}.${format}?${drawingQuery(options)}&revision=${revision}${
      page === undefined ? '' : `&page=${page}`
    }`,
  trail: (query: TrailQuery) => `/api/trail.csv?${new URLSearchParams({ ...query })}`,
  flanges: '/api/flanges.csv',
  catalogue: (own: boolean) => `/api/catalogue.csv${own ? '?own=1' : ''}`,
  /** A body of several runs. */
  joined: (job: number, id: string, ending: Ending, chord = CHORD) =>
    `/api/jobs/${job}/bodies.${ending}?chord=${chord}&body=${encodeURIComponent(id)}`,
  /** The body of a run or spool, or those of all runs; the chord tolerance is that of formats of triangles, mm. */
  body: (job: number, id: string | undefined, ending: Ending, chord = CHORD, spool?: string, around = false) =>
    id === undefined
      ? `/api/jobs/${job}/bodies.${ending}?chord=${chord}${around ? '&with=around' : ''}`
      : `/api/${run(job, id)}/body.${ending}?chord=${chord}${only('&', spool)}`,
};
