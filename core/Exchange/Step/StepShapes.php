<?php

declare(strict_types=1);

namespace Bowline\Exchange\Step;

use Bowline\Body\Boundary\ArcCurve;
use Bowline\Body\Boundary\ConeSurface;
use Bowline\Body\Boundary\CurveVisitor;
use Bowline\Body\Boundary\CylinderSurface;
use Bowline\Body\Boundary\Edge;
use Bowline\Body\Boundary\EllipseCurve;
use Bowline\Body\Boundary\Face;
use Bowline\Body\Boundary\LineCurve;
use Bowline\Body\Boundary\OrientedEdge;
use Bowline\Body\Boundary\PlaneSurface;
use Bowline\Body\Boundary\Solid;
use Bowline\Body\Boundary\SphereSurface;
use Bowline\Body\Boundary\SplineCurve;
use Bowline\Body\Boundary\SplineSurface;
use Bowline\Body\Boundary\SurfaceVisitor;
use Bowline\Body\Boundary\TorusSurface;
use Bowline\Body\Boundary\Vertex;
use Bowline\Body\Frame;
use Bowline\Body\Mesh;
use Bowline\Geometry\Vector;

/**
 * Writes solids as boundary representations on exact surfaces (ISO 10303-42); each kind of curve and surface is the
 * entity of its name.
 *
 * @implements CurveVisitor<string>
 * @implements SurfaceVisitor<string>
 */
final class StepShapes implements CurveVisitor, SurfaceVisitor
{
    /** @var array<int, string> references of vertices and edges by their object ids */
    private array $written = [];

    public function __construct(private readonly StepFile $file)
    {
    }

    /** @return string reference of the solid */
    public function solid(Solid $solid): string
    {
        $this->written = [];
        $shells = array_map(
            fn (array $faces): string => $this->file->add(
                "CLOSED_SHELL('',(".implode(',', array_map($this->face(...), $faces)).'))',
            ),
            $solid->shells,
        );
        $name = StepFile::text($solid->name);
        if (count($shells) === 1) {
            return $this->file->add("MANIFOLD_SOLID_BREP($name,$shells[0])");
        }
        // The faces of a void look into it, out of the solid.
        $voids = array_map(
            fn (string $shell): string => $this->file->add("ORIENTED_CLOSED_SHELL('',*,$shell,.T.)"),
            array_slice($shells, 1),
        );

        return $this->file->add("BREP_WITH_VOIDS($name,$shells[0],(".implode(',', $voids).'))');
    }

    /** @return string reference of a triangulated surface set (ISO 10303-42), which AP242 takes for a shape */
    public function triangles(string $name, Mesh $mesh): string
    {
        $count = count($mesh->vertices);
        $corners = implode(',', array_map(
            static fn (Vector $at): string => StepFile::reals($at->toArray()), $mesh->vertices,
        ));
        $list = $this->file->add("COORDINATES_LIST('',$count,($corners))");
        $triangles = implode(',', array_map(
            static fn (array $triangle): string => '('.implode(',', array_map(
                static fn (int $corner): int => $corner + 1, $triangle,
            )).')',
            $mesh->triangles,
        ));

        return $this->file->add(sprintf(
            'TRIANGULATED_SURFACE_SET(%s,%s,%d,(),(),(%s))', StepFile::text($name), $list, $count, $triangles,
        ));
    }

    private function face(Face $face): string
    {
        $bounds = [];
        foreach ($face->loops as $i => $loop) {
            $edges = implode(',', array_map($this->orientedEdge(...), $loop));
            $path = $this->file->add("EDGE_LOOP('',($edges))");
            $bounds[] = $this->file->add(($i === 0 ? 'FACE_OUTER_BOUND' : 'FACE_BOUND')."('',$path,.T.)");
        }

        return $this->file->add(
            "ADVANCED_FACE('',(".implode(',', $bounds).'),'.$face->surface->accept($this).','
            .($face->isAlongNormal ? '.T.' : '.F.').')',
        );
    }

    private function orientedEdge(OrientedEdge $edge): string
    {
        return $this->file->add(
            "ORIENTED_EDGE('',*,*,".$this->edge($edge->edge).','.($edge->isForward ? '.T.' : '.F.').')',
        );
    }

    private function edge(Edge $edge): string
    {
        return $this->written[spl_object_id($edge)] ??= $this->file->add(
            "EDGE_CURVE('',".$this->vertex($edge->start).','.$this->vertex($edge->end).','
            .$edge->curve->accept($this).',.T.)',
        );
    }

    private function vertex(Vertex $vertex): string
    {
        return $this->written[spl_object_id($vertex)] ??= $this->file->add(
            "VERTEX_POINT('',".$this->file->point($vertex->at).')',
        );
    }

    public function line(LineCurve $line): string
    {
        $way = $line->to->minus($line->from);
        $vector = $this->file->add(
            "VECTOR('',".$this->file->direction($way->unit()).','.StepFile::real($way->length()).')',
        );

        return $this->file->add("LINE('',".$this->file->point($line->from).",$vector)");
    }

    public function arc(ArcCurve $arc): string
    {
        return $this->file->add("CIRCLE('',".$this->placement($arc->frame).','.StepFile::real($arc->radius).')');
    }

    public function ellipse(EllipseCurve $ellipse): string
    {
        [$frame, $major, $minor] = $ellipse->axes();

        return $this->file->add(
            "ELLIPSE('',".$this->placement($frame).','.StepFile::real($major).','.StepFile::real($minor).')',
        );
    }

    public function spline(SplineCurve|SplineSurface $spline): string
    {
        return $spline instanceof SplineCurve ? $this->splineCurve($spline) : $this->splineSurface($spline);
    }

    public function plane(PlaneSurface $plane): string
    {
        return $this->file->add("PLANE('',".$this->placement($plane->frame).')');
    }

    public function cylinder(CylinderSurface $cylinder): string
    {
        return $this->file->add(
            "CYLINDRICAL_SURFACE('',".$this->placement($cylinder->frame).','.StepFile::real($cylinder->radius).')',
        );
    }

    public function cone(ConeSurface $cone): string
    {
        return $this->file->add(
            "CONICAL_SURFACE('',".$this->placement($cone->frame).','.StepFile::real($cone->radius).','
            .StepFile::real($cone->halfAngle).')',
        );
    }

    public function torus(TorusSurface $torus): string
    {
        return $this->file->add(
            "TOROIDAL_SURFACE('',".$this->placement($torus->frame).','.StepFile::real($torus->majorRadius).','
            .StepFile::real($torus->minorRadius).')',
        );
    }

    public function sphere(SphereSurface $sphere): string
    {
        return $this->file->add(
            "SPHERICAL_SURFACE('',".$this->placement($sphere->frame).','.StepFile::real($sphere->radius).')',
        );
    }

    private function splineCurve(SplineCurve $curve): string
    {
        $points = $this->points($curve->chain->controlPoints());
        $knots = $curve->chain->knots;

        return $this->file->add(
            "B_SPLINE_CURVE_WITH_KNOTS('',3,$points,.UNSPECIFIED.,.F.,.F.,"
            .self::multiplicities(count($knots), 3, 2).','.StepFile::reals($knots).',.UNSPECIFIED.)',
        );
    }

    private function splineSurface(SplineSurface $surface): string
    {
        $rows = implode(',', array_map($this->points(...), $surface->controlPoints));
        $isClosed = $surface->controlPoints[0] === $surface->controlPoints[count($surface->controlPoints) - 1];
        $weights = implode(',', array_map(
            static fn (float $weight): string => StepFile::reals(array_fill(
                0, count($surface->controlPoints[0]), $weight,
            )),
            $surface->weights,
        ));
        $degree = $surface->profileDegree;

        return $this->file->add(
            "(BOUNDED_SURFACE()B_SPLINE_SURFACE($degree,3,($rows),.UNSPECIFIED.,".($isClosed ? '.T.' : '.F.')
            .',.F.,.F.)B_SPLINE_SURFACE_WITH_KNOTS('
            .self::multiplicities(count($surface->profileKnots), $degree, $degree).','
            .self::multiplicities(count($surface->pathKnots), 3, 2).','.StepFile::reals($surface->profileKnots).','
            .StepFile::reals($surface->pathKnots).',.UNSPECIFIED.)GEOMETRIC_REPRESENTATION_ITEM()'
            ."RATIONAL_B_SPLINE_SURFACE(($weights))REPRESENTATION_ITEM('')SURFACE())",
        );
    }

    /** @param  list<Vector>  $points */
    private function points(array $points): string
    {
        return '('.implode(',', array_map($this->file->point(...), $points)).')';
    }

    /** Returns how often each distinct knot counts: once more than the degree at both ends. */
    private static function multiplicities(int $knots, int $degree, int $between): string
    {
        return '('.implode(',', [$degree + 1, ...array_fill(0, $knots - 2, $between), $degree + 1]).')';
    }

    private function placement(Frame $frame): string
    {
        return $this->file->add(
            "AXIS2_PLACEMENT_3D('',".$this->file->point($frame->at).','.$this->file->direction($frame->along).','
            .$this->file->direction($frame->first).')',
        );
    }
}
