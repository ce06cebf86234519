<?php

declare(strict_types=1);

use Bowline\Exchange\BroughtIn;
use Bowline\Exchange\CatalogueRows;
use Bowline\Exchange\JobArchive;
use Bowline\Exchange\Mesh\MeshReader;
use Bowline\Exchange\Mesh\StlWriter;
use Bowline\Exchange\PastedRows;
use Bowline\Job;
use Bowline\Job\JobError;
use Bowline\Job\JobFile;
use Bowline\Job\Units;
use Bowline\Job\Values;

/*
 * Files that are broken: cut off anywhere, or wrong at one place. They are refused in plain words, or read as far as
 * they go; nothing else happens.
 */

/** @param  array<string, mixed>  $more  over the description of one triangle */
function triangleGlb(array $more = [], int $version = 2): string
{
    $points = pack('g9', 0, 0, 0, 1, 0, 0, 0, 1, 0);
    $json = json_encode([
        'asset' => ['version' => '2.0'], 'scenes' => [['nodes' => [0]]], 'scene' => 0, 'nodes' => [['mesh' => 0]],
        'meshes' => [['primitives' => [['attributes' => ['POSITION' => 0]]]]],
        'buffers' => [['byteLength' => strlen($points)]],
        'bufferViews' => [['buffer' => 0, 'byteLength' => strlen($points)]],
        'accessors' => [['bufferView' => 0, 'componentType' => 5126, 'count' => 3, 'type' => 'VEC3']],
        ...$more,
    ], JSON_THROW_ON_ERROR);
    $json .= str_repeat(' ', (4 - strlen($json) % 4) % 4);

    return pack('a4VV', 'glTF', $version, 12 + 8 + strlen($json) + 8 + strlen($points)).
        pack('Va4', strlen($json), 'JSON').$json.pack('Va4', strlen($points), "BIN\0").$points;
}

/** Text of a drawing with one line of 100. */
const ONE_LINE = "0\nSECTION\n2\nENTITIES\n0\nLINE\n8\n0\n10\n0\n20\n0\n30\n0\n11\n100\n21\n0\n31\n0\n".
    "0\nENDSEC\n0\nEOF\n";

const TWO_BENDS = "bend,straight_mm,rotation_deg,angle_deg,radius_mm\n1,100,0,90,30\n2,80,90,45,30\ntail,60,,,\n";

const TWO_SIZES = "part_number,kind,name,od,wall,radius,min_radius,min_straight,density\n".
    "A,tube,\"Tube, 10\",10,1,30,20,10,7850\nB,hose,Hose,20,4,60,40,0,1500\n";

const ONE_FACET = "solid a\nfacet normal 0 0 1\nouter loop\nvertex 0 0 0\nvertex 1 0 0\nvertex 0 1 0\n".
    "endloop\nendfacet\nendsolid a\n";

const TETRAHEDRON = "v 0 0 0\nv 100 0 0\nv 0 100 0\nv 0 0 100\nf 1 3 2\nf 1 2 4\nf 2 3 4\nf 3 1 4\n";

/** @return array<string, array{string, Closure(string): mixed}> a good file of each format, and who reads it */
function goodFiles(): array
{
    $mesh = static fn (string $name): Closure => static fn (string $bytes) => MeshReader::read($bytes, $name);
    $brought = static fn (string $text) => BroughtIn::of($text, Values::read(null), Units::millimetres());

    return [
        'binary STL' => [StlWriter::write(pack('g9', 0, 0, 0, 1, 0, 0, 0, 1, 0)), $mesh('a.stl')],
        'STL in text' => [ONE_FACET, $mesh('a.stl')],
        'OBJ' => [TETRAHEDRON, $mesh('a.obj')],
        'GLB' => [triangleGlb(), $mesh('a.glb')],
        'DXF' => [ONE_LINE, $brought],
        'bend table' => [TWO_BENDS, $brought],
        'catalogue' => [TWO_SIZES, static fn (string $text) => CatalogueRows::read($text)],
        'pasted rows' => [
            "0\t0\t50\n+x\t200\n-y\t1/2 in\t30\n",
            static fn (string $text) => PastedRows::read($text, Values::read(null), Units::millimetres()),
        ],
        'job file' => [
            '{"format": "bowline-job", "version": 2, "name": "A", "stock": [], "runs": [], "values": {"a": "2 * 3"}}',
            static fn (string $text) => Job::read(JobFile::decode($text)),
        ],
    ];
}

it('reads the file that the others are broken from', function (string $file, Closure $read): void {
    expect($read($file))->not->toBeEmpty();
})->with(goodFiles());

it('reads or refuses a file that is cut off, wherever that is', function (string $file, Closure $read): void {
    for ($length = 0; $length < strlen($file); $length++) {
        try {
            expect($read(substr($file, 0, $length)))->not->toBeNull();
        } catch (JobError $error) {
            expect($error->getMessage())->not->toBe('');
        }
    }
})->with(goodFiles());

it('reads or refuses a file with one byte changed', function (string $file, Closure $read): void {
    mt_srand(3);
    for ($at = 0; $at < strlen($file); $at++) {
        foreach ([0, 255, ord('9'), mt_rand(1, 254)] as $byte) {
            try {
                expect($read(substr_replace($file, chr($byte), $at, 1)))->not->toBeNull();
            } catch (JobError $error) {
                expect($error->getMessage())->not->toBe('');
            }
        }
    }
})->with(goodFiles());

it('refuses what is no file of its kind', function (Closure $read): void {
    expect($read)->toThrow(JobError::class);
})->with([
    'an STL of fewer triangles than it says' => [
        fn () => MeshReader::read(str_repeat(' ', 80).pack('V', 9).str_repeat("\0", 50), 'a.stl'),
    ],
    'an STL with a corner that is no number' => [
        fn () => MeshReader::read(str_replace('vertex 1 0 0', 'vertex one 0 0', ONE_FACET), 'a.stl'),
    ],
    'an OBJ with a face of corners that are not there' => [
        fn () => MeshReader::read(TETRAHEDRON."f 1 2 9\n", 'a.obj'),
    ],
    'an OBJ with a face of two corners' => [fn () => MeshReader::read("v 0 0 0\nv 1 0 0\nf 1 2\n", 'a.obj')],
    'an OBJ of points alone' => [fn () => MeshReader::read("v 0 0 0\nv 1 0 0\nv 0 1 0\n", 'a.obj')],
    'a GLB of another version' => [fn () => MeshReader::read(triangleGlb([], 1), 'a.glb')],
    'a GLB that reads beyond its bytes' => [
        fn () => MeshReader::read(
            triangleGlb([
                'accessors' => [['bufferView' => 0, 'componentType' => 5126, 'count' => 99, 'type' => 'VEC3']],
            ]),
            'a.glb',
        ),
    ],
    'a GLB whose node is its own child' => [
        fn () => MeshReader::read(triangleGlb(['nodes' => [['mesh' => 0, 'children' => [0]]]]), 'a.glb'),
    ],
    'a GLB of a mesh that is not there' => [
        fn () => MeshReader::read(triangleGlb(['nodes' => [['mesh' => 7]]]), 'a.glb'),
    ],
    // Digits alone are an integer as a key of an array in PHP.
    'a job with a value called by a number' => [
        fn () => Job::read(JobFile::decode('{"format": "bowline-job", "version": 2, "values": {"9": 1}}')),
    ],
    'a kind that is not known' => [fn () => MeshReader::read('x', 'a.step')],
    'an archive that is none' => [function (): void {
        $path = (string) tempnam(sys_get_temp_dir(), 'broken');
        file_put_contents($path, "PK\x03\x04 and no more");
        try {
            JobArchive::open($path);
        } finally {
            unlink($path);
        }
    }],
    'an archive without a job' => [function (): void {
        $path = (string) tempnam(sys_get_temp_dir(), 'broken');
        $zip = new ZipArchive;
        $zip->open($path, ZipArchive::CREATE | ZipArchive::OVERWRITE);
        $zip->addFromString('notes.txt', 'nothing');
        $zip->close();
        try {
            JobArchive::open($path);
        } finally {
            unlink($path);
        }
    }],
]);

it('says where in a table it is wrong', function (string $text, string $where): void {
    $said = '';
    try {
        $rows = CatalogueRows::read($text);
        $said = json_encode(get_object_vars($rows), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE);
    } catch (JobError $error) {
        $said = $error->getMessage();
    }
    expect($said)->toContain($where);
})->with([
    'a wall that is no number' => [str_replace(',10,1,30', ',10,thin,30', TWO_SIZES), 'wall'],
    'a wall of more than half' => [str_replace(',10,1,30', ',10,6,30', TWO_SIZES), 'wall'],
    'a kind that there is none of' => [str_replace('A,tube', 'A,rope', TWO_SIZES), 'rope'],
    'a column that is missing' => [str_replace(',od', '', TWO_SIZES), 'od'],
]);
