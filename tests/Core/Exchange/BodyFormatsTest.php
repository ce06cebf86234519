<?php

declare(strict_types=1);

use Bowline\Body\MassProperties;
use Bowline\Body\Mesh;
use Bowline\Exchange\Body\BodyFormats;
use Bowline\Exchange\Body\GlbWriter;
use Bowline\Exchange\Body\ObjWriter;
use Bowline\Exchange\Body\StlWriter;
use Bowline\Exchange\Body\ThreeMfWriter;
use Bowline\Exchange\ExactPart;
use Bowline\Exchange\Mesh\GlbReader;
use Bowline\Exchange\Mesh\ObjReader;
use Bowline\Exchange\Mesh\StlReader;
use Bowline\Exchange\MeshPart;
use Bowline\Exchange\Part;
use Bowline\Exchange\Parts;
use Bowline\Exchange\Step\StepFile;
use Bowline\Exchange\Step\StepWriter;
use Bowline\Exchange\ZipText;
use Bowline\Geometry\Pose;
use Bowline\Geometry\Vector;
use Bowline\Job\JobError;
use Bowline\Job\Shape\Triangles;
use Tests\Jobs;

/** @return list<ExactPart> two, one with a name that formats have to take care of */
function namedParts(): array
{
    $file = Jobs::file([['at' => [0, 0, 250]]], ['at' => [300, 0, 250]]);
    $file->runs[0]->name = "Öl <\"feed\"> & O'Neill\\1";

    return [
        Parts::of(Jobs::solve($file), '/runs/0')[0],
        Parts::of(Jobs::solve(Jobs::file([['at' => [0, 0, 150]]], ['at' => [200, 0, 150]])), '/runs/1')[0],
    ];
}

/** Volume of loose triangles, mm³, by the divergence theorem. */
function packedVolume(Triangles $triangles): float
{
    $sum = 0.0;
    $floats = array_values((array) unpack('g*', $triangles->packed));
    foreach (array_chunk($floats, 9) as [$a, $b, $c, $d, $e, $f, $g, $h, $i]) {
        $sum += $a * ($e * $i - $f * $h) - $b * ($d * $i - $f * $g) + $c * ($d * $h - $e * $g);
    }

    return $sum / 6;
}

it('says the same in every format of triangles', function (string $format, Closure $read): void {
    $parts = namedParts();
    $volume = array_sum(
        array_map(static fn (ExactPart $part): float => MassProperties::of($part->solid)->volume, $parts),
    );
    $triangles = array_sum(array_map(static fn (Part $part): int => count($part->mesh(0.02)->triangles), $parts));
    $packed = $read($format::write('Two', $parts, 0.02));
    expect(strlen($packed->packed))->toBe(36 * $triangles)
        // A wall of 1.5 loses up to half a chord of 0.02 on either side.
        ->and(packedVolume($packed) / $volume)->toEqualWithDelta(1, 0.01);
})->with([
    'STL' => [StlWriter::class, StlReader::binary(...)],
    'OBJ' => [ObjWriter::class, ObjReader::read(...)],
    'GLB' => [GlbWriter::class, GlbReader::read(...)],
]);

it('gives the same bytes for the same parts, and every format has an ending of its own', function (): void {
    $endings = [];
    foreach (BodyFormats::ALL as $format) {
        expect($format::write('Two', namedParts(), 0.1))->toBe($format::write('Two', namedParts(), 0.1))
            ->and(BodyFormats::find($format::ending()))
            ->toBe($format)
            ->and($format::mediaType())
            ->toStartWith('model/');
        $endings[] = $format::ending();
    }
    expect(array_unique($endings))->toHaveCount(count(BodyFormats::ALL))
        ->and(BodyFormats::find('dwg'))->toBeNull();
});

it('keeps names and colours', function (): void {
    $parts = namedParts();
    $name = $parts[0]->name;
    $glb = GlbWriter::write('Two', $parts, 0.5);
    $length = ((array) unpack('V', $glb, 12))[1];
    $gltf = json_decode(substr($glb, 20, $length), true, 64, JSON_THROW_ON_ERROR);
    expect(array_column($gltf['nodes'], 'name'))->toBe(['Two', $name, 'run'])
        // 0.60 of sRGB is 0.3185 of linear light: ((0.6 + 0.055) / 1.055)^2.4.
        ->and($gltf['materials'][0]['pbrMetallicRoughness']['baseColorFactor'][0])->toEqualWithDelta(0.3185, 1e-4)
        ->and(ObjWriter::write('Two', $parts, 0.5))->toContain("\no $name\n")->toContain(' 0.600 0.640 0.660')
        // ISO 10303-21: Ö is \X2\00D6\X0\, apostrophes and backslashes are doubled.
        ->and(StepWriter::write('Two', $parts, 0.5))
        ->toContain("'\\X2\\00D6\\X0\\l <\"feed\"> & O''Neill\\\\1'")->toContain("COLOUR_RGB('',0.6,0.64,0.66)");
});

it('writes 3MF as a package of one model', function (): void {
    $parts = namedParts();
    $path = (string) tempnam(sys_get_temp_dir(), '3mf');
    file_put_contents($path, ThreeMfWriter::write('Two', $parts, 0.1));
    $zip = new ZipArchive;
    expect($zip->open($path, ZipArchive::CHECKCONS))->toBeTrue();
    $names = array_map(static fn (int $i): string => (string) $zip->getNameIndex($i), range(0, $zip->numFiles - 1));
    expect($names)->toBe(['[Content_Types].xml', '_rels/.rels', '3D/3dmodel.model']);
    $model = simplexml_load_string((string) $zip->getFromName('3D/3dmodel.model'));
    unlink($path);
    if ($model === false) {
        throw new LogicException;
    }
    $model->registerXPathNamespace('m', 'http://schemas.microsoft.com/3dmanufacturing/core/2015/02');
    $objects = $model->xpath('//m:object') ?: [];
    expect((string) $model['unit'])->toBe('millimeter')
        ->and($objects)->toHaveCount(2)
        ->and((string) $objects[0]['name'])->toBe($parts[0]->name)
        ->and(array_map('strval', $model->xpath('//m:base/@displaycolor') ?: []))->toBe(['#99A3A8', '#99A3A8'])
        ->and($model->xpath('//m:build/m:item') ?: [])->toHaveCount(2);
    foreach ($objects as $i => $object) {
        $mesh = $parts[$i]->mesh(0.1);
        $object->registerXPathNamespace('m', 'http://schemas.microsoft.com/3dmanufacturing/core/2015/02');
        expect($object->xpath('.//m:vertex') ?: [])->toHaveCount(count($mesh->vertices));
        $triangles = $object->xpath('.//m:triangle') ?: [];
        expect($triangles)->toHaveCount(count($mesh->triangles))
            ->and([(int) $triangles[7]['v1'], (int) $triangles[7]['v2'], (int) $triangles[7]['v3']])
            ->toBe($mesh->triangles[7]);
    }
});

/** @return list<string> what the schema of 3MF has against a model */
function wrongWithModel(string $model): array
{
    libxml_use_internal_errors(true);
    libxml_clear_errors();
    $document = new DOMDocument;
    $document->loadXML($model);
    $document->schemaValidate('tests/schemas/3mf-core.xsd');

    return array_map(static fn (LibXMLError $error): string => $error->message, libxml_get_errors());
}

function modelOf(array $parts): string
{
    $path = (string) tempnam(sys_get_temp_dir(), '3mf');
    file_put_contents($path, ThreeMfWriter::write('Two <&>', $parts, 0.5));
    $model = (string) file_get_contents("zip://$path#3D/3dmodel.model");
    unlink($path);

    return $model;
}

it('writes 3MF that keeps to its schema, which notices what does not', function (): void {
    $sheet = Mesh::ofTriangles(pack('g*', 0, 0, 0, 50, 0, 0, 0, 50, 0), Pose::at(Vector::zero()));
    $model = modelOf([...namedParts(), new MeshPart('sheet', 'A sheet', $sheet, [0.5, 0.5, 0.5])]);
    expect(wrongWithModel($model))->toBe([])->and(wrongWithModel(modelOf([])))->toBe([])
        ->and(substr_count($model, 'type="model"'))->toBe(2)->and(substr_count($model, 'type="surface"'))->toBe(1);
    foreach ([
        'unit="millimeter"' => 'unit="millimetre"', 'objectid="2"' => 'objectid="0"', '#99A3A8' => '99A3A8',
        'v1="' => 'v0="', '<build>' => '<built/><build>', 'id="3"' => 'id="2"', 'name="Title"' => 'name="Headline"',
    ] as $right => $wrong) {
        expect(wrongWithModel(str_replace($right, $wrong, $model)))->not->toBe([]);
    }
});

it('writes every number of STEP with a point', function (float $number, string $text): void {
    expect(StepFile::real($number))->toBe($text);
})->with([[1.0, '1.0'], [-0.0, '0.0'], [0.1, '0.1'], [1e-20, '1.0E-20'], [-12.75, '-12.75'], [1e21, '1.0E+21']]);

it('makes a ZIP that holds what was put in', function (): void {
    $texts = ['ä/one.txt' => str_repeat('abc', 5000), 'empty' => ''];
    $path = (string) tempnam(sys_get_temp_dir(), 'zip');
    file_put_contents($path, ZipText::of($texts));
    $zip = new ZipArchive;
    expect($zip->open($path, ZipArchive::CHECKCONS))->toBeTrue();
    foreach ($texts as $name => $text) {
        expect($zip->getFromName($name))->toBe($text);
    }
    unlink($path);
});

it('never writes a body that folds over, and says why', function (): void {
    // R 6 in tube 12: the inside of the bend has no length.
    $file = Jobs::file([['at' => [0, 0, 250], 'corner' => ['radius' => 6]]], ['at' => [300, 0, 250]]);
    expect(fn () => Parts::of(Jobs::solve($file), '/runs/0'))
        ->toThrow(JobError::class, 'the body of run folds over and is not written: ');
});
