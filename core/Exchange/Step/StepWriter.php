<?php

declare(strict_types=1);

namespace Bowline\Exchange\Step;

use Bowline\Exchange\Body\BodyFormat;
use Bowline\Exchange\Part;
use Bowline\Geometry\Vector;

/**
 * Writes parts and the assembly of them as STEP (ISO 10303-21, application protocol 242): millimetres, each part a
 * product of its own with its solid, its name and its colour, placed where it stands in the job. The same parts give
 * the same bytes.
 */
final class StepWriter implements BodyFormat
{
    private const SCHEMA = 'AP242_MANAGED_MODEL_BASED_3D_ENGINEERING_MIM_LF { 1 0 10303 442 1 1 4 }';

    /** Distance below which points of the file are one, mm. */
    private const UNCERTAINTY = 1e-6;

    private readonly StepFile $file;

    private readonly StepShapes $shapes;

    private readonly string $productContext;

    private readonly string $definitionContext;

    private readonly string $context;

    private readonly string $origin;

    private function __construct()
    {
        $this->file = $file = new StepFile;
        $this->shapes = new StepShapes($file);
        $application = $file->add("APPLICATION_CONTEXT('managed model based 3d engineering')");
        $file->add(
            "APPLICATION_PROTOCOL_DEFINITION('international standard','ap242_managed_model_based_3d_engineering',2014,"
            .$application.')',
        );
        $this->productContext = $file->add("PRODUCT_CONTEXT('',$application,'mechanical')");
        $this->definitionContext = $file->add("PRODUCT_DEFINITION_CONTEXT('part definition',$application,'design')");
        $length = $file->add('(LENGTH_UNIT()NAMED_UNIT(*)SI_UNIT(.MILLI.,.METRE.))');
        $angle = $file->add('(NAMED_UNIT(*)PLANE_ANGLE_UNIT()SI_UNIT($,.RADIAN.))');
        $solidAngle = $file->add('(NAMED_UNIT(*)SI_UNIT($,.STERADIAN.)SOLID_ANGLE_UNIT())');
        $uncertainty = $file->add(sprintf(
            "UNCERTAINTY_MEASURE_WITH_UNIT(LENGTH_MEASURE(%s),%s,'distance_accuracy_value','')",
            StepFile::real(self::UNCERTAINTY), $length,
        ));
        $this->context = $file->add(
            "(GEOMETRIC_REPRESENTATION_CONTEXT(3)GLOBAL_UNCERTAINTY_ASSIGNED_CONTEXT(($uncertainty))"
            ."GLOBAL_UNIT_ASSIGNED_CONTEXT(($length,$angle,$solidAngle))REPRESENTATION_CONTEXT('',''))",
        );
        $this->origin = $this->placement();
    }

    public static function ending(): string
    {
        return 'step';
    }

    public static function mediaType(): string
    {
        return 'model/step';
    }

    public static function write(string $name, iterable $parts, float $chord): string
    {
        $writer = new self;
        $writer->assembly($name, is_array($parts) ? array_values($parts) : iterator_to_array($parts, false));

        return "ISO-10303-21;\nHEADER;\nFILE_DESCRIPTION(('Bodies of runs'),'2;1');\n"
            .'FILE_NAME('.StepFile::text($name).",'',(''),(''),'Bowline','Bowline','');\n"
            ."FILE_SCHEMA(('".self::SCHEMA."'));\nENDSEC;\nDATA;\n".$writer->file->data()
            ."ENDSEC;\nEND-ISO-10303-21;\n";
    }

    /** @param  list<Part>  $parts */
    private function assembly(string $name, array $parts): void
    {
        $definition = $this->product('assembly', $name);
        $placements = array_map(fn (): string => $this->placement(), $parts);
        $whole = $this->file->add(sprintf(
            "SHAPE_REPRESENTATION('',(%s),%s)", implode(',', [$this->origin, ...$placements]), $this->context,
        ));
        $this->shape($definition, $whole);
        $styled = [];
        foreach ($parts as $i => $part) {
            [$representation, $item] = $part->step($this->shapes);
            $styled[] = $this->styled($item, $part->colour);
            $own = $this->product($part->id, $part->name);
            $shape = $this->file->add(sprintf(
                '%s(%s,(%s,%s),%s)',
                $representation, StepFile::text($part->name), $this->origin, $item, $this->context,
            ));
            $this->shape($own, $shape);
            $this->place($part, $definition, $own, $whole, $shape, $placements[$i]);
        }
        if ($styled !== []) {
            $this->file->add(sprintf(
                "MECHANICAL_DESIGN_GEOMETRIC_PRESENTATION_REPRESENTATION('',(%s),%s)",
                implode(',', $styled), $this->context,
            ));
        }
    }

    /** @return string reference of its definition */
    private function product(string $id, string $name): string
    {
        $product = $this->file->add(sprintf(
            "PRODUCT(%s,%s,'',(%s))", StepFile::text($id), StepFile::text($name), $this->productContext,
        ));
        $this->file->add("PRODUCT_RELATED_PRODUCT_CATEGORY('part','',($product))");
        $formation = $this->file->add("PRODUCT_DEFINITION_FORMATION('','',$product)");

        return $this->file->add("PRODUCT_DEFINITION('design','',$formation,$this->definitionContext)");
    }

    private function shape(string $definition, string $representation): void
    {
        $shape = $this->file->add("PRODUCT_DEFINITION_SHAPE('','',$definition)");
        $this->file->add("SHAPE_DEFINITION_REPRESENTATION($shape,$representation)");
    }

    private function place(
        Part $part,
        string $assembly,
        string $own,
        string $whole,
        string $shape,
        string $placement,
    ): void {
        $occurrence = $this->file->add(sprintf(
            "NEXT_ASSEMBLY_USAGE_OCCURRENCE(%s,%s,'',%s,%s,$)",
            StepFile::text($part->id), StepFile::text($part->name), $assembly, $own,
        ));
        $definition = $this->file->add("PRODUCT_DEFINITION_SHAPE('','',$occurrence)");
        $transformation = $this->file->add("ITEM_DEFINED_TRANSFORMATION('','',$this->origin,$placement)");
        $relation = $this->file->add(
            "(REPRESENTATION_RELATIONSHIP('','',$shape,$whole)"
            ."REPRESENTATION_RELATIONSHIP_WITH_TRANSFORMATION($transformation)SHAPE_REPRESENTATION_RELATIONSHIP())",
        );
        $this->file->add("CONTEXT_DEPENDENT_SHAPE_REPRESENTATION($relation,$definition)");
    }

    /** @param  array{float, float, float}  $colour */
    private function styled(string $solid, array $colour): string
    {
        $rgb = $this->file->add("COLOUR_RGB('',".implode(',', array_map(StepFile::real(...), $colour)).')');
        $fill = $this->file->add("FILL_AREA_STYLE_COLOUR('',$rgb)");
        $area = $this->file->add("FILL_AREA_STYLE('',($fill))");
        $surface = $this->file->add("SURFACE_STYLE_FILL_AREA($area)");
        $side = $this->file->add("SURFACE_SIDE_STYLE('',($surface))");
        $usage = $this->file->add("SURFACE_STYLE_USAGE(.BOTH.,$side)");
        $style = $this->file->add("PRESENTATION_STYLE_ASSIGNMENT(($usage))");

        return $this->file->add("STYLED_ITEM('',($style),$solid)");
    }

    private function placement(): string
    {
        return $this->file->add(
            "AXIS2_PLACEMENT_3D('',".$this->file->point(Vector::zero()).','
            .$this->file->direction(new Vector(0.0, 0.0, 1.0)).','
            .$this->file->direction(new Vector(1.0, 0.0, 0.0)).')',
        );
    }
}
