import type { OpenCascadeInstance, TopoDS_Edge, TopoDS_Face, TopoDS_Shape } from 'replicad-opencascadejs';

/** Coordinates, mm, or a direction. */
type Vector = [number, number, number];

/** What is taken from a file of bodies in exact geometry: its triangles, and the round ends of its cylinders. */
export interface StepBody {
  /** Nine numbers a triangle, mm. */
  triangles: Float32Array;
  rounds: Round[];
}

/** The end of a hole, or of a spigot: a full circle about the axis of a cylinder. */
interface Round {
  /** Centre, mm. */
  at: Vector;
  /** Unit direction out of the body. */
  axis: Vector;
  /** mm */
  diameter: number;
  /** Whether it is a hole, and not the outside of a spigot. */
  hollow: boolean;
}

/** Facets turn by at most this, radians: less than what is drawn as an edge. */
const FACET_TURN = 0.3;

/** Facets stand off the true surface by at most this part of the extent of the body, and at least so much, mm. */
const RELATIVE_CHORD = 1e-3;
const LEAST_CHORD = 0.05;

/** Most triangles: those that a body of the surroundings may have (core/Job/Shape/Triangles.php). */
const MOST_TRIANGLES = 1_000_000;

/** Most round ends that are kept of a body: of more, the widest. */
const MOST_ROUNDS = 500;

/** Distance at which circles are one, mm. */
const SAME = 1e-4;

/** Cosine from which the face beside the end of a cylinder looks out of the body there. */
const LOOKS_OUT = 0.1;

/** Reads a STEP file (ISO 10303-21). Throws an error that says what is wrong with it. */
export function readStep(oc: OpenCascadeInstance, bytes: Uint8Array): StepBody {
  oc.FS.writeFile('/read.step', bytes);
  const reader = new oc.STEPControl_Reader();
  try {
    if (reader.ReadFile('/read.step') !== oc.IFSelect_ReturnStatus.IFSelect_RetDone) {
      throw new Error('it is no STEP file, or breaks off in the middle');
    }
    reader.TransferRoots(new oc.Message_ProgressRange());
    const shape = reader.NbShapes() === 0 ? null : reader.OneShape();
    const faces = shape === null ? [] : facesOf(oc, shape);
    if (shape === null || faces.length === 0) {
      throw new Error('there is no body in it');
    }
    const chord = Math.max(LEAST_CHORD, RELATIVE_CHORD * extentOf(oc, shape));
    new oc.BRepMesh_IncrementalMesh(shape, chord, false, FACET_TURN, false).delete();
    return { triangles: trianglesOf(oc, faces), rounds: roundsOf(oc, faces) };
  } finally {
    reader.delete();
    oc.FS.unlink('/read.step');
  }
}

function facesOf(oc: OpenCascadeInstance, shape: TopoDS_Shape): TopoDS_Face[] {
  const { TopAbs_FACE, TopAbs_SHAPE } = oc.TopAbs_ShapeEnum;
  return explored(oc, shape, TopAbs_FACE, TopAbs_SHAPE).map((face) => oc.TopoDS.Face(face));
}

type Kind = OpenCascadeInstance['TopAbs_ShapeEnum'][keyof OpenCascadeInstance['TopAbs_ShapeEnum']];

function explored(oc: OpenCascadeInstance, shape: TopoDS_Shape, kind: Kind, avoided: Kind): TopoDS_Shape[] {
  const found: TopoDS_Shape[] = [];
  const explorer = new oc.TopExp_Explorer(shape, kind, avoided);
  for (; explorer.More(); explorer.Next()) {
    found.push(explorer.Current());
  }
  explorer.delete();
  return found;
}

/** Returns the diagonal of the box round a shape, mm. */
function extentOf(oc: OpenCascadeInstance, shape: TopoDS_Shape): number {
  const box = new oc.Bnd_Box();
  oc.BRepBndLib.Add(shape, box, false);
  const [least, most] = [box.CornerMin(), box.CornerMax()];
  const extent = least.Distance(most);
  box.delete();
  return extent;
}

function trianglesOf(oc: OpenCascadeInstance, faces: readonly TopoDS_Face[]): Float32Array {
  const found: number[] = [];
  for (const face of faces) {
    const place = new oc.TopLoc_Location();
    const facets = oc.BRep_Tool.Triangulation(face, place, 0);
    if (facets === null) {
      continue;
    }
    const moved = place.Transformation();
    const corners: number[][] = [];
    for (let i = 1; i <= facets.NbNodes(); i++) {
      const node = facets.Node(i);
      const point = node.Transformed(moved);
      corners.push([point.X(), point.Y(), point.Z()]);
      node.delete();
      point.delete();
    }
    const isReversed = face.Orientation() === oc.TopAbs_Orientation.TopAbs_REVERSED;
    for (let i = 1; i <= facets.NbTriangles(); i++) {
      const triangle = facets.Triangle(i);
      for (const corner of isReversed ? [1, 3, 2] : [1, 2, 3]) {
        found.push(...(corners[triangle.Value(corner) - 1] ?? [0, 0, 0]));
      }
      triangle.delete();
    }
    if (found.length / 9 > MOST_TRIANGLES) {
      throw new Error(
        `it has more than ${MOST_TRIANGLES.toLocaleString('en')} triangles, the most that a body may have`,
      );
    }
    place.delete();
  }
  return new Float32Array(found);
}

/** An arc that bounds a face, with what the face has to say there. */
interface Rim {
  centre: Vector;
  radius: number;
  /** Unit direction of the axis of the circle. */
  axis: Vector;
  /** The point in the middle of the arc. */
  middle: Vector;
  /** Radians. */
  angle: number;
  /** Unit normal of the face out of the body in that point. */
  normal: Vector;
  /** Of a cylinder about the same axis: unit direction out of its length, over this rim; null of any other face. */
  out: Vector | null;
}

/** Returns the ends of cylinders at which the face beside them looks out of the body, the widest first. */
function roundsOf(oc: OpenCascadeInstance, faces: readonly TopoDS_Face[]): Round[] {
  const beside = new Map<string, Rim[]>();
  for (const rim of faces.flatMap((face) => rimsOf(oc, face))) {
    const key = [...rim.middle, rim.radius].map((part) => Math.round(part / SAME)).join();
    beside.set(key, [...(beside.get(key) ?? []), rim]);
  }
  const ends = new Map<string, { round: Round; angle: number }>();
  for (const rims of beside.values()) {
    const end = rims.find(({ out }) => out !== null);
    const { out } = end ?? { out: null };
    if (end === undefined || out === null || !rims.some((rim) => rim !== end && dot(rim.normal, out) > LOOKS_OUT)) {
      continue;
    }
    const outwards = minus(end.middle, end.centre);
    const round: Round = {
      at: end.centre,
      axis: out,
      diameter: 2 * end.radius,
      hollow: dot(end.normal, outwards) < 0,
    };
    const key = [...round.at, ...out, round.diameter, Number(round.hollow)]
      .map((part) => Math.round(part / SAME))
      .join();
    ends.set(key, { round, angle: (ends.get(key)?.angle ?? 0) + end.angle });
  }
  return [...ends.values()]
    .filter(({ angle }) => angle > 2 * Math.PI - SAME)
    .map(({ round }) => round)
    .sort((a, b) => b.diameter - a.diameter)
    .slice(0, MOST_ROUNDS);
}

function rimsOf(oc: OpenCascadeInstance, face: TopoDS_Face): Rim[] {
  const { TopAbs_EDGE, TopAbs_SHAPE } = oc.TopAbs_ShapeEnum;
  const surface = new oc.BRepAdaptor_Surface(face, true);
  const cylinder = surface.GetType() === oc.GeomAbs_SurfaceType.GeomAbs_Cylinder ? surface.Cylinder() : null;
  const rims: Rim[] = [];
  for (const shape of explored(oc, face, TopAbs_EDGE, TopAbs_SHAPE)) {
    const edge = oc.TopoDS.Edge(shape);
    const curve = oc.BRep_Tool.Degenerated(edge) ? null : new oc.BRepAdaptor_Curve(edge);
    if (curve?.GetType() === oc.GeomAbs_CurveType.GeomAbs_Circle) {
      const circle = curve.Circle();
      const [first, last] = [curve.FirstParameter(), curve.LastParameter()];
      const centre = xyz(circle.Location());
      const axis = xyz(circle.Axis().Direction());
      const seat = cylinder === null ? null : middleOf(surface);
      const isEnd = cylinder !== null && Math.abs(cylinder.Radius() - circle.Radius()) < SAME;
      const side = seat === null ? 0 : Math.sign(dot(minus(centre, seat), axis));
      rims.push({
        centre,
        axis,
        radius: circle.Radius(),
        middle: xyz(curve.EvalD0((first + last) / 2)),
        angle: last - first,
        normal: normalAt(oc, face, edge, (first + last) / 2),
        out: isEnd && side !== 0 ? (axis.map((part) => part * side) as Vector) : null,
      });
    }
    curve?.delete();
  }
  surface.delete();
  return rims;
}

/** Returns a point in the middle of a cylinder's length. */
function middleOf(surface: InstanceType<OpenCascadeInstance['BRepAdaptor_Surface']>): Vector {
  const u = (surface.FirstUParameter() + surface.LastUParameter()) / 2;
  const v = (surface.FirstVParameter() + surface.LastVParameter()) / 2;
  return xyz(surface.EvalD0(u, v));
}

function normalAt(oc: OpenCascadeInstance, face: TopoDS_Face, edge: TopoDS_Edge, parameter: number): Vector {
  const flat = new oc.BRepAdaptor_Curve2d(edge, face).Value(parameter);
  const surface = new oc.BRepGProp_Face(face, false);
  const at = new oc.gp_Pnt();
  const normal = new oc.gp_Vec();
  surface.Normal(flat.X(), flat.Y(), at, normal);
  const found = xyz(normal);
  const length = Math.hypot(...found);
  surface.delete();
  return length === 0 ? found : (found.map((part) => part / length) as Vector);
}

const xyz = (triple: { X(): number; Y(): number; Z(): number }): Vector => [triple.X(), triple.Y(), triple.Z()];

const dot = (a: Vector, b: Vector) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];

const minus = (a: Vector, b: Vector): Vector => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
