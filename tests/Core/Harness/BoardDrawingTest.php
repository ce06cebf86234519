<?php

declare(strict_types=1);

use Bowline\Drawing\Plan\Plan;
use Bowline\Exchange\Plan\Boards;
use Bowline\Exchange\Plan\PlanDxf;
use Bowline\Exchange\Plan\PlanPdf;
use Bowline\Exchange\Plan\PlanSvg;
use Bowline\Job;
use Bowline\Job\JobError;
use Tests\Cases;
use Tests\Harnesses;

/*
 * The board as it is written: at full size in every format. A trunk of 1000 and a branch of 300 on it.
 */
$plan = static function (array $harness = []): Plan {
    $branch = Harnesses::trunk('t2', ['on' => ['run' => 't1', 'length' => 400], 'axis' => [0, 0, 1]], [
        'port' => 'lamp.L',
    ]);
    $file = Harnesses::file(
        ['wires' => [
            Harnesses::wire('W1', 'panel.X.1', 'lamp.L.1', ['signal' => 'Licht für Lüüt <&>']),
            Harnesses::wire('W2', 'panel.X.2', 'pump.M.1'),
        ], ...$harness], [$branch], [Harnesses::connector('lamp', 'L', [400, 0, 300], ['1'])],
    );

    return Boards::plan(Harnesses::solved($file), Job::read($file)->site->units);
};

/** @return list<float> lengths of the lines of a stroke width in the pages of a PDF, mm */
function linesInPdf(string $pdf, float $least): array
{
    $lengths = [];
    preg_match_all('/stream\r?\n(.*?)\r?\nendstream/s', $pdf, $streams);
    foreach ($streams[1] as $stream) {
        $text = str_starts_with($stream, "\x78") ? gzuncompress($stream) : '';
        $number = '(-?[\d.]+)';
        preg_match_all(
            "/$number $number m\s+$number $number l\s+S/", is_string($text) ? $text : '', $found,
        );
        foreach (array_keys($found[0]) as $i) {
            $length = hypot(
                (float) $found[3][$i] - (float) $found[1][$i], (float) $found[4][$i] - (float) $found[2][$i],
            ) * 25.4 / 72;
            if ($length > $least) {
                $lengths[] = round($length, 2);
            }
        }
    }

    return $lengths;
}

it('is as large in SVG as on the board, a unit a millimetre', function () use ($plan): void {
    $drawing = $plan();
    $svg = simplexml_load_string(PlanSvg::write($drawing)) ?: throw new LogicException;
    $lengths = [];
    foreach ($svg->line as $line) {
        if ((float) $line['stroke-width'] > 1.5) {
            $lengths[] = hypot(
                (float) $line['x2'] - (float) $line['x1'], (float) $line['y2'] - (float) $line['y1'],
            );
        }
    }
    sort($lengths);

    expect($lengths)->toEqualWithDelta([300, 400, 600], 1e-5)
        ->and((string) $svg['width'])->toBe(round($drawing->width, 6).'mm')
        ->and((string) $svg['viewBox'])->toEndWith(round($drawing->width, 6).' '.round($drawing->height, 6))
        ->and(implode(' ', array_map(strval(...), iterator_to_array($svg->text, false))))
        ->toContain('Licht für Lüüt <&>')->toContain('panel.X')->toContain('300 mm');
});

it('is as long in DXF', function () use ($plan): void {
    $dxf = PlanDxf::write($plan());
    preg_match_all('/  0\r\nLINE\r\n.*?  8\r\nTRUNKS\r\n.*?(?=  0\r\n)/s', $dxf, $lines);
    $lengths = array_map(static function (string $line): float {
        preg_match_all('/ (10|20|11|21)\r\n(-?[\d.]+)/', $line, $found);
        $at = array_combine($found[1], array_map(floatval(...), $found[2]));

        return hypot($at[11] - $at[10], $at[21] - $at[20]);
    }, $lines[0]);
    sort($lengths);

    expect($lengths)->toEqualWithDelta([300, 400, 600], 1e-5)
        ->and($dxf)->toContain('Licht f\U+00FCr');
});

it('is as long in PDF, on one sheet and on tiles', function () use ($plan): void {
    $drawing = $plan();
    $one = PlanPdf::write($drawing, 'one');
    preg_match_all('/\/MediaBox \[0\.0+ 0\.0+ ([\d.]+) ([\d.]+)\]/', $one, $box);
    $long = linesInPdf($one, 250.0);
    sort($long);

    expect($long)->toEqualWithDelta([300, 400, 600], 0.02)
        ->and(array_map(floatval(...), [$box[1][0], $box[2][0]]))
        ->toEqualWithDelta([$drawing->width * 72 / 25.4, $drawing->height * 72 / 25.4], 0.02);
    $tiles = PlanPdf::write($drawing, 'a4');
    // A4 across, less 8 of border on each side and 10 that neighbours have in common.
    $count = ceil($drawing->width / (297 - 26)) * ceil($drawing->height / (210 - 26));
    expect(substr_count($tiles, '/Type /Page'."\n") + substr_count($tiles, '/Type /Page '))->toBe((int) $count)
        ->and(array_unique(linesInPdf($tiles, 250.0)))->each->toBeIn([300.0, 400.0, 600.0]);
});

it('says which papers there are, and what is too large', function () use ($plan): void {
    expect(fn () => PlanPdf::write($plan(), 'a9'))->toThrow(JobError::class, 'there is no paper “a9”')
        ->and(fn () => PlanPdf::write(new Plan('Long', 9000.0, 300.0, []), 'one'))
        ->toThrow(JobError::class, 'it is 9000 × 300 mm, and a sheet of PDF is 5080 mm at most: print it on tiles');
});

it('comes out of the command line', function (): void {
    $path = (string) tempnam(sys_get_temp_dir(), 'job');
    file_put_contents($path, json_encode(Harnesses::file(), JSON_THROW_ON_ERROR));
    [$exit, $svg] = Cases::bowline('board', $path);
    [, $dxf] = Cases::bowline('board', $path, '--as', 'dxf', '--longest', '400');
    [, $pdf] = Cases::bowline('board', $path, '--as', 'pdf', '--paper', 'a3');
    [$wrong, , $said] = Cases::bowline('board', $path, '--as', 'dwg');
    [$short] = Cases::bowline('board', $path, '--longest', '3');
    unlink($path);

    expect([$exit, $wrong, $short])->toBe([0, 2, 2])->and($svg)->toStartWith('<svg ')
        ->and(substr_count($dxf, "\r\nTRUNKS\r\n"))->toBe(3)->and($pdf)->toStartWith('%PDF-')
        ->and($said)->toContain('there is no format “dwg”');
});

it('is at full size where it is printed', function () use ($plan): void {
    $path = (string) tempnam(sys_get_temp_dir(), 'board');
    file_put_contents($path, PlanPdf::write($plan(), 'one'));
    // Two pixels a millimetre, read back as other programs read it.
    exec(sprintf('pdftoppm -r 50.8 -gray %s %s', escapeshellarg($path), escapeshellarg($path)), $out, $code);
    exec(sprintf('pdftotext -bbox %s -', escapeshellarg($path)), $words);
    $image = glob($path.'-*.pgm') ?: [];
    preg_match('/^P5\s+(\d+)\s+(\d+)\s+255\s(.*)$/s', (string) file_get_contents($image[0] ?? ''), $found);
    $longest = 0;
    foreach (str_split($found[3] ?? '', max(1, (int) ($found[1] ?? 1))) as $row) {
        // The trunk of 1000 is the longest that is dark, with the marks of connectors of 4.5 about both ends.
        preg_match_all('/[\x00-\x78]+/', $row, $dark);
        $longest = max($longest, ...array_map(strlen(...), $dark[0] === [] ? [''] : $dark[0]));
    }
    array_map(unlink(...), [$path, ...$image]);
    $text = strip_tags(implode(' ', $words));

    expect($code)->toBe(0)->and($longest / 2)->toEqualWithDelta(1009, 1.0)
        ->and($text)->toContain('T1')->toContain('600')->toContain('400')->toContain('panel.X');
});
