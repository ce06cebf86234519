// Generated from schema/ by `npm run types`; do not edit.

/**
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "list".
 */
export type List = "stock" | "fittings" | "clamps" | "surroundings" | "runs" | "harnesses";
/**
 * x, y, z.
 *
 * @minItems 3
 * @maxItems 3
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "vector".
 *
 * Items: Millimetres, degrees or a count; or an expression over the named values.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "number".
 */
export type Vector = [number | string, number | string, number | string];
/**
 * x, y, z.
 *
 * @minItems 3
 * @maxItems 3
 *
 * Items: Millimetres, degrees or a count; or an expression over the named values.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "number".
 */
export type Vector1 = [number | string, number | string, number | string];
export type Laying =
  | MoveCorner
  | MoveLeg
  | SetLeg
  | InsertCorner
  | RemoveCorner
  | SetCorner
  | HoldLength
  | AddLeg
  | TakeBack
  | Finish
  | PutCorners
  | Reverse
  | Tie1
  | Untie
  | ThroughClamp
  | MakeOwn
  | MakeSymmetric
  | SetRoute
  | KeepShape
  | AsPoints
  | Ease
  | Become
  | FinishEnd
  | StandOn
  | DrillFlange
  | ChooseFlange
  | ShapeFlange
  | BreakRun
  | TakeOutJoint
  | JoinBy
  | MoveJoint
  | RepeatAlong
  | OutlineRepeat
  | InsertPoint
  | LevelPoint
  | HoldDirection
  | TellBy
  | HoldAs
  | LetGive;
/**
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "tie".
 */
export type Tie = LevelTie | AwayTie | AxisTie | ParallelTie | SquareTie | AngleTie;
/**
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "anchor".
 */
export type Anchor = string | StopAnchor | FaceAnchor | PlaneAnchor;
/**
 * A point; with the direction it is gone through in, if that is held; or a clamp.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "flowPoint".
 */
export type FlowPoint = Vector | HeldPoint | Through;
/**
 * `drape`: which points of it a hand takes where before it comes to rest, one after another; `along` is a part of its length.
 */
export type Nudges = Nudge[];
/**
 * @minItems 2
 * @maxItems 2
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "outlinePoint".
 *
 * Items: Millimetres, degrees or a count; or an expression over the named values.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "number".
 */
export type OutlinePoint = [number | string, number | string];
/**
 * Points, each joined to the one before it; the last to the first.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "outline".
 */
export type Outline = (OutlinePoint | OutlineArc)[];
/**
 * Points, each joined to the one before it; the last to the first.
 */
export type Outline1 = (OutlinePoint | OutlineArc)[];
/**
 * Points, each joined to the one before it; the last to the first.
 */
export type Outline2 = (OutlinePoint | OutlineArc)[];
/**
 * Points, each joined to the one before it; the last to the first.
 */
export type Outline3 = (OutlinePoint | OutlineArc)[];
/**
 * @minItems 3
 * @maxItems 3
 */
export type Point = [number, number, number];
/**
 * Points, each joined to the one before it; the last to the first.
 */
export type Outline4 = (OutlinePoint | OutlineArc)[];
/**
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "jobList".
 */
export type JobList = {
  id: number;
  name: string;
  runs: number;
  saved_at: string;
  revision: number;
  /**
   * The job as it was issued last, which opens read-only.
   */
  issued: number | null;
  /**
   * Whether it may be opened as it is worked on.
   */
  may_see: boolean;
}[];
export type Placing = Move | Turn;
/**
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "ways".
 */
export type Ways = WayIn[];
/**
 * Where the wires of a harness lie in its trunks, mm.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "insideTrunks".
 */
export type InsideTrunks = {
  run: string;
  spans: {
    from: number;
    to: number;
    circles: {
      /**
       * Several of a cable or a twisted pair.
       */
      wires: string[];
      radius: number;
      /**
       * In the section, off the centre line.
       *
       * @minItems 2
       * @maxItems 2
       */
      at: [number, number];
    }[];
  }[];
}[];
/**
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "benders".
 */
export type Benders = Bender[];
/**
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "parts".
 */
export type Parts = {
  kind: string;
  title: string;
  parameters: {
    key: string;
    label: string;
    unit: "mm" | "°" | "";
    default: number;
  }[];
}[];
/**
 * Things as they would stand in the file: runs before others, the least moves first.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "nearCures".
 */
export type NearCures = NearCure[];
/**
 * The tables of flanges that ship with it, each with the names of its sizes.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "flangeTables".
 */
export type FlangeTables = {
  name: string;
  sizes: string[];
}[];
/**
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "ownFlanges".
 */
export type OwnFlanges = OwnFlangeRow[];

/**
 * The bodies of Bowline's HTTP interface.
 */
export interface Api {
  newJob?: NewJob;
  edits?: Edits;
  laying?: Laying;
  entry?: Entry;
  jobState?: JobState;
  jobList?: JobList;
  preview?: Preview;
  problem?: Problem;
  readNumber?: ReadNumber;
  previewRun?: PreviewRun;
  previewPlace?: PreviewPlace;
  waysIn?: WaysIn;
  ways?: Ways;
  pasted?: Pasted;
  pastedRows?: PastedRows;
  pastedWires?: PastedWires;
  insideTrunks?: InsideTrunks;
  jobHarnesses?: JobHarnesses;
  jobClearances?: JobClearances;
  harnessList?: HarnessList;
  trunkBreak?: TrunkBreak;
  trunkJoin?: TrunkJoin;
  triedItem?: TriedItem;
  triedHarness?: TriedHarness;
  boardTurn?: BoardTurn;
  board?: Board;
  wiringFaults?: WiringFaults;
  tested?: Tested;
  goTo?: GoTo;
  step?: Step;
  revision?: Revision;
  placing?: Placing;
  clash?: Clash;
  benders?: Benders;
  drawing?: Drawing;
  lines?: Lines;
  twin?: Twin;
  twinned?: Twinned;
  rename?: Rename;
  joinPieces?: JoinPieces;
  joined?: Joined;
  joint?: Joint;
  bendRows?: BendRows;
  bentRun?: BentRun;
  catalogueRow?: CatalogueRow;
  catalogue?: Catalogue;
  catalogueText?: CatalogueText;
  catalogueReport?: CatalogueReport;
  parts?: Parts;
  portOnPort?: PortOnPort;
  mesh?: Mesh;
  jobChange?: JobChange;
  anchor?: Anchor;
  tie?: Tie;
  part?: Part;
  hinge?: Hinge;
  set?: RunSet;
  jobBender?: JobBender;
  corner?: SolvedCorner;
  several?: Several;
  comb?: Comb;
  settle?: Settle;
  settling?: Settling;
  bodyFacts?: BodyFacts;
  jobFacts?: JobFacts;
  triangleCount?: TriangleCount;
  bodyWork?: BodyWork;
  bodyWorkChange?: BodyWorkChange;
  clearanceWorkChange?: ClearanceWorkChange;
  errands?: Errands;
  layWork?: LayWork;
  pastedPairs?: PastedPairs;
  nearPair?: NearPair;
  nearCures?: NearCures;
  supports?: Supports;
  newRevision?: NewRevision;
  askCheck?: AskCheck;
  revisions?: Revisions;
  openPoint?: OpenPoint;
  newRemark?: NewRemark;
  remarkChange?: RemarkChange;
  remark?: Remark;
  comparison?: Comparison;
  comparedFile?: ComparedFile;
  jobRevision?: JobRevision;
  bench?: Bench;
  newPart?: NewPart;
  bentPart?: BentPart;
  knownSpringback?: KnownSpringback;
  forgetSpringback?: ForgetSpringback;
  newPack?: NewPack;
  pack?: Pack;
  signIn?: SignIn;
  secondFactorCode?: SecondFactorCode;
  forgottenPassword?: ForgottenPassword;
  newPassword?: NewPassword;
  acceptInvitation?: AcceptInvitation;
  changePassword?: ChangePassword;
  ownPassword?: OwnPassword;
  newToken?: NewToken;
  invitePerson?: InvitePerson;
  changePerson?: ChangePerson;
  changeJobPerson?: ChangeJobPerson;
  shareLink?: ShareLink;
  presence?: Presence;
  madePart?: MadePart;
  person?: Person;
  me?: Me;
  signedIn?: SignedIn;
  secondFactor?: SecondFactor;
  recoveryCodes?: RecoveryCodes;
  scriptToken?: ScriptToken;
  people?: TeamPeople;
  jobPeople?: JobPeople;
  trail?: Trail;
  presences?: Presences;
  madeParts?: MadeParts;
}
/**
 * A new, empty job.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "newJob".
 */
export interface NewJob {
  name: string;
}
/**
 * All changes of one action of a user: all of them are kept, or none.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "edits".
 */
export interface Edits {
  /**
   * @maxItems 1000
   */
  edits: Edit[];
  header?: Header;
  /**
   * What was done, in words.
   */
  name?: string;
  /**
   * Names the action, so that one sent twice is done once.
   */
  token?: string;
  /**
   * The window that sends this has itself made all that came since it made these edits, up to this revision: where both changed the same, these hold.
   */
  after?: number;
  header_was?: Header1;
  /**
   * The revision that the window has seen: the answer is then only what is new since (`jobChange`), where that can be told.
   */
  since?: number;
}
/**
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "edit".
 */
export interface Edit {
  list: List;
  /**
   * Names an item; others refer to it by this.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "id".
   */
  id: string;
  /**
   * The item as it shall stand in the job file; null deletes it.
   */
  item: {} | null;
  /**
   * The item that the change was made from; with it, what another window changed meanwhile is not lost.
   */
  was?: {} | null;
}
/**
 * What belongs to the job itself; what is left out stays.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "header".
 */
export interface Header {
  name?: string;
  show_units?: "mm" | "in";
  values?: {
    /**
     * Millimetres, degrees or a count; or an expression over the named values.
     *
     * This interface was referenced by `Job`'s JSON-Schema
     * via the `definition` "number".
     */
    [k: string]: number | string;
  };
  show_fraction?: 16 | 32 | 64 | null;
  revision?: string;
  sets?: RunSet[];
  bodies?: JoinedBody[];
  benders?: JobBender[];
  services?: Service[];
  sheets?: Sheets;
  clearances?: Clearances;
  waivers?: Waiver[];
  keep_outs?: KeepOut[];
  follow?: Follow[];
}
/**
 * Runs looked at together: brought to one length by `same_as`, or kept within a budget of length.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "set".
 */
export interface RunSet {
  /**
   * Names an item; others refer to it by this.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "id".
   */
  id: string;
  /**
   * What people call it.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "name".
   */
  name?: string;
  /**
   * Items: Names an item; others refer to it by this.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "id".
   */
  runs: string[];
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  budget?: number | string;
}
/**
 * Several runs as one closed body, its bores open to each other.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "joinedBody".
 */
export interface JoinedBody {
  /**
   * Names an item; others refer to it by this.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "id".
   */
  id: string;
  /**
   * What people call it.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "name".
   */
  name?: string;
  /**
   * ids: the run that carries the others, and those that stand on it
   */
  runs: string[];
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  round?: number | string;
  /**
   * radii where two of its runs meet, in place of that of all
   */
  rounds?: {
    /**
     * ids of two of its runs
     *
     * @minItems 2
     * @maxItems 2
     */
    between: [string, string];
    /**
     * Millimetres, degrees or a count; or an expression over the named values.
     *
     * This interface was referenced by `Job`'s JSON-Schema
     * via the `definition` "number".
     */
    round: number | string;
  }[];
  /**
   * whether the wall follows the rounding, even everywhere (when it is left out), or the bores are joined sharp and the rounding thickens it
   */
  order?: "round-first" | "hollow-first";
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  wall?: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  least_wall?: number | string;
}
/**
 * Smallest straight between bends, straight gripped ahead of the first and behind the last, centre-line radii of its dies, largest angle it can be set to, largest tube.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "bender".
 */
export interface JobBender {
  /**
   * Names an item; others refer to it by this.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "id".
   */
  id: string;
  /**
   * What people call it.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "name".
   */
  name: string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  min_straight: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  first_grip: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  last_grip: number | string;
  /**
   * @minItems 1
   *
   * Items: Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  radii: [number | string, ...(number | string)[]];
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  max_angle: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  max_od: number | string;
}
/**
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "service".
 */
export interface Service {
  /**
   * Names an item; others refer to it by this.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "id".
   */
  id: string;
  /**
   * What people call it.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "name".
   */
  name?: string;
  /**
   * #2f7f8f
   */
  colour: string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  bands?: number | string;
  /**
   * What people call it.
   */
  class?: string;
}
/**
 * What stands on the drawings of the job.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "sheets".
 */
export interface Sheets {
  /**
   * ISO 216 or ANSI Y14.1; A4 when it is left out.
   */
  paper?: "a4" | "a3" | "a2" | "a1" | "a0" | "letter" | "b" | "c" | "d" | "e";
  /**
   * First angle when it is left out (ISO 5456-2).
   */
  projection?: "first" | "third";
  /**
   * Legal owner.
   */
  company?: string;
  /**
   * Of the drawing.
   */
  number?: string;
  /**
   * Name.
   */
  drawn_by?: string;
  /**
   * Name.
   */
  checked_by?: string;
  /**
   * General tolerances, in words.
   */
  tolerance?: string;
  part_tolerances?: PartTolerances;
  /**
   * Of the owner, in the title block: a JPEG in grey or RGB, in base64.
   */
  logo?: string;
  /**
   * The axis that points north.
   */
  north?: "+x" | "-x" | "+y" | "-y" | "+z" | "-z";
  /**
   * Fields of its own in the title block.
   *
   * @maxItems 24
   */
  fields?: SheetField[];
}
/**
 * How far bent parts may be off: on the bend sheet, and what parts are judged by on the bench.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "partTolerances".
 */
export interface PartTolerances {
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  place?: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  straight?: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  angle?: number | string;
}
/**
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "sheetField".
 */
export interface SheetField {
  name: string;
  value?: string;
}
/**
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "clearances".
 */
export interface Clearances {
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  usual?: number | string;
  /**
   * @maxItems 200
   */
  between?: Clearance[];
}
/**
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "clearance".
 */
export interface Clearance {
  /**
   * Of what runs carry: two that are kept apart, or one that is kept off everything.
   *
   * @minItems 1
   * @maxItems 2
   *
   * Items: What people call it.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "name".
   */
  classes: [string] | [string, string];
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  distance: number | string;
  /**
   * What people call it.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "name".
   */
  why?: string;
}
/**
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "waiver".
 */
export interface Waiver {
  a: ItemRef;
  b: ItemRef;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  distance: number | string;
  /**
   * What people call it.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "name".
   */
  reason: string;
  /**
   * Who waived it.
   */
  by?: string;
}
/**
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "itemRef".
 */
export interface ItemRef {
  list: "runs" | "fittings" | "clamps" | "surroundings";
  /**
   * Names an item; others refer to it by this.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "id".
   */
  id: string;
}
/**
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "keepOut".
 */
export interface KeepOut {
  /**
   * Names an item; others refer to it by this.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "id".
   */
  id: string;
  /**
   * What people call it.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "name".
   */
  name?: string;
  pose?: Pose;
  size: Vector1;
}
/**
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "pose".
 */
export interface Pose {
  at?: Vector;
  /**
   * Right-hand rule, degrees, about its own origin, before it is moved to `at`.
   */
  turn?: {
    /**
     * "+x" … "-z", or three numbers of any length but zero.
     *
     * This interface was referenced by `Job`'s JSON-Schema
     * via the `definition` "direction".
     */
    about: string | Vector;
    /**
     * Millimetres, degrees or a count; or an expression over the named values.
     *
     * This interface was referenced by `Job`'s JSON-Schema
     * via the `definition` "number".
     */
    by: number | string;
  };
}
/**
 * Something of the surroundings: a rack, a tray, a panel.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "follow".
 */
export interface Follow {
  /**
   * Names an item; others refer to it by this.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "id".
   */
  of: string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  stand_off?: number | string;
}
/**
 * What belongs to the job itself; what is left out stays.
 */
export interface Header1 {
  name?: string;
  show_units?: "mm" | "in";
  values?: {
    /**
     * Millimetres, degrees or a count; or an expression over the named values.
     *
     * This interface was referenced by `Job`'s JSON-Schema
     * via the `definition` "number".
     */
    [k: string]: number | string;
  };
  show_fraction?: 16 | 32 | 64 | null;
  revision?: string;
  sets?: RunSet[];
  bodies?: JoinedBody[];
  benders?: JobBender[];
  services?: Service[];
  sheets?: Sheets;
  clearances?: Clearances;
  waivers?: Waiver[];
  keep_outs?: KeepOut[];
  follow?: Follow[];
}
export interface MoveCorner {
  do: "move-corner";
  vertex: number;
  /**
   * @minItems 3
   * @maxItems 3
   */
  by: [number, number, number];
  /**
   * The run that the change was made from.
   */
  was?: {};
  /**
   * Names the action, so that one sent twice is done once.
   */
  token?: string;
  /**
   * The revision that the window has seen: the answer is then only what is new since (`jobChange`), where that can be told.
   */
  since?: number;
}
/**
 * The leg that ends at the vertex, parallel to itself.
 */
export interface MoveLeg {
  do: "move-leg";
  vertex: number;
  /**
   * @minItems 3
   * @maxItems 3
   */
  by: [number, number, number];
  /**
   * The run that the change was made from.
   */
  was?: {};
  /**
   * Names the action, so that one sent twice is done once.
   */
  token?: string;
  /**
   * The revision that the window has seen: the answer is then only what is new since (`jobChange`), where that can be told.
   */
  since?: number;
}
export interface SetLeg {
  do: "set-leg";
  vertex: number;
  /**
   * "+x" … "-z", or three numbers of any length but zero.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "direction".
   */
  along?: string | Vector;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  length?: number | string;
  until?: string;
  /**
   * The run that the change was made from.
   */
  was?: {};
  /**
   * Names the action, so that one sent twice is done once.
   */
  token?: string;
  /**
   * The revision that the window has seen: the answer is then only what is new since (`jobChange`), where that can be told.
   */
  since?: number;
}
/**
 * Into the leg that ends at the vertex.
 */
export interface InsertCorner {
  do: "insert-corner";
  vertex: number;
  /**
   * The run that the change was made from.
   */
  was?: {};
  /**
   * Names the action, so that one sent twice is done once.
   */
  token?: string;
  /**
   * The revision that the window has seen: the answer is then only what is new since (`jobChange`), where that can be told.
   */
  since?: number;
}
export interface RemoveCorner {
  do: "remove-corner";
  vertex: number;
  /**
   * The run that the change was made from.
   */
  was?: {};
  /**
   * Names the action, so that one sent twice is done once.
   */
  token?: string;
  /**
   * The revision that the window has seen: the answer is then only what is new since (`jobChange`), where that can be told.
   */
  since?: number;
}
export interface SetCorner {
  do: "set-corner";
  /**
   * Null for all corners.
   */
  vertex: number | null;
  /**
   * Null for none of its own.
   */
  corner: Corner | null;
  /**
   * The run that the change was made from.
   */
  was?: {};
  /**
   * Names the action, so that one sent twice is done once.
   */
  token?: string;
  /**
   * The revision that the window has seen: the answer is then only what is new since (`jobChange`), where that can be told.
   */
  since?: number;
}
/**
 * Centre-line radius as a length, as a multiple of the outside diameter, or that of an elbow.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "corner".
 */
export interface Corner {
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  radius?: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  ratio?: number | string;
  /**
   * a bought elbow that is welded in, with the radius of its standard
   */
  elbow?: "long" | "short";
}
export interface HoldLength {
  do: "hold-length";
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  length: number | string;
  /**
   * The run that the change was made from.
   */
  was?: {};
  /**
   * Names the action, so that one sent twice is done once.
   */
  token?: string;
  /**
   * The revision that the window has seen: the answer is then only what is new since (`jobChange`), where that can be told.
   */
  since?: number;
}
/**
 * From the open end: to a point, or along a direction for a length or until level with something.
 */
export interface AddLeg {
  do: "add-leg";
  at?: Vector;
  /**
   * "+x" … "-z", or three numbers of any length but zero.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "direction".
   */
  along?: string | Vector;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  length?: number | string;
  until?: string | Vector;
  /**
   * The run that the change was made from.
   */
  was?: {};
  /**
   * Names the action, so that one sent twice is done once.
   */
  token?: string;
  ties?: Tie[];
  /**
   * The revision that the window has seen: the answer is then only what is new since (`jobChange`), where that can be told.
   */
  since?: number;
}
/**
 * So far along a direction from it; level with it when no distance is said.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "levelTie".
 */
export interface LevelTie {
  /**
   * "+x" … "-z", or three numbers of any length but zero.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "direction".
   */
  level: string | Vector;
  with: Anchor;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  distance?: number | string;
}
/**
 * A stop, 0-based, of the same run or of another.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "stopAnchor".
 */
export interface StopAnchor {
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  stop: number | string;
  /**
   * Names an item; others refer to it by this.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "id".
   */
  run?: string;
}
/**
 * A face of something of the surroundings: "front" or "back" of a panel, "+x" … "-z" of a box.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "faceAnchor".
 */
export interface FaceAnchor {
  face: string;
  /**
   * Names an item; others refer to it by this.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "id".
   */
  of: string;
}
/**
 * A face by a point on it and its normal, in the frame of what it belongs to.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "planeAnchor".
 */
export interface PlaneAnchor {
  at: Vector;
  /**
   * "+x" … "-z", or three numbers of any length but zero.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "direction".
   */
  normal: string | Vector;
  /**
   * Names an item; others refer to it by this.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "id".
   */
  of: string;
}
/**
 * So far from a point or an axis, or off a face.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "awayTie".
 */
export interface AwayTie {
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  away: number | string;
  from: Anchor;
}
/**
 * On the axis of a port or a clamp.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "axisTie".
 */
export interface AxisTie {
  on_axis: Anchor;
}
/**
 * The leg into it runs along an axis or a face.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "parallelTie".
 */
export interface ParallelTie {
  parallel: Anchor;
}
/**
 * The leg into it runs square to an axis, or straight at a face.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "squareTie".
 */
export interface SquareTie {
  square: Anchor;
}
/**
 * The leg into it makes an angle with an axis or a face, 0 to 90.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "angleTie".
 */
export interface AngleTie {
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  angle: number | string;
  to: Anchor;
}
/**
 * The last leg of a run with an open end.
 */
export interface TakeBack {
  do: "take-back";
  /**
   * The run that the change was made from.
   */
  was?: {};
  /**
   * Names the action, so that one sent twice is done once.
   */
  token?: string;
  /**
   * The revision that the window has seen: the answer is then only what is new since (`jobChange`), where that can be told.
   */
  since?: number;
}
export interface Finish {
  do: "finish";
  port: string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  lead?: number | string;
  /**
   * Items: This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "stop".
   */
  stops?: (PointStop | StepStop | LegStop | LevelStop | ClampStop)[];
  /**
   * The run that the change was made from.
   */
  was?: {};
  /**
   * Names the action, so that one sent twice is done once.
   */
  token?: string;
  /**
   * The revision that the window has seen: the answer is then only what is new since (`jobChange`), where that can be told.
   */
  since?: number;
}
/**
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "pointStop".
 */
export interface PointStop {
  at: Vector;
  corner?: Corner;
  ties?: Tie[];
}
/**
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "stepStop".
 */
export interface StepStop {
  by: Vector;
  corner?: Corner;
  ties?: Tie[];
}
/**
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "legStop".
 */
export interface LegStop {
  /**
   * "+x" … "-z", or three numbers of any length but zero.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "direction".
   */
  along: string | Vector;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  length: number | string;
  corner?: Corner;
  ties?: Tie[];
}
/**
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "levelStop".
 */
export interface LevelStop {
  /**
   * "+x" … "-z", or three numbers of any length but zero.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "direction".
   */
  along: string | Vector;
  until: string | Vector;
  corner?: Corner;
  ties?: Tie[];
}
/**
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "clampStop".
 */
export interface ClampStop {
  /**
   * Names an item; others refer to it by this.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "id".
   */
  clamp: string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  before: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  after: number | string;
  reverse?: boolean;
  corner?: Corner;
}
export interface PutCorners {
  do: "put-corners";
  /**
   * They come before it; null replaces all corners.
   */
  vertex: number | null;
  /**
   * @maxItems 500
   *
   * Items: This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "stop".
   */
  stops: (PointStop | StepStop | LegStop | LevelStop | ClampStop)[];
  /**
   * The run that the change was made from.
   */
  was?: {};
  /**
   * Names the action, so that one sent twice is done once.
   */
  token?: string;
  /**
   * The revision that the window has seen: the answer is then only what is new since (`jobChange`), where that can be told.
   */
  since?: number;
}
/**
 * The run goes the other way.
 */
export interface Reverse {
  do: "reverse";
  /**
   * The run that the change was made from.
   */
  was?: {};
  /**
   * Names the action, so that one sent twice is done once.
   */
  token?: string;
  /**
   * The revision that the window has seen: the answer is then only what is new since (`jobChange`), where that can be told.
   */
  since?: number;
}
/**
 * Ties a corner, or the leg into it.
 */
export interface Tie1 {
  do: "tie";
  vertex: number;
  tie: Tie;
  /**
   * The run that the change was made from.
   */
  was?: {};
  /**
   * Names the action, so that one sent twice is done once.
   */
  token?: string;
  /**
   * The revision that the window has seen: the answer is then only what is new since (`jobChange`), where that can be told.
   */
  since?: number;
  /**
   * Whether its amount is to be what it is now, whatever is told.
   */
  measured?: boolean;
}
/**
 * Lets go of a tie; the corner stays where it is.
 */
export interface Untie {
  do: "untie";
  vertex: number;
  /**
   * Which of its ties, 0-based; all of them when it is not said.
   */
  tie?: number;
  /**
   * The run that the change was made from.
   */
  was?: {};
  /**
   * Names the action, so that one sent twice is done once.
   */
  token?: string;
  /**
   * The revision that the window has seen: the answer is then only what is new since (`jobChange`), where that can be told.
   */
  since?: number;
}
/**
 * Puts the leg that ends at a vertex on the axis of a clamp; without a vertex, goes on from the open end.
 */
export interface ThroughClamp {
  do: "through-clamp";
  vertex?: number;
  /**
   * Names an item; others refer to it by this.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "id".
   */
  clamp: string;
  /**
   * The run that the change was made from.
   */
  was?: {};
  /**
   * Names the action, so that one sent twice is done once.
   */
  token?: string;
  /**
   * The revision that the window has seen: the answer is then only what is new since (`jobChange`), where that can be told.
   */
  since?: number;
}
/**
 * Makes a run that followed another, or its own first half, one with corners of its own.
 */
export interface MakeOwn {
  do: "make-own";
  /**
   * The run that the change was made from.
   */
  was?: {};
  /**
   * Names the action, so that one sent twice is done once.
   */
  token?: string;
  /**
   * The revision that the window has seen: the answer is then only what is new since (`jobChange`), where that can be told.
   */
  since?: number;
}
/**
 * Makes the run the first half of a symmetric whole.
 */
export interface MakeSymmetric {
  do: "make-symmetric";
  across: Plane;
  /**
   * The run that the change was made from.
   */
  was?: {};
  /**
   * Names the action, so that one sent twice is done once.
   */
  token?: string;
  /**
   * The revision that the window has seen: the answer is then only what is new since (`jobChange`), where that can be told.
   */
  since?: number;
}
/**
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "plane".
 */
export interface Plane {
  at: Vector;
  /**
   * "+x" … "-z", or three numbers of any length but zero.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "direction".
   */
  normal: string | Vector;
}
/**
 * Numbers of a route that is a curve; null takes one away.
 */
export interface SetRoute {
  do: "set-route";
  route: {
    length?: (number | string) | null;
    slack?: (number | string) | null;
    shape?: (number | string) | null;
    points?: FlowPoint[];
    pitch?: (number | string) | null;
    turns?: (number | string) | null;
    gap?: (number | string) | null;
    start_angle?: (number | string) | null;
    from_length?: (number | string) | null;
    to_length?: (number | string) | null;
    through?: Through[];
    last_span?: (number | string) | null;
    start_pull?: (number | string) | null;
    end_pull?: (number | string) | null;
    start_knot?: (number | string) | null;
    end_knot?: (number | string) | null;
    strand?: (number | string) | null;
    apart?: (number | string) | null;
    start_held?: ("pinned" | "clamped") | null;
    end_held?: ("pinned" | "clamped" | "free") | null;
    nudges?: Nudges | null;
  };
  /**
   * The run that the change was made from.
   */
  was?: {};
  /**
   * Names the action, so that one sent twice is done once.
   */
  token?: string;
  /**
   * The revision that the window has seen: the answer is then only what is new since (`jobChange`), where that can be told.
   */
  since?: number;
}
export interface HeldPoint {
  at: Vector;
  /**
   * "+x" … "-z", or three numbers of any length but zero.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "direction".
   */
  along?: string | Vector;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  pull?: number | string;
}
/**
 * A clamp that a flexible run is led through.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "through".
 */
export interface Through {
  /**
   * Names an item; others refer to it by this.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "id".
   */
  clamp: string;
  reverse?: boolean;
  /**
   * By its centre alone, in whatever direction.
   */
  loose?: boolean;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  length?: number | string;
}
export interface Nudge {
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  along: number | string;
  to: Vector;
}
export interface KeepShape {
  do: "keep-shape";
  keep: boolean;
  /**
   * The run that the change was made from.
   */
  was?: {};
  /**
   * Names the action, so that one sent twice is done once.
   */
  token?: string;
  /**
   * The revision that the window has seen: the answer is then only what is new since (`jobChange`), where that can be told.
   */
  since?: number;
}
/**
 * Makes a flexible run one through points.
 */
export interface AsPoints {
  do: "as-points";
  /**
   * The run that the change was made from.
   */
  was?: {};
  /**
   * Names the action, so that one sent twice is done once.
   */
  token?: string;
  /**
   * The revision that the window has seen: the answer is then only what is new since (`jobChange`), where that can be told.
   */
  since?: number;
}
/**
 * Relaxes the tightest part of a smooth run; no point moves farther than this, mm.
 */
export interface Ease {
  do: "ease";
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  within: number | string;
  /**
   * The run that the change was made from.
   */
  was?: {};
  /**
   * Names the action, so that one sent twice is done once.
   */
  token?: string;
  /**
   * The revision that the window has seen: the answer is then only what is new since (`jobChange`), where that can be told.
   */
  since?: number;
}
/**
 * Lets a run behave in another way, with its ends and as near as may be its length and place.
 */
export interface Become {
  do: "become";
  kind: "corners" | "hang" | "drape" | "spring" | "flow" | "wrap";
  /**
   * The run that it is wound round, where it is wound.
   */
  host?: string;
  /**
   * The run that the change was made from.
   */
  was?: {};
  /**
   * Names the action, so that one sent twice is done once.
   */
  token?: string;
  /**
   * The revision that the window has seen: the answer is then only what is new since (`jobChange`), where that can be told.
   */
  since?: number;
}
/**
 * Finishes an end: open, with a flange that goes over its tube, a flat plug, a cap, a collar, or a reducer.
 */
export interface FinishEnd {
  do: "finish-end";
  end: "from" | "to";
  type: "open" | "flange" | "closed" | "flat-cap" | "domed-cap" | "stepped-cap" | "reducer" | "collar";
  /**
   * The run that the change was made from.
   */
  was?: {};
  /**
   * Names the action, so that one sent twice is done once.
   */
  token?: string;
  /**
   * The revision that the window has seen: the answer is then only what is new since (`jobChange`), where that can be told.
   */
  since?: number;
}
/**
 * Lets an end stand on another run, square to it, or moves it along that.
 */
export interface StandOn {
  do: "stand-on";
  end: "from" | "to";
  /**
   * id of the run that it stands on
   */
  run: string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  along?: number | string;
  /**
   * The run that the change was made from.
   */
  was?: {};
  /**
   * Names the action, so that one sent twice is done once.
   */
  token?: string;
  /**
   * The revision that the window has seen: the answer is then only what is new since (`jobChange`), where that can be told.
   */
  since?: number;
}
/**
 * Gives a flange another number of bolt holes.
 */
export interface DrillFlange {
  do: "drill-flange";
  end?: "from" | "to";
  /**
   * of a joint in place of an end
   */
  joint?: number;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  count: number | string;
  /**
   * The run that the change was made from.
   */
  was?: {};
  /**
   * Names the action, so that one sent twice is done once.
   */
  token?: string;
  /**
   * The revision that the window has seen: the answer is then only what is new since (`jobChange`), where that can be told.
   */
  since?: number;
}
/**
 * Takes a flange of a table, the same as another end has, or one with measures of its own where neither is named.
 */
export interface ChooseFlange {
  do: "choose-flange";
  end?: "from" | "to";
  /**
   * of a joint in place of an end
   */
  joint?: number;
  standard?: string;
  /**
   * one with these measures, from the catalogue
   */
  flange?: Flange | RectangularFlange | OvalFlange;
  same_as?: EndOfRun;
  /**
   * The run that the change was made from.
   */
  was?: {};
  /**
   * Names the action, so that one sent twice is done once.
   */
  token?: string;
  /**
   * The revision that the window has seen: the answer is then only what is new since (`jobChange`), where that can be told.
   */
  since?: number;
}
/**
 * A round plate, its face at the end of the run.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "flange".
 */
export interface Flange {
  type: "flange";
  plate?: "round";
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  od: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  thickness: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  bore?: number | string;
  holes?: BoltHoles;
  face?: FlangeFace;
  neck?: FlangeNeck;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  turn?: number | string;
  /**
   * the plate closes the bore
   */
  blind?: boolean;
  part_number?: string;
}
/**
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "boltHoles".
 */
export interface BoltHoles {
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  count: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  diameter?: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  circle?: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  start?: number | string;
}
/**
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "flangeFace".
 */
export interface FlangeFace {
  kind: "flat" | "raised" | "recess" | "spigot";
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  diameter?: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  height?: number | string;
}
/**
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "flangeNeck".
 */
export interface FlangeNeck {
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  diameter?: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  length?: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  radius?: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  land?: number | string;
}
/**
 * A square or rectangular plate with rounded corners.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "rectangularFlange".
 */
export interface RectangularFlange {
  type: "flange";
  plate: "rectangle";
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  width: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  height?: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  corner_radius?: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  thickness: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  bore?: number | string;
  holes?: BoltHoles;
  face?: FlangeFace;
  neck?: FlangeNeck;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  turn?: number | string;
  /**
   * the plate closes the bore
   */
  blind?: boolean;
  part_number?: string;
}
/**
 * A plate of two bolts, which straddle the upright.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "ovalFlange".
 */
export interface OvalFlange {
  type: "flange";
  plate: "oval";
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  od: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  end_radius: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  thickness: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  bore?: number | string;
  holes: BoltHoles;
  face?: FlangeFace;
  neck?: FlangeNeck;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  turn?: number | string;
  /**
   * the plate closes the bore
   */
  blind?: boolean;
  part_number?: string;
}
/**
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "endOfRun".
 */
export interface EndOfRun {
  /**
   * Names an item; others refer to it by this.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "id".
   */
  run: string;
  end: "from" | "to";
}
/**
 * Gives a flange another shape of plate, face or neck.
 */
export interface ShapeFlange {
  do: "shape-flange";
  end?: "from" | "to";
  /**
   * of a joint in place of an end
   */
  joint?: number;
  plate?: "round" | "rectangle" | "oval";
  face?: "flat" | "raised" | "recess" | "spigot";
  neck?: "none" | "fillet" | "hub";
  /**
   * The run that the change was made from.
   */
  was?: {};
  /**
   * Names the action, so that one sent twice is done once.
   */
  token?: string;
  /**
   * The revision that the window has seen: the answer is then only what is new since (`jobChange`), where that can be told.
   */
  since?: number;
}
/**
 * Breaks the run into spools: in the middle of a leg, at a length along it, or in the middle of its longest straight.
 */
export interface BreakRun {
  do: "break-run";
  /**
   * at the far end of the leg
   */
  vertex?: number;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  length?: number | string;
  /**
   * The run that the change was made from.
   */
  was?: {};
  /**
   * Names the action, so that one sent twice is done once.
   */
  token?: string;
  /**
   * The revision that the window has seen: the answer is then only what is new since (`jobChange`), where that can be told.
   */
  since?: number;
}
/**
 * Takes a joint out, so that the spools beside it are one.
 */
export interface TakeOutJoint {
  do: "take-out-joint";
  joint: number;
  /**
   * The run that the change was made from.
   */
  was?: {};
  /**
   * Names the action, so that one sent twice is done once.
   */
  token?: string;
  /**
   * The revision that the window has seen: the answer is then only what is new since (`jobChange`), where that can be told.
   */
  since?: number;
}
/**
 * Gives a joint another kind, with the gap that is usual for that.
 */
export interface JoinBy {
  do: "join-by";
  joint: number;
  kind: "flanges" | "coupling" | "union" | "weld";
  /**
   * The run that the change was made from.
   */
  was?: {};
  /**
   * Names the action, so that one sent twice is done once.
   */
  token?: string;
  /**
   * The revision that the window has seen: the answer is then only what is new since (`jobChange`), where that can be told.
   */
  since?: number;
}
/**
 * Puts a joint to another place along the run; it may be a place where it cannot be, and is found then.
 */
export interface MoveJoint {
  do: "move-joint";
  joint: number;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  along: number | string;
  /**
   * The run that the change was made from.
   */
  was?: {};
  /**
   * Names the action, so that one sent twice is done once.
   */
  token?: string;
  /**
   * The revision that the window has seen: the answer is then only what is new since (`jobChange`), where that can be told.
   */
  since?: number;
}
/**
 * Puts something along the run again and again, or tells one by its count, or by its pitch again.
 */
export interface RepeatAlong {
  do: "repeat-along";
  kind: "clip" | "tie" | "rib" | "ring" | "mark";
  /**
   * one that is there
   */
  repeat?: number;
  /**
   * The run that the change was made from.
   */
  was?: {};
  /**
   * Names the action, so that one sent twice is done once.
   */
  token?: string;
  /**
   * The revision that the window has seen: the answer is then only what is new since (`jobChange`), where that can be told.
   */
  since?: number;
}
/**
 * Gives what repeats along the run an outline of its own, or makes it round again.
 */
export interface OutlineRepeat {
  do: "outline-repeat";
  /**
   * one that is there
   */
  repeat: number;
  /**
   * The run that the change was made from.
   */
  was?: {};
  /**
   * Names the action, so that one sent twice is done once.
   */
  token?: string;
  /**
   * The revision that the window has seen: the answer is then only what is new since (`jobChange`), where that can be told.
   */
  since?: number;
}
/**
 * Gives a smooth run one point more: where it was pointed at, or in its middle.
 */
export interface InsertPoint {
  do: "insert-point";
  at?: Vector;
  /**
   * The run that the change was made from.
   */
  was?: {};
  /**
   * Names the action, so that one sent twice is done once.
   */
  token?: string;
  /**
   * The revision that the window has seen: the answer is then only what is new since (`jobChange`), where that can be told.
   */
  since?: number;
}
/**
 * Brings a point of a smooth run level with something along one axis.
 */
export interface LevelPoint {
  do: "level-point";
  point: number;
  axis: "x" | "y" | "z";
  /**
   * Another point by its number, or a port or clamp by its name.
   */
  with: number | string;
  /**
   * The run that the change was made from.
   */
  was?: {};
  /**
   * Names the action, so that one sent twice is done once.
   */
  token?: string;
  /**
   * The revision that the window has seen: the answer is then only what is new since (`jobChange`), where that can be told.
   */
  since?: number;
}
/**
 * Holds the direction in which a smooth run goes through a point, or lets it go.
 */
export interface HoldDirection {
  do: "hold-direction";
  point: number;
  hold: boolean;
  /**
   * The run that the change was made from.
   */
  was?: {};
  /**
   * Names the action, so that one sent twice is done once.
   */
  token?: string;
  /**
   * The revision that the window has seen: the answer is then only what is new since (`jobChange`), where that can be told.
   */
  since?: number;
}
/**
 * Tells a run by another number; it stays as it is where it can.
 */
export interface TellBy {
  do: "tell-by";
  by: "length" | "slack" | "pitch" | "turns" | "beside" | "radius" | "ratio";
  /**
   * The run that the change was made from.
   */
  was?: {};
  /**
   * Names the action, so that one sent twice is done once.
   */
  token?: string;
  /**
   * The revision that the window has seen: the answer is then only what is new since (`jobChange`), where that can be told.
   */
  since?: number;
}
/**
 * Lets the length come as it comes, holds it as it is now, or makes it that of a set.
 */
export interface HoldAs {
  do: "hold-as";
  how: "free" | "held" | "set";
  set?: string;
  /**
   * The run that the change was made from.
   */
  was?: {};
  /**
   * Names the action, so that one sent twice is done once.
   */
  token?: string;
  /**
   * The revision that the window has seen: the answer is then only what is new since (`jobChange`), where that can be told.
   */
  since?: number;
}
/**
 * Lets a corner, or a point of a smooth run, move so that the run has its length, or keeps it where it is.
 */
export interface LetGive {
  do: "let-give";
  /**
   * Of the route's stops or points, 0-based.
   */
  stop: number;
  gives: boolean;
  /**
   * The run that the change was made from.
   */
  was?: {};
  /**
   * Names the action, so that one sent twice is done once.
   */
  token?: string;
  /**
   * The revision that the window has seen: the answer is then only what is new since (`jobChange`), where that can be told.
   */
  since?: number;
}
/**
 * What somebody typed into a number field.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "entry".
 */
export interface Entry {
  text: string;
  /**
   * The field it was typed into: list/id/label.
   */
  field?: string;
  /**
   * Plain numbers are in the units of the job.
   */
  is_length?: boolean;
}
/**
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "jobState".
 */
export interface JobState {
  id: number;
  revision: number;
  saved_at: string;
  job: Job;
  /**
   * The named values, worked out.
   */
  values: {
    [k: string]: number;
  };
  /**
   * Where fittings and their ports are in space.
   */
  places: Place[];
  solutions: SolvedRun[];
  /**
   * Number of the last step in force; those after it are undone.
   */
  step: number;
  /**
   * Number of the step that undo takes back, of whoever asks; null where there is none.
   */
  undo: number | null;
  steps: Step[];
  /**
   * What was typed, by field: shown again while the field has that value.
   */
  entries: {
    [k: string]: {
      typed: string;
      value: number;
    };
  };
  sets: SolvedSet[];
  /**
   * Bodies of several runs.
   */
  bodies: {
    id: string;
    /**
     * Why its runs cannot be one body; null where they can.
     */
    fault: string | null;
    /**
     * ids of the runs of which two meet
     */
    meetings: [string, string][];
  }[];
  harnesses: SolvedHarness[];
  /**
   * The revision of which these harnesses are: a change does not tell them.
   */
  harnesses_at: number;
  /**
   * The stock and the bend radius that were chosen last.
   */
  remembered: {
    stock?: string;
    radius?: number;
  };
  /**
   * Limits of the trade that a hand is held to before anything is asked.
   */
  limits: {
    /**
     * From this turn on, degrees, a run comes back on itself.
     */
    reversal: number;
  };
  defaults: Defaults;
  /**
   * The benders of the job, or those that ship with it; and what a new one begins as.
   */
  benders: {
    own: JobBender[];
    new: JobBender;
  };
  /**
   * What follows of each stock, by id: lengths in mm, mass of a metre in kg.
   */
  stocks: {
    [k: string]: StockFacts;
  };
  /**
   * The legend of the job, or the one that ships with it.
   */
  services: Service[];
  /**
   * Boxes that runs which lay themselves stay out of, where they are.
   */
  keep_outs: PlacedKeepOut[];
  frozen: Frozen | null;
}
/**
 * A Bowline job file. Lengths in millimetres, angles in degrees.
 */
export interface Job {
  format: "bowline-job";
  /**
   * 2 brought relations, parts, panels, meshes, sets and benders; 4 brought harnesses; 5 clearances; 6 what stands on drawings.
   */
  version: 1 | 2 | 3 | 4 | 5 | 6;
  /**
   * What people call it.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "name".
   */
  name?: string;
  show_units?: "mm" | "in";
  up?: "x" | "y" | "z";
  /**
   * Named values: a number or an expression over the others.
   */
  values?: {
    /**
     * Millimetres, degrees or a count; or an expression over the named values.
     *
     * This interface was referenced by `Job`'s JSON-Schema
     * via the `definition` "number".
     */
    [k: string]: number | string;
  };
  stock?: Stock[];
  fittings?: Fitting[];
  clamps?: Clamp[];
  surroundings?: Surrounding[];
  /**
   * Triangles of meshes by name: nine 32-bit little-endian floats each, mm, in base64.
   */
  meshes?: {
    [k: string]: string;
  };
  runs?: Run[];
  harnesses?: Harness[];
  /**
   * With inches: shown in parts of this; decimals when it is left out.
   */
  show_fraction?: 16 | 32 | 64;
  /**
   * What the sheets of the shop are marked with: A, B, 2 …
   */
  revision?: string;
  sets?: RunSet[];
  /**
   * Runs that are made as one closed body.
   */
  bodies?: JoinedBody[];
  /**
   * The benders at hand; the two that ship with it when left out.
   */
  benders?: JobBender[];
  /**
   * What its runs carry; the usual ones when it is left out.
   *
   * @maxItems 100
   */
  services?: Service[];
  sheets?: Sheets;
  clearances?: Clearances;
  /**
   * What may be nearer to each other than it should.
   *
   * @maxItems 1000
   */
  waivers?: Waiver[];
  /**
   * Boxes that runs which lay themselves stay out of.
   *
   * @maxItems 1000
   */
  keep_outs?: KeepOut[];
  /**
   * What of the surroundings runs which lay themselves rather go along.
   *
   * @maxItems 1000
   */
  follow?: Follow[];
}
/**
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "stock".
 */
export interface Stock {
  /**
   * Names an item; others refer to it by this.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "id".
   */
  id: string;
  kind: "tube" | "pipe" | "hose" | "cable" | "wire" | "rod" | "bundle";
  /**
   * What people call it.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "name".
   */
  name?: string;
  /**
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "section".
   */
  section?: RoundSection | RectangleSection | ArchedSection | OutlineSection;
  bend: BendPractice;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  density?: number | string;
  part_number?: string;
  standard?: string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  mass?: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  stiffness?: number | string;
  /**
   * How its length changes under pressure, in percent: at most shorter by (negative), at most longer by.
   */
  pressure?: {
    /**
     * Millimetres, degrees or a count; or an expression over the named values.
     *
     * This interface was referenced by `Job`'s JSON-Schema
     * via the `definition` "number".
     */
    shortest: number | string;
    /**
     * Millimetres, degrees or a count; or an expression over the named values.
     *
     * This interface was referenced by `Job`'s JSON-Schema
     * via the `definition` "number".
     */
    longest: number | string;
  };
  /**
   * The lengths it is sold in, made up, mm.
   *
   * Items: Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  lengths?: (number | string)[];
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  support_spacing?: number | string;
  /**
   * Of its wall, from the bore outwards.
   */
  layers?: Layer[];
}
/**
 * Without a wall or a bore, or with a wall of half its outside diameter, it is solid.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "roundSection".
 */
export interface RoundSection {
  shape: "round";
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  od: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  wall?: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  bore?: number | string;
}
/**
 * About the path; corner_radius is that of the outside. Without a wall it is solid.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "rectangleSection".
 */
export interface RectangleSection {
  shape: "rectangle";
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  width: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  height: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  wall?: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  corner_radius?: number | string;
}
/**
 * A rectangle about the path whose top is one arc over its whole width, rise above its shoulders. Without a wall it is solid.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "archedSection".
 */
export interface ArchedSection {
  shape: "arched";
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  width: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  height: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  rise: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  wall?: number | string;
}
/**
 * Outlines of lines and arcs, the path at their origin.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "outlineSection".
 */
export interface OutlineSection {
  shape: "outline";
  outer: Outline;
  holes?: Outline[];
}
/**
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "outlineArc".
 */
export interface OutlineArc {
  through: OutlinePoint;
  to: OutlinePoint;
}
/**
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "bendPractice".
 */
export interface BendPractice {
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  radius: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  min_radius?: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  min_straight?: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  stretch_per_degree?: number | string;
  springback?: Springback;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  moving_radius?: number | string;
}
/**
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "springback".
 */
export interface Springback {
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  ratio?: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  offset?: number | string;
}
/**
 * A layer of a hose or a cable: what it is of, and its outside diameter.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "layer".
 */
export interface Layer {
  /**
   * What people call it.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "name".
   */
  name: string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  od: number | string;
}
/**
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "fitting".
 */
export interface Fitting {
  /**
   * The id of a fitting or a port: `fitting.port` names a port, so neither has a dot.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "dotless".
   */
  id: string;
  /**
   * What people call it.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "name".
   */
  name?: string;
  pose?: Pose;
  body?: Body;
  ports?: Port[];
  part?: Part;
  /**
   * Names an item; others refer to it by this.
   */
  on?: string;
  moves?: Movement;
}
/**
 * A box with `size`, a cylinder with `diameter` and `height` along its own z, or a plate with `outline` and `thickness`; centred on `at`, or on its origin.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "body".
 */
export interface Body {
  shape: "box" | "cylinder" | "plate";
  at?: Vector;
  size?: Vector;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  diameter?: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  height?: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  density?: number | string;
  outline?: Outline1;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  thickness?: number | string;
}
/**
 * A point and an axis that points out of the fitting, in the fitting's own frame.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "port".
 */
export interface Port {
  /**
   * The id of a fitting or a port: `fitting.port` names a port, so neither has a dot.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "dotless".
   */
  id: string;
  /**
   * What people call it.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "name".
   */
  name?: string;
  at: Vector;
  /**
   * "+x" … "-z", or three numbers of any length but zero.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "direction".
   */
  axis: string | Vector;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  size?: number | string;
  /**
   * Of a connector, in order.
   *
   * Items: A contact of a connector: its mark, or with what it is for.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "pin".
   */
  pins?: (
    | string
    | {
        /**
         * The id of a fitting or a port: `fitting.port` names a port, so neither has a dot.
         *
         * This interface was referenced by `Job`'s JSON-Schema
         * via the `definition` "dotless".
         */
        id: string;
        /**
         * What people call it.
         *
         * This interface was referenced by `Job`'s JSON-Schema
         * via the `definition` "name".
         */
        name?: string;
      }
  )[];
  allowance?: Allowance;
}
/**
 * What a wire is cut longer by at an end: stripped, in its crimp, and for a service loop, mm.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "allowance".
 */
export interface Allowance {
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  strip?: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  crimp?: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  loop?: number | string;
}
/**
 * A fitting made by a few numbers; those left out are as they come.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "part".
 */
export interface Part {
  kind:
    | "pump"
    | "impeller-pump"
    | "filter"
    | "strainer"
    | "canister"
    | "valve"
    | "hull-valve"
    | "tank-connection"
    | "bulkhead-union"
    | "elbow"
    | "tee"
    | "manifold"
    | "tank"
    | "header-tank"
    | "heat-exchanger"
    | "sea-chest"
    | "engine"
    | "bare-port";
  [k: string]:
    | number
    | string
    | "pump"
    | "impeller-pump"
    | "filter"
    | "strainer"
    | "canister"
    | "valve"
    | "hull-valve"
    | "tank-connection"
    | "bulkhead-union"
    | "elbow"
    | "tee"
    | "manifold"
    | "tank"
    | "header-tank"
    | "heat-exchanger"
    | "sea-chest"
    | "engine"
    | "bare-port";
}
/**
 * A thing that moves while it works: it swings, or goes to a second position. Things that move do so together.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "movement".
 */
export interface Movement {
  /**
   * About a line in its own frame, from one angle to the other; at 0 it stands as placed.
   */
  swing?: {
    at: Vector;
    /**
     * "+x" … "-z", or three numbers of any length but zero.
     *
     * This interface was referenced by `Job`'s JSON-Schema
     * via the `definition` "direction".
     */
    axis: string | Vector;
    /**
     * Millimetres, degrees or a count; or an expression over the named values.
     *
     * This interface was referenced by `Job`'s JSON-Schema
     * via the `definition` "number".
     */
    from: number | string;
    /**
     * Millimetres, degrees or a count; or an expression over the named values.
     *
     * This interface was referenced by `Job`'s JSON-Schema
     * via the `definition` "number".
     */
    to: number | string;
  };
  to?: Pose1;
}
/**
 * Its second position; the first is where it stands.
 */
export interface Pose1 {
  at?: Vector;
  /**
   * Right-hand rule, degrees, about its own origin, before it is moved to `at`.
   */
  turn?: {
    /**
     * "+x" … "-z", or three numbers of any length but zero.
     *
     * This interface was referenced by `Job`'s JSON-Schema
     * via the `definition` "direction".
     */
    about: string | Vector;
    /**
     * Millimetres, degrees or a count; or an expression over the named values.
     *
     * This interface was referenced by `Job`'s JSON-Schema
     * via the `definition` "number".
     */
    by: number | string;
  };
}
/**
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "clamp".
 */
export interface Clamp {
  /**
   * Names an item; others refer to it by this.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "id".
   */
  id: string;
  /**
   * What people call it.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "name".
   */
  name?: string;
  at: Vector;
  /**
   * "+x" … "-z", or three numbers of any length but zero.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "direction".
   */
  axis: string | Vector;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  bore: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  width: number | string;
  /**
   * Names an item; others refer to it by this.
   */
  on?: string;
  face?: string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  stand_off?: number | string;
}
/**
 * A box with `size`, a cylinder with `diameter` and `height` along its own z, both centred on its pose; a panel with `width`, `height` and `thickness`, its front face in its own x–y plane; or a mesh.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "surrounding".
 */
export interface Surrounding {
  /**
   * Names an item; others refer to it by this.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "id".
   */
  id: string;
  /**
   * What people call it.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "name".
   */
  name?: string;
  shape: "box" | "cylinder" | "panel" | "mesh" | "plate";
  pose?: Pose;
  size?: Vector;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  diameter?: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  height?: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  width?: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  thickness?: number | string;
  hinge?: Hinge;
  /**
   * Names the triangles in `meshes`.
   */
  mesh?: string;
  /**
   * Lowest and highest corner of a mesh.
   *
   * @minItems 2
   * @maxItems 2
   */
  extent?: [Vector, Vector];
  /**
   * Of a mesh that came from exact geometry: the round ends on which ports can be put.
   *
   * @maxItems 5000
   */
  rounds?: RoundEnd[];
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  density?: number | string;
  outline?: Outline2;
}
/**
 * A line in its own frame, and how far it is swung about it: right-hand rule, degrees.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "hinge".
 */
export interface Hinge {
  at: Vector;
  /**
   * "+x" … "-z", or three numbers of any length but zero.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "direction".
   */
  axis: string | Vector;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  angle: number | string;
}
/**
 * The round end of a hole or a spigot of a mesh, in its own frame: `axis` points out of the body.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "roundEnd".
 */
export interface RoundEnd {
  at: Vector;
  /**
   * "+x" … "-z", or three numbers of any length but zero.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "direction".
   */
  axis: string | Vector;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  diameter: number | string;
  hollow?: boolean;
}
/**
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "run".
 */
export interface Run {
  /**
   * Names an item; others refer to it by this.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "id".
   */
  id: string;
  /**
   * What people call it.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "name".
   */
  name?: string;
  /**
   * Names an item; others refer to it by this.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "id".
   */
  stock: string;
  from?: RunEnd;
  to?: RunEnd;
  route: Route;
  fixed_length?: FixedLength;
  /**
   * path: carried along without turning about it; upright: its height stays in the plane of up
   */
  section_up?: "path" | "upright";
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  section_turn?: number | string;
  /**
   * Where it is broken into spools.
   *
   * @maxItems 200
   */
  joints?: SpoolJoint[];
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  weld_gap?: number | string;
  /**
   * What comes again and again along it.
   *
   * @maxItems 50
   */
  repeats?: Repeat[];
  /**
   * Names an item; others refer to it by this.
   */
  service?: string;
  /**
   * Findings of it that are accepted.
   *
   * @maxItems 200
   */
  waived?: WaivedFinding[];
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  insulation?: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  fall?: number | string;
  body?: Channel;
}
/**
 * At a port, at a bare point, on another run, or where an end of another run is, moved or mirrored.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "runEnd".
 */
export interface RunEnd {
  /**
   * "fitting.port"
   */
  port?: string;
  at?: Vector;
  /**
   * "+x" … "-z", or three numbers of any length but zero.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "direction".
   */
  axis?: string | Vector;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  lead?: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  trim?: number | string;
  /**
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "end".
   */
  end?:
    | OpenEnd
    | ClosedEnd
    | Flange
    | RectangularFlange
    | OvalFlange
    | StandardFlange
    | SameFlange
    | Cap
    | Reducer
    | Collar;
  like?: LikeEnd;
  on?: BranchPlace;
}
/**
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "openEnd".
 */
export interface OpenEnd {
  type: "open";
}
/**
 * A flat plug; as thick as the wall when nothing is said.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "closedEnd".
 */
export interface ClosedEnd {
  type: "closed";
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  thickness?: number | string;
}
/**
 * A flange of a standard.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "standardFlange".
 */
export interface StandardFlange {
  type: "flange";
  /**
   * "EN 1092-1 type 11 PN 16"
   */
  standard: string;
  /**
   * "DN 50"; that of the stock when it is left out
   */
  nominal?: string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  turn?: number | string;
  /**
   * the plate closes the bore
   */
  blind?: boolean;
}
/**
 * The same flange as another end has.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "sameFlange".
 */
export interface SameFlange {
  type: "flange";
  same_as: EndOfRun;
}
/**
 * A cap that stands past the end of the run.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "cap".
 */
export interface Cap {
  type: "cap";
  shape: "flat" | "domed" | "stepped";
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  thickness?: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  diameter?: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  depth?: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  crown?: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  knuckle?: number | string;
}
/**
 * A reducer to a tube of another size, within the length of the run.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "reducer".
 */
export interface Reducer {
  type: "reducer";
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  od: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  wall?: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  length: number | string;
  /**
   * its lowest line goes on straight; the axis of the tube lies under that of the port by half of the difference
   */
  eccentric?: boolean;
}
/**
 * A ring round the tube near its end: the bead of a hose end, the stub of a loose flange, a stop.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "collar".
 */
export interface Collar {
  type: "collar";
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  od: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  width: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  from_end?: number | string;
}
/**
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "likeEnd".
 */
export interface LikeEnd {
  /**
   * Names an item; others refer to it by this.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "id".
   */
  run: string;
  end: "from" | "to";
  offset?: Vector;
  across?: Plane;
}
/**
 * A place on another run, on a straight of it.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "branchPlace".
 */
export interface BranchPlace {
  /**
   * id of the run that it stands on
   */
  run: string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  length: number | string;
  /**
   * saddled to the outside (when it is left out), through a hole to the bore, or by a bought tee that is welded into that run
   */
  kind?: "set-on" | "set-in" | "tee";
}
/**
 * `corners` has `stops`; `flow` `points`; `hang` and `drape` a `length` or `slack`; `spring` a `length`; `wrap` a `host`, `from_length`, `to_length` and `pitch` or `turns`.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "route".
 */
export interface Route {
  kind: "corners" | "drape" | "flow" | "hang" | "spring" | "wrap";
  corner?: Corner;
  /**
   * Items: This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "stop".
   */
  stops?: (PointStop | StepStop | LegStop | LevelStop | ClampStop)[];
  symmetry?: Plane1;
  like?: LikeRoute;
  /**
   * `flow`: what it goes through, in order.
   */
  points?: FlowPoint[];
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  length?: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  slack?: number | string;
  /**
   * `drape`: points of the shape it has been kept in; left out, it lies as it falls.
   */
  kept?: Vector[];
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  shape?: number | string;
  /**
   * Names an item; others refer to it by this.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "id".
   */
  host?: string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  from_length?: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  to_length?: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  pitch?: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  turns?: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  gap?: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  start_angle?: number | string;
  hand?: "right" | "left";
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  strand?: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  apart?: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  start_pull?: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  end_pull?: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  start_knot?: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  end_knot?: number | string;
  /**
   * `hang`, `spring`, `drape`: the clamps it is led through, in order.
   */
  through?: Through[];
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  last_span?: number | string;
  /**
   * `drape`: in its place, or on the axis of its port as well, after any lead; pinned when left out.
   */
  start_held?: "pinned" | "clamped";
  /**
   * `drape`: the same of its end; free, it lies where it falls, and `to` is only where it is laid out towards.
   */
  end_held?: "pinned" | "clamped" | "free";
  nudges?: Nudges;
}
/**
 * The stops are the first half; the second is its opposite hand across this plane.
 */
export interface Plane1 {
  at: Vector;
  /**
   * "+x" … "-z", or three numbers of any length but zero.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "direction".
   */
  normal: string | Vector;
}
/**
 * Goes as another run, moved by `offset` or on the other side of the plane `across`.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "likeRoute".
 */
export interface LikeRoute {
  /**
   * Names an item; others refer to it by this.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "id".
   */
  run: string;
  offset?: Vector;
  across?: Plane;
}
/**
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "fixedLength".
 */
export interface FixedLength {
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  length?: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  tolerance: number | string;
  adjust?: Adjust;
  /**
   * Names an item; others refer to it by this.
   */
  same_as?: string;
}
/**
 * All vertices of these stops (0-based) move together along the direction.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "adjust".
 */
export interface Adjust {
  /**
   * Items: Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  stops: (number | string)[];
  /**
   * "+x" … "-z", or three numbers of any length but zero.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "direction".
   */
  along: string | Vector;
}
/**
 * A place at which two spools of a run are put together.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "spoolJoint".
 */
export interface SpoolJoint {
  at: JointOnLeg | JointAtLength;
  kind: "flanges" | "coupling" | "union" | "weld";
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  gap?: number | string;
  /**
   * on the spool before it, and its opposite hand on the one behind; that of an end of the run when it is left out
   */
  flange?: Flange | RectangularFlange | OvalFlange | StandardFlange;
  /**
   * on the spool behind it, where that is another
   */
  other?: Flange | RectangularFlange | OvalFlange | StandardFlange;
  sleeve?: Sleeve;
  /**
   * Names an item; others refer to it by this.
   */
  stock?: string;
}
/**
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "jointOnLeg".
 */
export interface JointOnLeg {
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  leg: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  from_start: number | string;
}
/**
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "jointAtLength".
 */
export interface JointAtLength {
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  length: number | string;
}
/**
 * Of a coupling or a union; twice as long as the tube is wide, and its wall a fifth of that, when it is left out.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "sleeve".
 */
export interface Sleeve {
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  length?: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  od?: number | string;
}
/**
 * Clips, ties, ribs, rings or printed marks along a run, by a pitch or by a count.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "repeat".
 */
export interface Repeat {
  kind: "clip" | "tie" | "rib" | "ring" | "mark";
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  pitch?: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  count?: number | string;
  /**
   * the pitch gives way, so that the last stands as far from the end as is told
   */
  fit?: boolean;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  to?: number | string;
  /**
   * those in bends are put on the nearest straight
   */
  straights?: boolean;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  width?: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  height?: number | string;
  outline?: Outline3;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  from?: number | string;
}
/**
 * A finding that is accepted, with the reason. Once it is worse it counts again.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "waivedFinding".
 */
export interface WaivedFinding {
  /**
   * By which it was found.
   */
  rule: string;
  /**
   * What of the run it is about: "bend 2", "leg 3", "end from"; numbers as in a finding. Of a harness: "wire 12", "trunk t2".
   */
  of: string;
  /**
   * How far what there is was from what is needed, in the units of the rule; none where it tells no figures.
   */
  off?: number;
  reason: string;
  /**
   * Who waived it.
   */
  by?: string;
}
/**
 * The section of the run is taken out of a block, through it or along a face, in place of being made.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "channel".
 */
export interface Channel {
  as: "channel" | "groove";
  /**
   * Names an item; others refer to it by this.
   */
  in: string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  over?: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  wall?: number | string;
  /**
   * Other channels of the block that it is open to; those that it stands on are so anyway.
   *
   * Items: Names an item; others refer to it by this.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "id".
   */
  meets?: string[];
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  depth?: number | string;
}
/**
 * Wires that go along trunks.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "harness".
 */
export interface Harness {
  /**
   * Names an item; others refer to it by this.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "id".
   */
  id: string;
  /**
   * What people call it.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "name".
   */
  name?: string;
  /**
   * Items: Names an item; others refer to it by this.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "id".
   */
  trunks: string[];
  wires?: Wire[];
  /**
   * Where wires are joined inside of it.
   */
  splices?: {
    /**
     * The id of a fitting or a port: `fitting.port` names a port, so neither has a dot.
     *
     * This interface was referenced by `Job`'s JSON-Schema
     * via the `definition` "dotless".
     */
    id: string;
    on: TrunkPlace;
    /**
     * What people call it.
     *
     * This interface was referenced by `Job`'s JSON-Schema
     * via the `definition` "name".
     */
    name?: string;
  }[];
  /**
   * Wires in one jacket.
   */
  cables?: {
    /**
     * Names an item; others refer to it by this.
     *
     * This interface was referenced by `Job`'s JSON-Schema
     * via the `definition` "id".
     */
    id: string;
    /**
     * Names an item; others refer to it by this.
     *
     * This interface was referenced by `Job`'s JSON-Schema
     * via the `definition` "id".
     */
    stock: string;
    /**
     * What people call it.
     *
     * This interface was referenced by `Job`'s JSON-Schema
     * via the `definition` "name".
     */
    name?: string;
    spares?: number;
    /**
     * Their names.
     */
    cores?: string[];
    /**
     * Pins at which its shield is landed.
     */
    shield?: string[];
  }[];
  /**
   * Wires twisted with each other, and the length of a turn.
   */
  pairs?: {
    /**
     * Names an item; others refer to it by this.
     *
     * This interface was referenced by `Job`'s JSON-Schema
     * via the `definition` "id".
     */
    id: string;
    /**
     * Millimetres, degrees or a count; or an expression over the named values.
     *
     * This interface was referenced by `Job`'s JSON-Schema
     * via the `definition` "number".
     */
    lay: number | string;
  }[];
  /**
   * What goes round a length of a trunk.
   */
  covers?: {
    /**
     * Names an item; others refer to it by this.
     *
     * This interface was referenced by `Job`'s JSON-Schema
     * via the `definition` "id".
     */
    run: string;
    /**
     * Millimetres, degrees or a count; or an expression over the named values.
     *
     * This interface was referenced by `Job`'s JSON-Schema
     * via the `definition` "number".
     */
    from?: number | string;
    /**
     * Millimetres, degrees or a count; or an expression over the named values.
     *
     * This interface was referenced by `Job`'s JSON-Schema
     * via the `definition` "number".
     */
    to?: number | string;
    /**
     * This interface was referenced by `Job`'s JSON-Schema
     * via the `definition` "coverKind".
     */
    kind: "sleeve" | "conduit" | "tape";
    /**
     * Millimetres, degrees or a count; or an expression over the named values.
     *
     * This interface was referenced by `Job`'s JSON-Schema
     * via the `definition` "number".
     */
    thickness?: number | string;
    /**
     * Millimetres, degrees or a count; or an expression over the named values.
     *
     * This interface was referenced by `Job`'s JSON-Schema
     * via the `definition` "number".
     */
    overlap?: number | string;
    /**
     * Millimetres, degrees or a count; or an expression over the named values.
     *
     * This interface was referenced by `Job`'s JSON-Schema
     * via the `definition` "number".
     */
    bore?: number | string;
    /**
     * Millimetres, degrees or a count; or an expression over the named values.
     *
     * This interface was referenced by `Job`'s JSON-Schema
     * via the `definition` "number".
     */
    fill?: number | string;
    /**
     * What people call it.
     *
     * This interface was referenced by `Job`'s JSON-Schema
     * via the `definition` "name".
     */
    name?: string;
  }[];
  /**
   * Findings of it that are accepted.
   *
   * @maxItems 200
   */
  waived?: WaivedFinding[];
  /**
   * Classes of wires of which the first is not laid beside the second where there is another way.
   */
  apart?: [string, string][];
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  reach?: number | string;
  allowance?: Allowance;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  step?: number | string;
  /**
   * How it is laid flat.
   */
  board?: {
    /**
     * Millimetres, degrees or a count; or an expression over the named values.
     */
    longest?: number | string;
    /**
     * By which a trunk is turned against the direction, from start to end, of the one that it leaves, degrees.
     */
    angles?: {
      /**
       * Names an item; others refer to it by this.
       *
       * This interface was referenced by `Job`'s JSON-Schema
       * via the `definition` "id".
       */
      run: string;
      /**
       * Millimetres, degrees or a count; or an expression over the named values.
       *
       * This interface was referenced by `Job`'s JSON-Schema
       * via the `definition` "number".
       */
      angle: number | string;
      /**
       * Which part of a trunk that goes on both ways; both when left out.
       */
      towards?: "start" | "end";
    }[];
    built?: BuiltBoard;
  };
}
/**
 * A wire of a harness, from pin to pin.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "wire".
 */
export interface Wire {
  /**
   * Names an item; others refer to it by this.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "id".
   */
  id: string;
  /**
   * A pin ("fitting.port.pin"), a port without pins ("fitting.port"), or a splice.
   */
  from: string;
  to: string;
  /**
   * Names an item; others refer to it by this.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "id".
   */
  stock: string;
  signal?: string;
  colour?: string;
  /**
   * As which it is kept apart from others: data, power …
   */
  class?: string;
  /**
   * Trunks that it goes along, in this order.
   *
   * Items: Names an item; others refer to it by this.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "id".
   */
  via?: string[];
  /**
   * Names an item; others refer to it by this.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "id".
   */
  cable?: string;
  /**
   * Its name in its cable.
   */
  core?: string;
  /**
   * Names an item; others refer to it by this.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "id".
   */
  pair?: string;
  /**
   * A length that it has to have, or not to exceed; or that of another wire, within a tolerance.
   */
  length?: {
    /**
     * Millimetres, degrees or a count; or an expression over the named values.
     *
     * This interface was referenced by `Job`'s JSON-Schema
     * via the `definition` "number".
     */
    is?: number | string;
    /**
     * Millimetres, degrees or a count; or an expression over the named values.
     *
     * This interface was referenced by `Job`'s JSON-Schema
     * via the `definition` "number".
     */
    at_most?: number | string;
    /**
     * Millimetres, degrees or a count; or an expression over the named values.
     *
     * This interface was referenced by `Job`'s JSON-Schema
     * via the `definition` "number".
     */
    tolerance?: number | string;
    /**
     * Names an item; others refer to it by this.
     *
     * This interface was referenced by `Job`'s JSON-Schema
     * via the `definition` "id".
     */
    same_as?: string;
  };
}
/**
 * A place on a trunk, by the developed length to it.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "trunkPlace".
 */
export interface TrunkPlace {
  /**
   * Names an item; others refer to it by this.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "id".
   */
  run: string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  length: number | string;
}
/**
 * The board as it was built last: what differs from it is marked.
 *
 * This interface was referenced by `Job`'s JSON-Schema
 * via the `definition` "builtBoard".
 */
export interface BuiltBoard {
  trunks: {
    /**
     * Names an item; others refer to it by this.
     *
     * This interface was referenced by `Job`'s JSON-Schema
     * via the `definition` "id".
     */
    run: string;
    /**
     * Between where branches and wires leave, from its start, mm.
     */
    lengths: number[];
  }[];
  connectors: {
    port: string;
    /**
     * Each with a wire.
     */
    pins: {
      pin: string;
      wire: string;
    }[];
  }[];
  splices?: {
    /**
     * The id of a fitting or a port: `fitting.port` names a port, so neither has a dot.
     *
     * This interface was referenced by `Job`'s JSON-Schema
     * via the `definition` "dotless".
     */
    id: string;
    /**
     * What people call it.
     *
     * This interface was referenced by `Job`'s JSON-Schema
     * via the `definition` "name".
     */
    name?: string;
    on: TrunkPlace;
  }[];
  covers?: {
    /**
     * Names an item; others refer to it by this.
     *
     * This interface was referenced by `Job`'s JSON-Schema
     * via the `definition` "id".
     */
    run: string;
    /**
     * This interface was referenced by `Job`'s JSON-Schema
     * via the `definition` "coverKind".
     */
    kind: "sleeve" | "conduit" | "tape";
    /**
     * Millimetres, degrees or a count; or an expression over the named values.
     *
     * This interface was referenced by `Job`'s JSON-Schema
     * via the `definition` "number".
     */
    from?: number | string;
    /**
     * Millimetres, degrees or a count; or an expression over the named values.
     */
    to?: number | string;
    /**
     * Millimetres, degrees or a count; or an expression over the named values.
     *
     * This interface was referenced by `Job`'s JSON-Schema
     * via the `definition` "number".
     */
    thickness: number | string;
  }[];
}
/**
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "place".
 */
export interface Place {
  list: "fittings" | "clamps" | "surroundings";
  id: string;
  pose: PlacedPose;
  ports: PlacedPort[];
  bodies: PlacedBody[];
  faces: PlacedFace[];
  foot: Point | null;
  hinge: {
    at: Point;
    axis: Point;
    angle: number;
  } | null;
  rounds: PlacedRound[];
}
/**
 * Worked out; the angle in degrees.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "placedPose".
 */
export interface PlacedPose {
  at: Point;
  about: Point;
  angle: number;
}
/**
 * In space; `name` is "fitting.port".
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "placedPort".
 */
export interface PlacedPort {
  id: string;
  name: string;
  at: Point;
  axis: Point;
  size: number | null;
  /**
   * In the words of the screen.
   */
  title: string;
}
/**
 * Where it is in the frame of its thing; `size` is the full extent along its own axes.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "placedBody".
 */
export interface PlacedBody {
  shape: "box" | "cylinder" | "mesh" | "plate";
  pose: PlacedPose;
  size: Point;
  mesh?: string;
  /**
   * Of a plate, in its own x and y.
   */
  outline?: [number, number][];
}
/**
 * A flat face by its name, in space.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "placedFace".
 */
export interface PlacedFace {
  name: string;
  at: Point;
  normal: Point;
}
/**
 * The round end of a hole or a spigot, in space.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "placedRound".
 */
export interface PlacedRound {
  at: Point;
  axis: Point;
  diameter: number;
  hollow: boolean;
}
export interface SolvedRun {
  id: string;
  status: "good" | "warning" | "violation";
  /**
   * Whether it is bent on a bender: a tube, pipe or rod that is no channel in a block.
   */
  bent: boolean;
  length: number;
  cut_length: number;
  adjusted_by: number;
  min_radius: number | null;
  vertices: Point[];
  path: (Line | Arc | Curve)[];
  bends: Bend[];
  tail: number;
  legs: Leg[];
  /**
   * The clamps it goes through, and where along it: developed length, mm.
   */
  clamps: {
    id: string;
    /**
     * @minItems 2
     * @maxItems 2
     */
    span: [number, number];
  }[];
  body: {
    volume: number;
    mass: number;
    /**
     * Null where its section is round: a tube along its path.
     */
    mesh?: BodyMesh | null;
    /**
     * What stands on the tube of a round run: flanges, couplings, unions.
     */
    finishes?: BodyMesh[];
    /**
     * Where it is plain tube: from joint to joint, without reducers.
     */
    tube: TubeSpan[];
  };
  findings: Finding[];
  corners: SolvedCorner[];
  shape:
    | {
        kind: "hang";
        sag: number;
        lowest: Point;
        angles: number[];
        pull: number[];
        /**
         * The same of each span, where it is led through clamps.
         */
        spans?: {
          length: number;
          sag: number;
          lowest: Point;
          angles: number[];
          pull: number[];
        }[];
      }
    | {
        kind: "spring";
        shapes: {
          energy: number;
          least: number;
        }[];
        shortest: number | null;
        longest: number | null;
        /**
         * The shortest length in whole mm that keeps the radius, where another one is of use.
         */
        suggested: number | null;
        /**
         * The length of its stock’s list that it has, mm.
         */
        sold_as: number | null;
      }
    | null;
  movement: SweptRun | null;
  /**
   * A draped run that has not come to lie yet: this is how it would hang with nothing in its way.
   */
  settling?: true;
  /**
   * A run that takes longer to solve than a request may take and is solved on the queue: drawn straight from point to point, as they were said, with its one finding `unsolved`.
   */
  unsolved?: true;
  /**
   * Between which lengths a hand may draw it out, mm; null where it is not told by its length.
   */
  length_range: number[] | null;
  /**
   * @minItems 2
   * @maxItems 2
   */
  ends: [SolvedEnd, SolvedEnd];
  /**
   * In the order along the run.
   */
  joints: SolvedJoint[];
  /**
   * None of a run that is made in one piece.
   */
  spools: SolvedSpool[];
  /**
   * Of a run with elbows: what it is made of, in order.
   */
  cut_list: CutPart[] | null;
  repeats: SolvedRepeat[];
}
export interface Line {
  kind: "line";
  from: Point;
  to: Point;
  length: number;
}
export interface Arc {
  kind: "arc";
  from: Point;
  to: Point;
  centre: Point;
  normal: Point;
  radius: number;
  angle: number;
  length: number;
}
/**
 * Points that follow it, with the developed length and the true curvature (1/mm) at each.
 */
export interface Curve {
  kind: "curve";
  from: Point;
  to: Point;
  points: Point[];
  length: number;
  min_radius: number | null;
  along: number[];
  curvature: number[];
  /**
   * The points that tell it, when it is a smooth curve through points.
   */
  through?: Point[];
}
export interface Bend {
  straight: number;
  rotation: number;
  angle: number;
  set_angle: number;
  radius: number;
  arc: number;
  /**
   * Where the bend starts on the raw tube, from its cut start, mm.
   */
  mark: number;
  /**
   * The same when the tube is bent from its other end.
   */
  mark_from_end: number;
  /**
   * Whether it is bent to less than the stock stands.
   */
  tight: boolean;
  /**
   * That its stock and section stand in its plane.
   */
  least_radius: number;
}
/**
 * A row of the path table: to `vertex` from the one before; `bend` is the bend at its end, 0-based.
 */
export interface Leg {
  vertex: number;
  stop: number | null;
  place: "lead" | "stop" | "closing" | "like";
  along: string | Point;
  length: number;
  straight: number;
  bend: number | null;
  asked_radius: number | null;
  /**
   * Whether its two vertices coincide.
   */
  is_empty: boolean;
  /**
   * The elbow that is welded in at its end, in place of a bend.
   */
  elbow: "long" | "short" | null;
}
export interface BodyMesh {
  /**
   * x, y and z of each vertex, mm, as 32-bit little-endian floats in base64
   */
  positions: string;
  /**
   * three numbers of vertices for each triangle, counter-clockwise from outside, as 32-bit little-endian integers in base64
   */
  triangles: string;
}
export interface TubeSpan {
  from: number;
  to: number;
  stock: string;
}
export interface Finding {
  rule: string;
  severity: "warning" | "violation";
  subject: Subject;
  title: string;
  message: string;
  at: Point;
  /**
   * @minItems 2
   * @maxItems 2
   */
  span: [number, number];
  /**
   * The reason for which it is accepted; it does not count then.
   */
  waived: string | null;
  /**
   * What is put into the run, with a reason, to waive it.
   */
  waiver: {
    rule: string;
    of: string;
    off?: number;
  };
  measured?: number;
  required?: number;
  nearest?: number;
  remedies: string[];
  /**
   * What each remedy does, in the same order.
   */
  cures: Cure[];
}
/**
 * What of the run a finding is about.
 */
export interface Subject {
  kind: "run" | "leg" | "bend" | "curve" | "corner" | "end" | "clamp" | "joint" | "repeat";
  /**
   * Of a bend, of a joint or what repeats as told, or of the segment of the path that a curve is, from 0.
   */
  index?: number;
  /**
   * Of a corner, or the one at the far end of a leg.
   */
  vertex?: number;
  /**
   * “from” or “to” of an end, the id of a clamp.
   */
  name?: string;
  /**
   * Which tie of a corner, from 0.
   */
  tie?: number;
}
export interface Cure {
  list: "runs" | "clamps" | "harnesses";
  /**
   * The item as it would stand in the job file.
   */
  item: {
    id: string;
    [k: string]: unknown;
  };
}
/**
 * What a vertex is tied to, and the unit directions in which it may still move.
 */
export interface SolvedCorner {
  vertex: number;
  place: "from" | "from-lead" | "stop" | "like" | "to-lead" | "to";
  stop: number | null;
  ties: HeldTie[];
  free: Point[];
}
export interface HeldTie {
  words: string;
  holds: boolean;
  off: number;
}
/**
 * Over the movement of what it hangs on: which position is the tightest, the tautest, the nearest to something and the most twisted; at which it has snapped over to another shape; its length; how much longer it is than it has to reach, mm, null where its length follows its shape; the radius it needs where it moves.
 */
export interface SweptRun {
  positions: MovedPosition[];
  tightest: number;
  tautest: number | null;
  nearest: number | null;
  most_twisted: number | null;
  snaps: number[];
  lengths: number[];
  slack: number | null;
  needed: number;
}
/**
 * Where all stands at this part of the movement (0 to 1): tightest radius, mm; the way between its ends as a part of its length; the twist between its ends, degrees; what is nearest; points to draw it by; where the moving fittings stand.
 */
export interface MovedPosition {
  part: number;
  angle: number | null;
  min_radius: number | null;
  taut: number | null;
  twist: number | null;
  nearest: {
    distance: number;
    id: string;
    at: Point;
  } | null;
  points: Point[];
  places: {
    id: string;
    pose: MovedPose;
  }[];
  /**
   * Whether its radius is less than its stock stands while it moves.
   */
  tight: boolean;
  /**
   * Whether it does not reach there.
   */
  short: boolean;
}
export interface MovedPose {
  at: Point;
  about: Point;
  angle: number;
}
export interface SolvedEnd {
  type: string;
  /**
   * Of a flange that is bought: standard and size.
   */
  name: string | null;
  flange: FlangeMeasures | null;
}
/**
 * What a flange comes to, in the words of the job file.
 */
export interface FlangeMeasures {
  type: "flange";
  plate?: "rectangle" | "oval";
  od?: number;
  width?: number;
  height?: number;
  corner_radius?: number;
  end_radius?: number;
  thickness: number;
  bore?: number;
  holes?: {
    count: number;
    circle: number;
    diameter: number;
    start?: number;
  };
  face?: {
    kind: "raised" | "recess" | "spigot";
    diameter: number;
    height: number;
  };
  neck?: {
    diameter?: number;
    length?: number;
    radius?: number;
    land?: number;
  };
  turn?: number;
  blind?: boolean;
  part_number?: string;
}
export interface SolvedJoint {
  /**
   * As told, from 0.
   */
  joint: number;
  kind: string;
  /**
   * Developed length of the middle of its gap; null where no straight holds it.
   */
  at: number | null;
  gap: number;
  /**
   * What the flange before it comes to.
   */
  flange: SolvedEnd | null;
  /**
   * Of flanges with a gap, where there is room for it inside of the bolts.
   */
  gasket: Gasket | null;
  /**
   * Of a coupling or a union, mm.
   */
  sleeve: {
    length: number;
    od: number;
  } | null;
}
/**
 * Diameters and thickness, mm.
 */
export interface Gasket {
  inner: number;
  outer: number;
  thickness: number;
}
export interface SolvedSpool {
  mark: string;
  /**
   * @minItems 2
   * @maxItems 2
   */
  span: [number, number];
  length: number;
  cut_length: number;
  bends: Bend[];
  tail: number;
  /**
   * Number of its first bend in the run, from 0.
   */
  first_bend: number;
  /**
   * Its ends and corners, mm: corner i is that of its bend i − 1. None of a curve.
   */
  vertices: [number, number, number][];
  /**
   * Of a run with elbows: what it is made of, in order.
   */
  cut_list: CutPart[] | null;
  /**
   * Id of what it is made of.
   */
  stock: string;
}
export interface CutPart {
  kind: "pipe" | "elbow" | "tee" | "end";
  words: string;
  /**
   * To cut; null of what is bought.
   */
  length: number | null;
  angle: number | null;
  radius: number | null;
  bends: Bend[];
}
export interface SolvedRepeat {
  kind: string;
  /**
   * how many there are: 8 clips
   */
  words: string;
  width: number;
  /**
   * its diameter
   */
  outer: number;
  outline: [number, number][] | null;
  places: RepeatPlace[];
}
export interface RepeatPlace {
  along: number;
  at: Point;
  direction: Point;
  height: Point;
}
/**
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "step".
 */
export interface Step {
  number: number;
  name: string;
  made_at: string;
  /**
   * Of the action that made it.
   */
  token: string | null;
  /**
   * Who made it, where people sign in.
   */
  by: string | null;
}
export interface SolvedSet {
  id: string;
  name: string;
  total: number;
  budget: number | null;
  left: number | null;
  /**
   * What those that are to be of one length are brought to, mm.
   */
  longest: number | null;
  members: {
    run: string;
    length: number;
    /**
     * How near it came to the one length, mm; null when it need not.
     */
    off: number | null;
    /**
     * Whether that is within its tolerance; null when it need not.
     */
    kept: boolean | null;
    /**
     * True while it is not worked out: its length is as it was said, or as it hangs.
     */
    waiting?: boolean;
  }[];
  /**
   * Whether all together are longer than the budget.
   */
  over: boolean;
}
/**
 * The wires of a harness, and what lies in its trunks.
 */
export interface SolvedHarness {
  id: string;
  wires: SolvedWire[];
  trunks: {
    run: string;
    spans: BundleSpan[];
  }[];
  findings: HarnessFinding[];
  /**
   * What all its wires are cut to together, mm.
   */
  total: number;
  /**
   * Whether all bundles are as thick as found; else some are estimated, and found by the requests that follow.
   */
  packed: boolean;
}
/**
 * A wire as it goes along the trunks.
 */
export interface SolvedWire {
  id: string;
  /**
   * From pin to pin: along trunks, with its twist, and both lead-offs, mm; null where there is no way.
   */
  length: number | null;
  /**
   * With what both ends need, rounded up to the step, mm.
   */
  cut_length: number | null;
  /**
   * Items: A length of a trunk, in the direction of the wire.
   */
  ways: {
    run: string;
    from: number;
    to: number;
  }[];
  /**
   * From its first pin and to its last one, mm; none without a way.
   */
  lead_offs: number[];
  /**
   * By which twisting makes it longer, mm.
   */
  twist: number;
  allowances: {
    strip: number;
    crimp: number;
    loop: number;
  }[];
}
/**
 * A length of a trunk with the same wires in it.
 */
export interface BundleSpan {
  from: number;
  to: number;
  wires: string[];
  /**
   * Diameter without covers, mm.
   */
  bare: number;
  moving_radius: number;
  diameter: number;
  min_radius: number;
  mass: number;
  fill: number | null;
}
/**
 * A finding about a harness.
 */
export interface HarnessFinding {
  rule: string;
  severity: "warning" | "violation";
  title: string;
  message: string;
  at: Point;
  wire: string | null;
  run: string | null;
  span: [number, number] | null;
  measured: number | null;
  required: number | null;
  /**
   * The reason for which it is accepted; it does not count then.
   */
  waived: string | null;
  /**
   * What is put into the harness, with a reason, to waive it.
   */
  waiver: {
    rule: string;
    of: string;
    off?: number;
  };
  remedies: string[];
  cures: Cure[];
}
/**
 * What a thing is told by when only the way of telling it has been chosen.
 */
export interface Defaults {
  /**
   * From a panel to the axis of a clamp, mm.
   */
  stand_off: number;
  /**
   * Sizes of a body that becomes a box, mm.
   *
   * @minItems 3
   * @maxItems 3
   */
  box: [number, number, number];
  /**
   * A body that becomes a cylinder, mm.
   */
  cylinder: {
    diameter: number;
    height: number;
  };
  swinging: Movement1;
  plate: {
    outline: Outline;
    thickness: number;
  };
  /**
   * To whole multiples of which wires are cut, mm.
   */
  wire_step: number;
  /**
   * Longest way from a pin to a trunk, mm.
   */
  wire_reach: number;
  /**
   * Length of a turn of twisted wires, mm.
   */
  wire_lay: number;
}
/**
 * A thing that moves while it works: it swings, or goes to a second position. Things that move do so together.
 */
export interface Movement1 {
  /**
   * About a line in its own frame, from one angle to the other; at 0 it stands as placed.
   */
  swing?: {
    at: Vector;
    /**
     * "+x" … "-z", or three numbers of any length but zero.
     *
     * This interface was referenced by `Job`'s JSON-Schema
     * via the `definition` "direction".
     */
    axis: string | Vector;
    /**
     * Millimetres, degrees or a count; or an expression over the named values.
     *
     * This interface was referenced by `Job`'s JSON-Schema
     * via the `definition` "number".
     */
    from: number | string;
    /**
     * Millimetres, degrees or a count; or an expression over the named values.
     *
     * This interface was referenced by `Job`'s JSON-Schema
     * via the `definition` "number".
     */
    to: number | string;
  };
  to?: Pose1;
}
export interface StockFacts {
  moving_radius: number;
  mass: number;
  /**
   * Of a round section; null where it is solid or not round.
   */
  bore: number | null;
  /**
   * Its wall; of a solid section, that which it has when it is made hollow.
   */
  hollow_wall: number;
  /**
   * Diameter of the circle about the path that holds its section.
   */
  od: number;
  /**
   * Of its material, mm².
   */
  area: number;
  /**
   * How wide and high its section is.
   *
   * @minItems 2
   * @maxItems 2
   */
  extent: [number, number];
  /**
   * Points round its section, and round what is hollow in it, to draw it.
   */
  outlines: number[][][];
  /**
   * The section as each shape, of the same size, as it begins when its shape is changed.
   */
  shapes: {
    /**
     * This interface was referenced by `Job`'s JSON-Schema
     * via the `definition` "section".
     */
    [k: string]: RoundSection | RectangleSection | ArchedSection | OutlineSection;
  };
  hole: Outline4;
  /**
   * Of a new groove of it, mm.
   */
  groove_depth: number;
  /**
   * Most between two supports; null where nothing says it.
   */
  support_spacing: number | null;
  /**
   * The table that says it; null where it is told.
   */
  support_source: string | null;
}
export interface PlacedKeepOut {
  id: string;
  name: string;
  pose: PlacedPose;
  size: Point;
}
/**
 * The revision that a job is.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "frozen".
 */
export interface Frozen {
  /**
   * The job that it is a revision of.
   */
  job: number;
  number: number;
  name: string;
  by: string;
  issued_at: string | null;
}
/**
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "preview".
 */
export interface Preview {
  list: List;
  /**
   * As it would stand in the job file.
   */
  item: {};
  /**
   * How far it went: mm, or degrees for a turn.
   */
  amount: number;
  /**
   * What holds it there.
   */
  held: string | null;
  places: Place[];
  /**
   * What is nearest to what is dragged; null where nothing is near, or it was not asked for.
   */
  nearest: SolvedClearance | null;
  solutions: SolvedRun[];
  /**
   * Processor time of the answer, ms; what it took beyond that was waiting.
   */
  work: number;
}
export interface SolvedClearance {
  a: ItemRef;
  b: ItemRef;
  /**
   * From surface to surface, mm; below 0 where round runs are inside each other, 0 where others are.
   */
  distance: number;
  /**
   * Position of the movement at which they are nearest; null where that is so at rest.
   */
  moment: {
    /**
     * 0 to 1.
     */
    part: number;
    /**
     * Of the swing, degrees; null where nothing swings.
     */
    angle: number | null;
    /**
     * Where the fittings that move stand then.
     */
    places: {
      id: string;
      pose: MovedPose;
    }[];
    /**
     * Points along the runs that move, as they lie then.
     */
    lines: {
      id: string;
      points: Point[];
    }[];
  } | null;
  /**
   * The same, below 0 by how deep the surface of a run is in anything, mm: at this it is waived.
   */
  measured: number;
  inside: boolean;
  required: number;
  why: string | null;
  /**
   * Where they are nearest, on each.
   *
   * @minItems 2
   * @maxItems 2
   */
  at: [Point, Point];
  /**
   * Developed length of each where it is a run, mm.
   *
   * @minItems 2
   * @maxItems 2
   */
  along: [number | null, number | null];
  rule: "clash" | "clearance";
  severity: "violation" | "warning";
  /**
   * The reason for which it is waived.
   */
  waived: string | null;
  title: string;
  message: string;
}
/**
 * Why something was refused, and where: a JSON pointer into the item, or into the body when no item is named.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "problem".
 */
export interface Problem {
  message: string;
  list?: string;
  id?: string;
  pointer?: string;
  clash?: Clash;
  /**
   * What keeps a job from being issued.
   */
  open?: OpenPoint[];
}
/**
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "clash".
 */
export interface Clash {
  places: {
    pointer: string;
    yours: unknown;
    theirs: unknown;
  }[];
  now: {} | null;
  with_yours: {} | null;
}
/**
 * What keeps a job from being issued.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "openPoint".
 */
export interface OpenPoint {
  list: string | null;
  id: string | null;
  words: string;
}
/**
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "readNumber".
 */
export interface ReadNumber {
  /**
   * As the job file has it: millimetres or degrees, or an expression.
   */
  number: number | string;
  value: number;
}
/**
 * An edit of a run by its id, or of one that is not kept yet.
 */
export interface PreviewRun {
  run?: string;
  draft?: Run;
  change: Laying;
  /**
   * How finely a limit is found, mm or degrees; nothing is held without it.
   */
  hold?: number | null;
  /**
   * Whether what is nearest to what is dragged is told, too.
   */
  nearest?: boolean;
}
export interface PreviewPlace {
  list: "fittings" | "clamps" | "surroundings";
  id: string;
  change: Placing;
  /**
   * How finely a limit is found, mm or degrees; nothing is held without it.
   */
  hold?: number | null;
  /**
   * Whether what is nearest to what is dragged is told, too.
   */
  nearest?: boolean;
}
export interface Move {
  do: "move";
  /**
   * @minItems 3
   * @maxItems 3
   */
  by: [number, number, number];
}
export interface Turn {
  do: "turn";
  /**
   * "+x" … "-z", or three numbers of any length but zero.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "direction".
   */
  about: string | Vector;
  /**
   * Degrees, right-handed about the axis through its own origin.
   */
  angle: number;
}
/**
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "waysIn".
 */
export interface WaysIn {
  port: string;
}
/**
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "wayIn".
 */
export interface WayIn {
  item: Run;
  bends: number;
  solution: SolvedRun;
}
/**
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "pasted".
 */
export interface Pasted {
  text: string;
}
/**
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "pastedRows".
 */
export interface PastedRows {
  /**
   * Items: This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "stop".
   */
  stops: (PointStop | StepStop | LegStop | LevelStop | ClampStop)[];
  refused: {
    line: number;
    text: string;
    why: string;
  }[];
}
/**
 * Wires read from rows, and the rows that were refused.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "pastedWires".
 */
export interface PastedWires {
  wires: Wire[];
  refused: {
    line: number;
    text: string;
    why: string;
  }[];
}
/**
 * All harnesses of a job at a revision.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "jobHarnesses".
 */
export interface JobHarnesses {
  revision: number;
  harnesses: SolvedHarness[];
}
/**
 * What is too near to each other in a job at a revision; `found` is null while that is found on the queue.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "jobClearances".
 */
export interface JobClearances {
  revision: number;
  found: SolvedClearance[] | null;
  work: ClearanceWork | null;
}
/**
 * How far it has come to find on the queue what is too near to each other.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "clearanceWork".
 */
export interface ClearanceWork {
  /**
   * why it failed
   */
  problem: string | null;
  state: "waiting" | "working" | "stopped" | "failed" | "done";
  /**
   * how much of it is done, 0 to 1
   */
  part: number;
}
/**
 * A list about a harness.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "harnessList".
 */
export interface HarnessList {
  headings: string[];
  rows: (string | number | null)[][];
}
/**
 * Where a trunk is broken in two: at a length, in the middle of a leg, or of its longest straight.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "trunkBreak".
 */
export interface TrunkBreak {
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  length?: number | string;
  /**
   * At the far end of the leg.
   */
  vertex?: number;
}
/**
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "trunkJoin".
 */
export interface TrunkJoin {
  /**
   * Names an item; others refer to it by this.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "id".
   */
  with: string;
}
/**
 * An item of the job as it would stand in the file while it is dragged.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "triedItem".
 */
export interface TriedItem {
  list: "fittings" | "clamps" | "surroundings" | "runs";
  item: {};
}
/**
 * Lengths of wires while something is dragged, and what is found of those.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "triedHarness".
 */
export interface TriedHarness {
  id: string;
  /**
   * Of each wire its id, its length, and what it is cut to, mm; null without a way.
   */
  lengths: [string | number | null, string | number | null, string | number | null][];
  /**
   * Those that were looked at.
   */
  rules: string[];
  findings: HarnessFinding[];
}
/**
 * By which angle a part of the board is turned by hand.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "boardTurn".
 */
export interface BoardTurn {
  run: string;
  angle: number | string;
  towards?: "start" | "end";
}
/**
 * The board of a harness: millimetres of its picture, y downwards; angles in degrees.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "board".
 */
export interface Board {
  /**
   * SVG.
   */
  picture: string;
  width: number;
  height: number;
  turns: {
    run: string;
    /**
     * Null where the trunk goes on one way only.
     */
    towards: "start" | "end" | null;
    /**
     * @minItems 2
     * @maxItems 2
     */
    at: [number, number];
    /**
     * @minItems 2
     * @maxItems 2
     */
    end: [number, number];
    length: number;
    /**
     * Direction of the trunk that it leaves, from its start to its end, counterclockwise.
     */
    along: number;
    /**
     * Against that.
     */
    angle: number;
    told: boolean;
    /**
     * What lies where it would at the angle that is told.
     */
    in_way: string | null;
  }[];
  /**
   * What differs from the board that was built.
   */
  changes: string[];
  is_built: boolean;
  now: BuiltBoard;
}
/**
 * What is wrong with the harness that is put to the simulated tester.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "wiringFaults".
 */
export interface WiringFaults {
  faults: {
    kind: "open" | "swapped" | "short";
    wire?: string;
    /**
     * @minItems 2
     * @maxItems 2
     */
    pins?: [string, string];
  }[];
}
/**
 * What a tester has found of a harness.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "tested".
 */
export interface Tested {
  /**
   * How many pins.
   */
  tested: number;
  found: {
    kind: "open" | "swapped" | "short";
    pins: string[];
    words: string;
  }[];
}
/**
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "goTo".
 */
export interface GoTo {
  step: number;
}
/**
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "revision".
 */
export interface Revision {
  revision: number;
  /**
   * Query of the addresses /live/JOB/now.json and /live/JOB/since-OLD-NEW.json, by which a window may ask them for some time; null where they are not served.
   */
  live: string | null;
  step: number;
}
/**
 * What a bender says to a run.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "bender".
 */
export interface Bender {
  id: string;
  name: string;
  can: boolean;
  from_other_end: boolean;
  obstacles: {
    /**
     * 0-based; null when it is about the whole run.
     */
    bend: number | null;
    message: string;
    fix: string;
  }[];
}
/**
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "drawing".
 */
export interface Drawing {
  /**
   * A DXF file as text.
   */
  text: string;
  /**
   * Whether its lines are trunks of a harness, which meet where more than two do.
   */
  trunks?: boolean;
  table?: MachineTable;
}
/**
 * Where the text is a table of the shop's own bender: which, and what its columns are called.
 */
export interface MachineTable {
  kind: "xyz" | "lra";
  columns: MachineColumn[];
}
export interface MachineColumn {
  column: string;
  name: string;
}
/**
 * The runs that the lines of a drawing come to.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "lines".
 */
export interface Lines {
  routes: {
    from: RunEnd;
    to: RunEnd;
    route: Route;
  }[];
  remarks: string[];
}
/**
 * The run once more: moved, or on the other side of a plane; tied, it goes as the first does from then on.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "twin".
 */
export interface Twin {
  offset?: Vector;
  across?: Plane;
  tied?: boolean;
}
/**
 * A run in the shape of the job file, without id and name.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "twinned".
 */
export interface Twinned {}
/**
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "rename".
 */
export interface Rename {
  from: string;
  to: string;
  token?: string;
}
/**
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "joinPieces".
 */
export interface JoinPieces {
  id?: string;
  stock: string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  radius?: number | string;
  /**
   * @minItems 1
   * @maxItems 200
   */
  pieces: [Piece, ...Piece[]];
}
export interface Piece {
  from: Vector;
  to: Vector;
}
/**
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "joined".
 */
export interface Joined {
  /**
   * The run in the shape of the job file.
   */
  item: {};
  solution: SolvedRun;
  joints: Joint[];
}
/**
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "joint".
 */
export interface Joint {
  corners: Point[];
  /**
   * What its legs lack, mm; 0 where there is room.
   */
  short: number;
  pull: {
    piece: number;
    at_end: boolean;
    by: number;
    from: Point;
    to: Point;
  } | null;
  has_room: boolean;
}
/**
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "bendRows".
 */
export interface BendRows {
  text: string;
  at?: Vector;
  /**
   * "+x" … "-z", or three numbers of any length but zero.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "direction".
   */
  along?: string | Vector;
  /**
   * "+x" … "-z", or three numbers of any length but zero.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "direction".
   */
  normal?: string | Vector;
}
/**
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "bentRun".
 */
export interface BentRun {
  vertices: Point[];
  radii: number[];
  refused: {
    line: number;
    text: string;
    why: string;
  }[];
}
/**
 * Lengths in mm, density in kg/m³; a wall of 0 is solid.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "catalogueRow".
 */
export interface CatalogueRow {
  id?: number;
  part_number: string;
  kind: "tube" | "pipe" | "hose" | "cable" | "wire" | "rod";
  name: string;
  standard?: string;
  od: number;
  wall: number;
  radius: number;
  min_radius: number;
  min_straight: number;
  density: number;
  moving_radius?: number | null;
  mass?: number | null;
  stiffness?: number | null;
  pressure_shortest?: number | null;
  pressure_longest?: number | null;
  layers?: string;
  own?: boolean;
}
/**
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "catalogue".
 */
export interface Catalogue {
  rows: CatalogueRow[];
  found: number;
  all: number;
}
/**
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "catalogueText".
 */
export interface CatalogueText {
  text: string;
}
/**
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "catalogueReport".
 */
export interface CatalogueReport {
  taken: number;
  refused: {
    line: number;
    text: string;
    why: string;
  }[];
}
/**
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "portOnPort".
 */
export interface PortOnPort {
  port: string;
  onto: string;
}
/**
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "mesh".
 */
export interface Mesh {
  mesh: string;
  name: string;
  triangles: number;
  extent: Point[];
}
/**
 * What of a job is not as it was at a revision that a window has seen.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "jobChange".
 */
export interface JobChange {
  change: true;
  revision: number;
  saved_at: string;
  step: number;
  undo: number | null;
  /**
   * All steps from the first that was done, undone or redone since.
   */
  new_steps: Step[];
  /**
   * What was typed, by field: shown again while the field has that value.
   */
  entries: {
    [k: string]: {
      typed: string;
      value: number;
    };
  };
  items: {
    list: List;
    item: {};
  }[];
  /**
   * Where fittings and their ports are in space.
   */
  places: Place[];
  solutions: SolvedRun[];
  /**
   * The stock and the bend radius that were chosen last.
   */
  remembered: {
    stock?: string;
    radius?: number;
  };
}
/**
 * Flexible runs between pairs of ports, all of one stock and with the same slack, as a part; left out, each kind has one that it lies well with.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "several".
 */
export interface Several {
  /**
   * Names an item; others refer to it by this.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "id".
   */
  stock: string;
  behaves: "hang" | "drape" | "spring" | "flow";
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  slack?: number | string;
  /**
   * @maxItems 200
   */
  pairs: PortPair[];
}
export interface PortPair {
  from: string;
  to: string;
}
/**
 * Flexible runs combed into a bundle along another, so far apart; from and to are developed lengths of that.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "comb".
 */
export interface Comb {
  /**
   * Names an item; others refer to it by this.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "id".
   */
  along: string;
  /**
   * @maxItems 200
   *
   * Items: Names an item; others refer to it by this.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "id".
   */
  runs: string[];
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  from?: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  to?: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  apart: number | string;
  /**
   * Runs that are only about to be added.
   */
  drafts?: Run[];
}
/**
 * true lets a draped run settle again, false stops it.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "settle".
 */
export interface Settle {
  settle: boolean;
}
/**
 * How far a draped run is that settles on the queue, and how it lies now.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "settling".
 */
export interface Settling {
  /**
   * why it failed
   */
  problem: string | null;
  state: "waiting" | "settling" | "stopped" | "failed" | "settled";
  part: number;
  points: Point[];
}
/**
 * What the body of a run weighs and holds, with its ends.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "bodyFacts".
 */
export interface BodyFacts {
  id: string;
  /**
   * Of the material, mm³.
   */
  volume: number;
  /**
   * Of outside, bore and ends, mm².
   */
  surface: number;
  /**
   * Of gravity, mm; null of a run without length.
   */
  centre: number[] | null;
  /**
   * kg
   */
  mass: number;
  /**
   * Of the bore, mm³.
   */
  contents: number;
  spools: SpoolFacts[];
}
export interface SpoolFacts {
  mark: string;
  /**
   * Of the material, mm³.
   */
  volume: number;
  /**
   * Of outside, bore and ends, mm².
   */
  surface: number;
  /**
   * Of gravity, mm; null of a run without length.
   */
  centre: number[] | null;
  /**
   * kg
   */
  mass: number;
  /**
   * Of the bore, mm³.
   */
  contents: number;
}
/**
 * What the bodies of all runs of a job weigh and hold together, with their ends.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "jobFacts".
 */
export interface JobFacts {
  /**
   * Of the material, mm³.
   */
  volume: number;
  /**
   * Of outsides, bores and ends, mm².
   */
  surface: number;
  /**
   * Of gravity, mm; null where nothing weighs anything.
   */
  centre: number[] | null;
  /**
   * kg
   */
  mass: number;
  /**
   * Of the bores, mm³.
   */
  contents: number;
}
/**
 * How many triangles a file of a body has at a chord tolerance.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "triangleCount".
 */
export interface TriangleCount {
  triangles: number;
}
/**
 * How far a question about a body of several runs has come that is worked on the queue.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "bodyWork".
 */
export interface BodyWork {
  id: number;
  body: string;
  /**
   * why it failed
   */
  problem: string | null;
  state: "waiting" | "working" | "stopped" | "failed" | "done";
  /**
   * how much of it is done, 0 to 1
   */
  part: number;
}
/**
 * true takes the work up again, false stops it.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "bodyWorkChange".
 */
export interface BodyWorkChange {
  again: boolean;
}
/**
 * true takes the work up again, false stops it.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "clearanceWorkChange".
 */
export interface ClearanceWorkChange {
  again: boolean;
}
/**
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "errands".
 */
export interface Errands {
  /**
   * @minItems 1
   * @maxItems 500
   */
  errands: [Errand, ...Errand[]];
  /**
   * How many ways, of one run.
   */
  ways?: 1 | 2 | 3 | 4 | 5;
}
/**
 * A run that is to be laid, or one that is to be laid again.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "errand".
 */
export interface Errand {
  /**
   * "fitting.port", or an end of a run in the open, "feed.to"
   */
  from?: string;
  to?: string;
  /**
   * Names an item; others refer to it by this.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "id".
   */
  stock?: string;
  /**
   * Names an item; others refer to it by this.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "id".
   */
  service?: string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  insulation?: number | string;
  /**
   * Clamps, in the order in which it goes through them.
   *
   * @maxItems 6
   *
   * Items: Names an item; others refer to it by this.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "id".
   */
  through?:
    | []
    | [string]
    | [string, string]
    | [string, string, string]
    | [string, string, string, string]
    | [string, string, string, string, string]
    | [string, string, string, string, string, string];
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  length?: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  fall?: number | string;
  weights?: WayWeights;
  /**
   * Names an item; others refer to it by this.
   */
  again?: string;
}
export interface WayWeights {
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   */
  bends?: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  height?: number | string;
  /**
   * Millimetres, degrees or a count; or an expression over the named values.
   *
   * This interface was referenced by `Job`'s JSON-Schema
   * via the `definition` "number".
   */
  nearness?: number | string;
}
/**
 * Runs that lay themselves: how far it has come, and what was found.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "layWork".
 */
export interface LayWork {
  /**
   * null where it was worked out at once
   */
  id: number | null;
  /**
   * why it failed
   */
  problem: string | null;
  state: "waiting" | "working" | "done" | "failed";
  laid: number;
  of: number;
  /**
   * Of one run ways that differ, the best first; of several one each.
   */
  ways: FoundWay[];
  not_laid: NotLaid[];
  /**
   * whether it was gone through to the end, and not stopped
   */
  whole: boolean;
}
/**
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "foundWay".
 */
export interface FoundWay {
  stops: {}[];
  bends: number;
  /**
   * mm
   */
  length: number;
  /**
   * how far off the nearest thing is, mm; null where nothing is near
   */
  nearest: number | null;
  nearest_to: ItemRef | null;
  /**
   * how much of it is close along other runs, where one clamp takes both, mm
   */
  beside: number;
  run: Run;
  solution: SolvedRun;
}
export interface NotLaid {
  from: string;
  to: string;
  why: string;
}
/**
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "pastedPairs".
 */
export interface PastedPairs {
  errands: Errand[];
  refused: {
    line: number;
    text: string;
    why: string;
  }[];
}
/**
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "nearPair".
 */
export interface NearPair {
  a: ItemRef;
  b: ItemRef;
}
export interface NearCure {
  /**
   * @minItems 1
   */
  items: [
    {
      list: "runs" | "fittings" | "clamps";
      item: Run | Fitting | Clamp;
    },
    ...{
      list: "runs" | "fittings" | "clamps";
      item: Run | Fitting | Clamp;
    }[]
  ];
  words: string;
}
/**
 * Clamps where a run is supported too seldom.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "supports".
 */
export interface Supports {
  /**
   * Where each goes and what it stands on, in words.
   */
  places: string[];
  /**
   * Of the job: the clamps, and the run led through them.
   */
  edits: SupportEdit[];
}
/**
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "supportEdit".
 */
export interface SupportEdit {
  list: "clamps" | "runs";
  id: string;
  item: Clamp | Run;
}
/**
 * A revision to be issued.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "newRevision".
 */
export interface NewRevision {
  name: string;
  by: string;
  note?: string;
}
/**
 * Asks for a check of a job; with nobody it is taken back.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "askCheck".
 */
export interface AskCheck {
  by: string | null;
}
/**
 * The revisions of a job, the newest first, and whether it is worked on or checked.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "revisions".
 */
export interface Revisions {
  state: "working" | "in-check";
  checking: Checking | null;
  /**
   * Name that the next one is likely to get.
   */
  next: string;
  /**
   * Whether the newest was taken out of the database.
   */
  missing: boolean;
  revisions: JobRevision[];
}
/**
 * Who asked for a check.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "checking".
 */
export interface Checking {
  by: string;
  at: string;
  revision: number;
}
/**
 * A revision of a job.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "jobRevision".
 */
export interface JobRevision {
  number: number;
  name: string;
  by: string;
  note: string;
  state: "issuing" | "issued" | "superseded" | "failed";
  /**
   * How much of its files is made, 0 to 1.
   */
  part: number;
  problem: string | null;
  /**
   * The job as it was issued, which does not change.
   */
  job: number;
  asked_at: string;
  issued_at: string | null;
  hash: string | null;
  /**
   * Whether it is as it was issued.
   */
  intact: boolean;
  files?: RevisionFile[];
  /**
   * Runs and spools of it, and which are made.
   */
  parts?: PartOfRevision[];
}
/**
 * A file of a revision.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "revisionFile".
 */
export interface RevisionFile {
  name: string;
  type: string;
  hash: string;
}
/**
 * A run or a spool, and whether it is made.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "partOfRevision".
 */
export interface PartOfRevision {
  part: string;
  made_by: string | null;
  made_at: string | null;
}
/**
 * A remark on an item of a job.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "newRemark".
 */
export interface NewRemark {
  list: List;
  item: string;
  part?: string;
  /**
   * @minItems 3
   * @maxItems 3
   */
  at?: [number, number, number];
  words: string;
  by: string;
}
/**
 * Answers a remark, settles it, or opens it again.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "remarkChange".
 */
export interface RemarkChange {
  by: string;
  answer?: string;
  resolved?: boolean;
}
/**
 * What somebody who checks has to say of a place.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "remark".
 */
export interface Remark {
  id: number;
  list: List;
  item: string;
  part: string | null;
  at: [number, number, number] | null;
  words: string;
  by: string;
  made_at: string;
  answer: string | null;
  answered_by: string | null;
  resolved_at: string | null;
  resolved_by: string | null;
}
/**
 * What has changed between two states of a job.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "comparison".
 */
export interface Comparison {
  before: string;
  after: string;
  runs: RunChange[];
}
/**
 * What has become of a run.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "runChange".
 */
export interface RunChange {
  id: string;
  name: string;
  change: "same" | "moved" | "changed" | "new" | "gone";
  moved: number | null;
  at: [number, number, number] | null;
  bends: BendChange[];
  /**
   * @minItems 2
   * @maxItems 2
   */
  length: [number | null, number | null];
  /**
   * @minItems 2
   * @maxItems 2
   */
  cut_length: [number | null, number | null];
  /**
   * @minItems 2
   * @maxItems 2
   */
  mass: [number | null, number | null];
  remake: boolean;
  spools: SpoolChange[];
  ghost: Ghost | null;
  take: TakenItem[];
}
/**
 * A bend that was added, taken out, or has other figures: each as it was and as it is.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "bendChange".
 */
export interface BendChange {
  change: "added" | "removed" | "changed";
  was: number | null;
  bend: number | null;
  /**
   * @minItems 2
   * @maxItems 2
   */
  straight: [number | null, number | null];
  /**
   * @minItems 2
   * @maxItems 2
   */
  rotation: [number | null, number | null];
  /**
   * @minItems 2
   * @maxItems 2
   */
  angle: [number | null, number | null];
  /**
   * @minItems 2
   * @maxItems 2
   */
  radius: [number | null, number | null];
}
/**
 * What the shop has to do for a spool.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "spoolChange".
 */
export interface SpoolChange {
  mark: string;
  work: "keep" | "bend" | "make";
  was: string | null;
}
/**
 * A run as it was.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "ghost".
 */
export interface Ghost {
  od: number;
  /**
   * Evenly along its centre line, mm.
   */
  points: number[][];
}
/**
 * An item as it was, to be put into the job.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "takenItem".
 */
export interface TakenItem {
  list: List;
  id: string;
  item: {};
}
/**
 * A job file with which the job is compared.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "comparedFile".
 */
export interface ComparedFile {
  name: string;
  file: {};
}
/**
 * How a run, or a spool of it, is bent on a bender, and what came of parts of it. Millimetres and degrees.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "bench".
 */
export interface Bench {
  spool: string;
  /**
   * The bender it is for; null where none can bend it.
   */
  bender: string | null;
  /**
   * Those that can bend it.
   */
  benders: AbleBender[];
  /**
   * By which parts are judged, in words.
   */
  tolerances: string;
  stock: string;
  cut: number;
  steps: BenchStep[];
  /**
   * What the bender cannot grip, and what the tube would hit on its way; empty where it can be bent.
   */
  hits: BenchHit[];
  /**
   * Whether it can be bent from the other end.
   */
  other_end_free: boolean;
  space: MachineSpace;
  film: FilmFrame[];
  known: KnownSpringback[];
  bender_at: string | null;
  arm_at: string | null;
  /**
   * The newest first.
   */
  parts: BentPart[];
}
export interface AbleBender {
  id: string;
  name: string;
}
export interface BenchStep {
  straight: number;
  feed: number;
  turn: number;
  set: number;
  angle: number;
  radius: number;
  /**
   * Points round the die, as the tube lies on it.
   */
  die: number[][];
}
export interface BenchHit {
  step: number;
  words: string;
}
/**
 * The bed: from x = front backwards, to both sides of it by half_width, up to top; and the floor. The die is at the origin, the tube is fed along +x and bent towards +y.
 */
export interface MachineSpace {
  half_width: number;
  top: number;
  front: number;
  floor: number;
}
export interface FilmFrame {
  step: number;
  phase: "feed" | "turn" | "bend";
  amount: number;
  points: number[][];
}
/**
 * How a stock springs back on a bender round a die: got = (1 − springback)·set − opening.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "knownSpringback".
 */
export interface KnownSpringback {
  bender: string;
  stock: string;
  radius: number;
  bends: number;
  /**
   * Per cent of the set angle.
   */
  springback: number;
  /**
   * Degrees.
   */
  opening: number;
  /**
   * Standard deviation at 90°, degrees.
   */
  uncertainty: number;
  set_for_90: number;
}
/**
 * A part that is bent and measured, or on its way.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "bentPart".
 */
export interface BentPart {
  id: number;
  state: "waiting" | "bending" | "measuring" | "stopped" | "done" | "failed";
  /**
   * Bends that are made.
   */
  step: number;
  /**
   * Of the part in the rack.
   */
  number: string | null;
  reversed: boolean;
  report: PartReport | null;
  problem: string | null;
  asked_at: string;
}
/**
 * How a part differs from what it should be. Millimetres and degrees.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "partReport".
 */
export interface PartReport {
  good: boolean;
  reasons: string[];
  advice: string;
  bends: ReportedBend[];
  straights: ReportedStraight[];
  /**
   * Of start, corners and end.
   */
  off: ReportedPlace[];
  design: number[][];
  /**
   * Laid onto the design as well as can be.
   */
  part: number[][];
}
export interface ReportedBend {
  wanted: number;
  set: number;
  got: number;
  in: boolean;
}
export interface ReportedStraight {
  wanted: number;
  got: number;
  in: boolean;
}
export interface ReportedPlace {
  by: number;
  in: boolean;
}
/**
 * A part that is to be bent and measured.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "newPart".
 */
export interface NewPart {
  spool?: string;
  bender: string;
  from: "start" | "end";
  bender_at: string;
  arm_at: string;
}
/**
 * What is known of a stock on a bender is forgotten.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "forgetSpringback".
 */
export interface ForgetSpringback {
  bender: string;
  stock: string;
}
/**
 * Drawings and lists that are bound together.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "newPack".
 */
export interface NewPack {
  /**
   * @minItems 1
   */
  kinds: [
    "arrangement" | "isometric" | "bend-sheet" | "harness" | "lists",
    ...("arrangement" | "isometric" | "bend-sheet" | "harness" | "lists")[]
  ];
  /**
   * The set of runs that they are of; all runs when left out.
   */
  set?: string;
  format: "pdf" | "zip";
}
/**
 * How far a pack is.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "pack".
 */
export interface Pack {
  id: number;
  state: "waiting" | "working" | "stopped" | "done" | "failed";
  /**
   * 0 to 1
   */
  part: number;
  format: "pdf" | "zip";
  /**
   * why it failed
   */
  problem: string | null;
}
/**
 * An e-mail address and a password.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "signIn".
 */
export interface SignIn {
  email: string;
  password: string;
}
/**
 * A code of an authenticator, or a recovery code.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "secondFactorCode".
 */
export interface SecondFactorCode {
  code: string;
}
/**
 * Whose password is to be chosen anew.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "forgottenPassword".
 */
export interface ForgottenPassword {
  email: string;
}
/**
 * A new password, by the link that was sent.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "newPassword".
 */
export interface NewPassword {
  email: string;
  token: string;
  password: string;
}
/**
 * The password of somebody who was invited.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "acceptInvitation".
 */
export interface AcceptInvitation {
  password: string;
}
/**
 * The password as it is, and as it shall be.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "changePassword".
 */
export interface ChangePassword {
  now: string;
  password: string;
}
/**
 * The password of whoever asks.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "ownPassword".
 */
export interface OwnPassword {
  password: string;
}
/**
 * A token for a script.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "newToken".
 */
export interface NewToken {
  name: string;
  /**
   * @minItems 1
   */
  scopes: ["read" | "edit" | "issue", ...("read" | "edit" | "issue")[]];
  /**
   * For which it holds, 366 at most.
   */
  days: number;
}
/**
 * Somebody who is invited into the team.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "invitePerson".
 */
export interface InvitePerson {
  name: string;
  email: string;
  role: "viewer" | "shop" | "designer" | "checker" | "owner";
}
/**
 * What changes of somebody.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "changePerson".
 */
export interface ChangePerson {
  role?: "viewer" | "shop" | "designer" | "checker" | "owner";
  disabled?: boolean;
  /**
   * Sends the invitation once more.
   */
  again?: boolean;
}
/**
 * The role of somebody in a job; that of the team where it is left out.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "changeJobPerson".
 */
export interface ChangeJobPerson {
  email: string;
  role?: "viewer" | "shop" | "designer" | "checker" | "owner";
}
/**
 * Whether anybody who has the link reads the job.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "shareLink".
 */
export interface ShareLink {
  on: boolean;
}
/**
 * What a window has picked, or that it is closed.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "presence".
 */
export interface Presence {
  window: string;
  picked?: {
    list: string;
    id: string;
  } | null;
  /**
   * Whether the window is closed.
   */
  gone?: boolean;
}
/**
 * Whether a part of an issued revision is made.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "madePart".
 */
export interface MadePart {
  part: string;
  made: boolean;
  by?: string;
}
/**
 * Somebody who signs in.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "person".
 */
export interface Person {
  id: number;
  name: string;
  email: string;
  role: "viewer" | "shop" | "designer" | "checker" | "owner";
  /**
   * Whether a code is asked for.
   */
  second_factor: boolean;
  /**
   * Whether the invitation is not accepted yet.
   */
  invited: boolean;
  disabled: boolean;
}
/**
 * Who has signed in, and what they may do.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "me".
 */
export interface Me {
  /**
   * Whether people sign in.
   */
  people: boolean;
  person: Person | null;
  team: string | null;
  may: string[];
}
/**
 * Whoever has signed in; null where a code is needed yet.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "signedIn".
 */
export interface SignedIn {
  person: Person | null;
  code_needed: boolean;
}
/**
 * A second factor that begins.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "secondFactor".
 */
export interface SecondFactor {
  secret: string;
  /**
   * The QR code of it, row by row.
   */
  modules: number[][];
}
/**
 * Codes that are used once each.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "recoveryCodes".
 */
export interface RecoveryCodes {
  recovery_codes: string[];
}
/**
 * A token of a script.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "scriptToken".
 */
export interface ScriptToken {
  id: number;
  name: string;
  scopes: string[];
  last_used_at: string | null;
  expires_at: string | null;
  /**
   * Of a new one, this once.
   */
  text?: string;
}
/**
 * The people of a team.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "people".
 */
export interface TeamPeople {
  team: string;
  people: Person[];
}
/**
 * The people who have to do with a job.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "jobPeople".
 */
export interface JobPeople {
  /**
   * Whether there is a link to it.
   */
  shared: boolean;
  people: JobPerson[];
}
/**
 * Somebody in a job.
 */
export interface JobPerson {
  name: string;
  email: string;
  role: "viewer" | "shop" | "designer" | "checker" | "owner";
  /**
   * Whether the role is of this job.
   */
  own: boolean;
  /**
   * Whether they are of another team.
   */
  guest: boolean;
}
/**
 * Who did what, the newest first.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "trail".
 */
export interface Trail {
  found: number;
  entries: TrailEntry[];
}
/**
 * One thing that was done.
 */
export interface TrailEntry {
  id: number;
  at: string;
  by: string;
  event: "edit" | "issue" | "remark" | "made" | "export" | "job" | "people" | "sign-in" | "account";
  job: string | null;
  words: string;
  /**
   * What there was before and after, and the like.
   */
  details: {
    [k: string]: unknown;
  };
}
/**
 * Who else is in a job.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "presences".
 */
export interface Presences {
  revision: number;
  /**
   * Query of the addresses /live/JOB/now.json and /live/JOB/since-OLD-NEW.json, by which a window may ask them for some time; null where they are not served.
   */
  live: string | null;
  step: number;
  others: OtherPerson[];
}
/**
 * Somebody with a window of the job.
 */
export interface OtherPerson {
  name: string;
  window: string;
  picked: {
    list: string;
    id: string;
  } | null;
}
/**
 * The parts of a revision.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "madeParts".
 */
export interface MadeParts {
  parts: PartOfRevision[];
}
/**
 * What a new item of a job is to begin as.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "newItem".
 */
export interface NewItem {
  kind:
    | "fitting"
    | "part"
    | "box"
    | "cylinder"
    | "panel"
    | "mesh"
    | "clamp"
    | "stock"
    | "catalogue"
    | "run"
    | "branch"
    | "channel"
    | "strand"
    | "port"
    | "bundle"
    | "harness";
  part?:
    | "pump"
    | "impeller-pump"
    | "filter"
    | "strainer"
    | "canister"
    | "valve"
    | "hull-valve"
    | "tank-connection"
    | "bulkhead-union"
    | "elbow"
    | "tee"
    | "manifold"
    | "tank"
    | "header-tank"
    | "heat-exchanger"
    | "sea-chest"
    | "engine"
    | "bare-port";
  name?: string;
  mesh?: string;
  extent?: Vector[];
  part_number?: string;
  stock?: string;
  from?: string;
  to?: string;
  /**
   * The run that a clamp is put on, or that a strand lies beside.
   */
  run?: string;
  /**
   * At the far end of the leg that a clamp is put on.
   */
  vertex?: number;
  /**
   * Of a branch: along the run on which it stands, mm; the middle of its longest straight when it is left out.
   */
  along?: number;
  at?: Vector;
  /**
   * @maxItems 5000
   */
  rounds?: RoundEnd[];
  /**
   * The body that a port is put on.
   */
  surrounding?: string;
  /**
   * The round end that a port is put on, from 0.
   */
  round?: number;
}
/**
 * A new item in the shape of the job file; not kept yet.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "begunItem".
 */
export interface BegunItem {
  list: List;
  item: {
    id: string;
    name: string;
    [k: string]: unknown;
  };
}
/**
 * A stock of the job that is added to the catalogue.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "ownStock".
 */
export interface OwnStock {
  stock: string;
}
/**
 * A plane in which bodies are looked at: square to a run at a length along it, through three points, or else the plane in which the run lies.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "sectionOf".
 */
export interface SectionOf {
  run: string;
  /**
   * developed length, mm
   */
  along?: number;
  /**
   * @minItems 3
   * @maxItems 3
   */
  points?: [[number, number, number], [number, number, number], [number, number, number]];
  /**
   * along its normal, mm
   */
  offset?: number;
  /**
   * degrees
   */
  turn?: number;
  /**
   * others that it may meet
   *
   * @maxItems 40
   */
  runs?: string[];
  /**
   * a point of the plane at which the wall is asked for
   *
   * @minItems 3
   * @maxItems 3
   */
  pointed?: [number, number, number];
  /**
   * Equipment that it may meet.
   *
   * @maxItems 400
   */
  fittings?: string[];
  /**
   * Surroundings that it may meet.
   *
   * @maxItems 400
   */
  surroundings?: string[];
}
/**
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "sectionWall".
 */
export interface SectionWall {
  thickness: number;
  /**
   * @minItems 3
   * @maxItems 3
   */
  to: [number, number, number];
  /**
   * @minItems 3
   * @maxItems 3
   */
  from: [number, number, number];
}
/**
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "sectionView".
 */
export interface SectionView {
  /**
   * @minItems 3
   * @maxItems 3
   */
  at: [number, number, number];
  /**
   * @minItems 3
   * @maxItems 3
   */
  normal: [number, number, number];
  cuts: SectionCut[];
  wall: SectionWall | null;
  /**
   * of bodies that are cut coarsely until they are found
   */
  works: BodyWork[];
}
export interface SectionCut {
  /**
   * Null of equipment and surroundings.
   */
  run: string | null;
  name: string;
  /**
   * of material, mm²
   */
  area: number;
  least: SectionWall | null;
  most: SectionWall | null;
  /**
   * counter-clockwise about the normal round material, clockwise round holes
   */
  loops: [number, number, number][][];
}
/**
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "measuredThing".
 */
export interface MeasuredThing {
  /**
   * @minItems 3
   * @maxItems 3
   */
  at: [number, number, number];
  run?: string;
  /**
   * the vertex at its end
   */
  leg?: number;
  /**
   * of a face
   *
   * @minItems 3
   * @maxItems 3
   */
  normal?: [number, number, number];
}
/**
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "measureOf".
 */
export interface MeasureOf {
  from: MeasuredThing;
  to: MeasuredThing;
}
/**
 * Millimetres and degrees.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "measured".
 */
export interface Measured {
  distance: number;
  /**
   * @minItems 3
   * @maxItems 3
   */
  way: [number, number, number];
  /**
   * between legs and faces, up to 90
   */
  angle: number | null;
  /**
   * length of run between, where both are of one run
   */
  along: number | null;
  least: MeasuredLeast | null;
  /**
   * from outside to outside where they come nearest
   */
  clear: number | null;
  /**
   * between the axes of two legs
   */
  axes: number | null;
}
export interface MeasuredLeast {
  distance: number;
  /**
   * @minItems 3
   * @maxItems 3
   */
  from: [number, number, number];
  /**
   * @minItems 3
   * @maxItems 3
   */
  to: [number, number, number];
}
/**
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "ownFlange".
 */
export interface KeepFlange {
  part_number: string;
  flange: Flange | RectangularFlange | OvalFlange;
}
export interface OwnFlangeRow {
  id: number;
  part_number: string;
  flange: Flange | RectangularFlange | OvalFlange;
}
/**
 * The wall of a body of several runs, mm, and the area of its bores by that, mm².
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "bodyWall".
 */
export interface BodyWall {
  /**
   * Why there is none; null where there is one.
   */
  fault: string | null;
  id?: string;
  least?: WallPlace;
  most?: WallPlace;
  histogram?: {
    from: number;
    to: number;
    area: number;
  }[];
  findings?: WallFinding[];
}
/**
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "wallPlace".
 */
export interface WallPlace {
  wall: number;
  at: Point;
}
export interface WallFinding {
  rule: "thin-wall" | "thick-spot";
  wall: number;
  /**
   * @minItems 3
   * @maxItems 3
   */
  at: [number, number, number];
  /**
   * mm
   */
  limit: number;
}
/**
 * The walls of a body in both orders of rounding and hollowing.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "bodyWalls".
 */
export interface BodyWalls {
  "round-first": BodyWall;
  "hollow-first": BodyWall;
}
/**
 * What is drilled into a block.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "drillings".
 */
export interface Drillings {
  drillings: Drilling[];
  /**
   * Names of the channels that cannot be drilled.
   */
  others: string[];
  /**
   * Inside its channels, where it is printed as it stands.
   */
  roofs: Roof[];
}
export interface Drilling {
  run: string;
  name: string;
  face: string;
  /**
   * @minItems 3
   * @maxItems 3
   */
  at: [number, number, number];
  /**
   * From the left side of the face as it is looked at from outside, mm.
   */
  right: number;
  /**
   * From its lower side, mm.
   */
  up: number;
  /**
   * From square to the face, degrees.
   */
  angle: number;
  depth: number;
  diameter: number;
  through: boolean;
  plug: boolean;
}
export interface Roof {
  run: string;
  name: string;
  /**
   * Of its flattest roof from level, degrees.
   */
  slope: number;
  /**
   * @minItems 3
   * @maxItems 3
   */
  at: [number, number, number];
  /**
   * Width of roof that is flatter than 45°, mm.
   */
  span: number;
  /**
   * Over which it is, mm.
   */
  length: number;
}
/**
 * The triangles of a body (`bodyMesh`), with its wall.
 *
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "wallMap".
 */
export interface WallMap {
  positions: string;
  triangles: string;
  /**
   * The wall at each vertex, mm, as 32-bit little-endian floats in base64; no number where there is none.
   */
  walls: string;
  least: number;
  most: number;
}
/**
 * This interface was referenced by `Api`'s JSON-Schema
 * via the `definition` "pairText".
 */
export interface PairText {
  text: string;
  /**
   * Names an item; others refer to it by this.
   */
  stock?: string;
}
