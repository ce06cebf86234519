<?php

declare(strict_types=1);

use Bowline\Drawing\Plan\Plan;
use Bowline\Drawing\Plan\PlanImage;
use Bowline\Exchange\Plan\PlanDxf;
use Bowline\Exchange\Plan\PlanPdf;
use Bowline\Exchange\Plan\PlanSvg;
use Bowline\Job;
use Bowline\Job\JobError;
use Tests\Cases;
use Tests\Jobs;
use Tests\Sheets;

/*
 * What is told of all drawings of a job: the logo of its owner, and how far bent parts may be off. The pictures are
 * 24 × 12 pixels, written by Ghostscript.
 */

const LOGO = '/9j/4AAQSkZJRgABAQEASABIAAD/2wBDABALDA4MChAODQ4SERATGCgaGBYWGDEjJR0oOjM9PDkzODdASFxOQERXRTc4UG1RV19i'
    .'Z2hnPk1xeXBkeFxlZ2P/2wBDARESEhgVGC8aGi9jQjhCY2NjY2NjY2NjY2NjY2NjY2NjY2NjY2NjY2NjY2NjY2NjY2NjY2NjY2Nj'
    .'Y2NjY2NjY2P/wAARCAAMABgDASIAAhEBAxEB/8QAHwAAAQUBAQEBAQEAAAAAAAAAAAECAwQFBgcICQoL/8QAtRAAAgEDAwIEAwUF'
    .'BAQAAAF9AQIDAAQRBRIhMUEGE1FhByJxFDKBkaEII0KxwRVS0fAkM2JyggkKFhcYGRolJicoKSo0NTY3ODk6Q0RFRkdISUpTVFVW'
    .'V1hZWmNkZWZnaGlqc3R1dnd4eXqDhIWGh4iJipKTlJWWl5iZmqKjpKWmp6ipqrKztLW2t7i5usLDxMXGx8jJytLT1NXW19jZ2uHi'
    .'4+Tl5ufo6erx8vP09fb3+Pn6/8QAHwEAAwEBAQEBAQEBAQAAAAAAAAECAwQFBgcICQoL/8QAtREAAgECBAQDBAcFBAQAAQJ3AAEC'
    .'AxEEBSExBhJBUQdhcRMiMoEIFEKRobHBCSMzUvAVYnLRChYkNOEl8RcYGRomJygpKjU2Nzg5OkNERUZHSElKU1RVVldYWVpjZGVm'
    .'Z2hpanN0dXZ3eHl6goOEhYaHiImKkpOUlZaXmJmaoqOkpaanqKmqsrO0tba3uLm6wsPExcbHyMnK0tPU1dbX2Nna4uPk5ebn6Onq'
    .'8vP09fb3+Pn6/9oADAMBAAIRAxEAPwDW8O6Bp13o8NzcwGWWQsSS7DGCRgYI9K5zXrSKx1i4toAREhBUE5xkA4/Wiz1vUbGAQW1y'
    .'UiBJClVbH0yOKp3FxLdTvPO5klc5Zj3r0YxkpNt6HHKUXFJIjooorUg//9k=';

const CMYK_LOGO = '/9j/2wBDABALDA4MChAODQ4SERATGCgaGBYWGDEjJR0oOjM9PDkzODdASFxOQERXRTc4UG1RV19iZ2hnPk1xeXBkeFxlZ2P/wAAU'
    .'CAAMABgEQxEATREAWREASxEA/8QAHwAAAQUBAQEBAQEAAAAAAAAAAAECAwQFBgcICQoL/8QAtRAAAgEDAwIEAwUFBAQAAAF9AQID'
    .'AAQRBRIhMUEGE1FhByJxFDKBkaEII0KxwRVS0fAkM2JyggkKFhcYGRolJicoKSo0NTY3ODk6Q0RFRkdISUpTVFVWV1hZWmNkZWZn'
    .'aGlqc3R1dnd4eXqDhIWGh4iJipKTlJWWl5iZmqKjpKWmp6ipqrKztLW2t7i5usLDxMXGx8jJytLT1NXW19jZ2uHi4+Tl5ufo6erx'
    .'8vP09fb3+Pn6/9oADgRDAE0AWQBLAAA/AJ/CPhXSL/w9b3d5bNNNMXJJkZcYYqAACPT9a0fDPhzTL3RIbm6gMsspYkmRhjDEYGCP'
    .'Su8RFKgkV39cj4osINM8Q3dpahhChUqGOcZUNjP41zPiGyh0/W7m2twREhBUE5xlQcfrTHGGIFFZNZtJRWtp3iXV9MtRbWd60cIJ'
    .'IQorYz1xkHH0rSsde1PT7cW9rdFIgSQpVWxn0yDilDMBgGis+7up726kubqVpZpDlnbv/n0qlc3E13cPcXEhklkOWY96QnJyaKhq'
    .'Kiiv/9k=';

/** @param  array<string, mixed>  $sheets */
function jobWithSheets(array $sheets): Job
{
    $file = Jobs::file([['at' => [0, 0, 250]]], ['at' => [300, 0, 250]]);
    $file->sheets = json_decode(json_encode((object) $sheets, JSON_THROW_ON_ERROR), false, 64, JSON_THROW_ON_ERROR);

    return Job::read($file);
}

/** @return list<PlanImage> */
function imagesOf(Plan $plan): array
{
    return array_values(array_filter($plan->shapes, static fn (object $one): bool => $one instanceof PlanImage));
}

it('has the logo of its owner in the title block, as wide to its height as it is', function (): void {
    $pages = Sheets::bend(jobWithSheets(['logo' => LOGO, 'company' => 'Cleat Marine']));
    $plain = Sheets::bend(jobWithSheets(['company' => 'Cleat Marine']));
    [$image] = imagesOf($pages[0]);

    // Two rows of 8 mm, with a millimetre all round: 14 high, and twice as wide.
    expect($image->height)->toEqualWithDelta(14.0, 1e-9)->and($image->width)->toEqualWithDelta(28.0, 1e-9)
        ->and($image->at[0])->toBeGreaterThan(10.0)->and(imagesOf($plain[0]))->toBe([]);
    foreach (Sheets::texts($pages[0]) as $text) {
        $isApart = $text->at[0] < $image->at[0] || $text->at[0] >= $image->at[0] + $image->width
            || $text->at[1] >= $image->at[1] + $image->height || $text->at[1] <= $image->at[1];
        expect($isApart)->toBeTrue($text->text);
    }
});

it('is read out of the PDF again, and is in the SVG; DXF has no pictures', function (): void {
    $pages = Sheets::bend(jobWithSheets(['logo' => LOGO]));
    $pdf = PlanPdf::pages($pages, '2026-11-29');
    $list = (string) shell_exec('pdfimages -list '.escapeshellarg(Cases::written($pdf)));

    expect($list)->toMatch('/^ +1 +0 image +24 +12 +rgb +3 +8 +jpeg/m')
        ->and(PlanPdf::pages($pages, '2026-11-29'))->toBe($pdf)
        ->and(PlanSvg::write($pages[0]))->toContain('href="data:image/jpeg;base64,'.LOGO.'"')
        ->and(PlanDxf::pages($pages))->toContain('LWPOLYLINE')->not->toContain('IMAGE');
});

it('refuses what is no picture of that kind, with its pointer', function (string $logo): void {
    expect(static fn () => jobWithSheets(['logo' => $logo]))->toThrow(function (JobError $error): void {
        expect($error->pointer)->toBe('/sheets/logo')->and($error->getMessage())->toContain('JPEG');
    });
})->with([
    'no picture' => [base64_encode('A logo')],
    'a PNG' => ['iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg=='],
    'a JPEG of four inks' => [CMYK_LOGO],
    'the beginning of one' => [substr(LOGO, 0, 40)],
]);

it('says on the bend sheet how far the part may be off', function (array $sheets, string $words): void {
    $texts = array_map(
        static fn ($text): string => $text->text, Sheets::texts(Sheets::bend(jobWithSheets($sheets))[0]),
    );
    expect($texts)->toContain($words);
})->with([
    'as usual' => [[], 'corners and ends ± 2 mm, straights ± 1 mm, bends ± 0.5°'],
    'as told' => [
        ['part_tolerances' => ['place' => 0.8, 'straight' => '2 * 0.25', 'angle' => 0.25]],
        'corners and ends ± 0.8 mm, straights ± 0.5 mm, bends ± 0.25°',
    ],
]);

it('refuses a tolerance of nothing, with its pointer', function (float|string $angle): void {
    expect(static fn () => jobWithSheets(['part_tolerances' => ['angle' => $angle]]))->toThrow(
        function (JobError $error): void {
            expect($error->pointer)->toBe('/sheets/part_tolerances/angle');
        },
    );
})->with([0.0, -0.5, 'near']);
