<?php

declare(strict_types=1);

namespace Tests\Fuzz;

use Bowline\Exchange\BroughtIn;
use Bowline\Exchange\CatalogueRows;
use Bowline\Exchange\JobArchive;
use Bowline\Exchange\Mesh\MeshReader;
use Bowline\Exchange\Mesh\StlWriter;
use Bowline\Exchange\PastedRows;
use Bowline\Job;
use Bowline\Job\Units;
use Bowline\Job\Values;
use ZipArchive;

/** Drawings, tables, catalogues and meshes with something wrong in them. */
final class BroughtInFiles extends Fuzzer
{
    private const DXF = "0\nSECTION\n2\nHEADER\n9\n\$INSUNITS\n70\n4\n0\nENDSEC\n0\nSECTION\n2\nENTITIES\n0\n".
        "LINE\n8\n0\n10\n0\n20\n0\n30\n0\n11\n100\n21\n0\n31\n0\n0\nARC\n8\n0\n10\n100\n20\n30\n".
        "30\n0\n40\n30\n50\n270\n51\n0\n0\nLWPOLYLINE\n70\n0\n10\n0\n20\n0\n42\n0.4\n10\n50\n20\n".
        "10\n0\nENDSEC\n0\nEOF\n";

    private const CSV = "part_number,kind,name,od,wall,radius,min_radius,min_straight,density\n".
        "A,tube,\"Tube, 10\",10,1,30,20,10,7850\nB,hose,Hose,20,4,60,40,0,1500\n";

    private const BENDS = "bend,straight_mm,rotation_deg,angle_deg,radius_mm\n1,100,0,90,30\n2,80,90,45,30\n".
        "tail,60,,,\n";

    private const OBJ = "v 0 0 0\nv 100 0 0\nv 0 100 0\nv 0 0 100\nf 1 2 3\nf 1/1/1 3//2 4\nf -1 -2 -3\n";

    private const STL = "solid a\nfacet normal 0 0 1\nouter loop\nvertex 0 0 0\nvertex 1 0 0\nvertex 0 1 0\n".
        "endloop\nendfacet\nendsolid a\n";

    public function attempt(int $seed): void
    {
        $values = Values::read(null);
        $units = mt_rand(0, 1) === 0 ? Units::millimetres() : Units::inches(16);
        match ($seed % 7) {
            0 => BroughtIn::of(self::spoilt(self::DXF), $values, $units),
            1 => BroughtIn::of(self::spoilt(self::BENDS), $values, $units),
            2 => CatalogueRows::read(self::spoilt(self::CSV)),
            3 => PastedRows::read(self::spoilt("0\t0\t50\n+x\t200\n-y\t1/2 in\t30\n"), $values, $units),
            4 => MeshReader::read(
                self::spoilt(mt_rand(0, 1) === 0 ? self::OBJ : self::STL),
                'a.'.(mt_rand(0, 1) === 0 ? 'obj' : 'stl'),
            ),
            5 => MeshReader::read(self::spoilt(self::glb()), 'a.glb'),
            default => self::openArchive(),
        };
    }

    /** A ZIP of a job and a mesh: the files in it spoilt, or the ZIP itself. */
    private static function openArchive(): void
    {
        $job =
            '{"format": "bowline-job", "version": 2, "surroundings": [{"id": "a", "shape": "mesh", "mesh": "bed",'.
            ' "extent": [[-9, -9, -9], [9, 9, 9]]}]}';
        $stl = StlWriter::write(pack('g9', 0, 0, 0, 1, 0, 0, 0, 1, 0));
        $path = (string) tempnam(sys_get_temp_dir(), 'fuzz');
        try {
            $zip = new ZipArchive;
            $zip->open($path, ZipArchive::CREATE | ZipArchive::OVERWRITE);
            $zip->addFromString('job.json', mt_rand(0, 1) === 0 ? $job : self::spoilt($job));
            $zip->addFromString('meshes/bed.stl', mt_rand(0, 1) === 0 ? $stl : self::spoilt($stl));
            $zip->close();
            file_put_contents(
                $path,
                mt_rand(0, 1) === 0
                    ? (string) file_get_contents($path)
                    : self::spoilt((string) file_get_contents($path)),
            );
            Job::read(JobArchive::open($path));
        } finally {
            unlink($path);
        }
    }

    /** Bytes changed, taken out, doubled or put in; whole lines too, and a byte order mark. */
    private static function spoilt(string $text): string
    {
        for ($i = mt_rand(0, 6); $i > 0; $i--) {
            $at = mt_rand(0, strlen($text));
            $text = match (mt_rand(0, 7)) {
                0 => substr($text, 0, $at).chr(mt_rand(0, 255)).substr($text, $at + 1),
                1 => substr($text, 0, $at).substr($text, $at + mt_rand(1, 20)),
                2 => substr($text, 0, $at).substr($text, max(0, $at - 30)),
                3 => substr($text, 0, $at).
                    ['1e999', 'NaN', '-1', '""', ';', "\r", "\0", '9999999999999999999', '1e-320'][mt_rand(0, 8)].
                    substr($text, $at),
                4 => "\u{feff}".$text,
                5 => substr($text, 0, $at),
                6 => implode("\n", array_reverse(explode("\n", $text))),
                default => str_replace(['0', '1'], ['7', '-3e5'], $text),
            };
        }

        return $text;
    }

    private static function glb(): string
    {
        $points = pack('g9', 0, 0, 0, 1, 0, 0, 0, 1, 0);
        $json = json_encode(
            [
                'asset' => ['version' => '2.0'],
                'scenes' => [['nodes' => [0]]],
                'scene' => 0,
                'nodes' => [['mesh' => 0, 'children' => mt_rand(0, 3) === 0 ? [0] : []]],
                'meshes' => [['primitives' => [['attributes' => ['POSITION' => 0]]]]],
                'buffers' => [['byteLength' => strlen($points)]],
                'bufferViews' => [['buffer' => 0, 'byteLength' => strlen($points)]],
                'accessors' => [['bufferView' => 0, 'componentType' => 5126, 'count' => 3, 'type' => 'VEC3']],
            ],
            JSON_THROW_ON_ERROR,
        );
        $json .= str_repeat(' ', (4 - strlen($json) % 4) % 4);

        return pack('a4VV', 'glTF', 2, 12 + 8 + strlen($json) + 8 + strlen($points)).
            pack('Va4', strlen($json), 'JSON').
            $json.
            pack('Va4', strlen($points), "BIN\0").
            $points;
    }
}
