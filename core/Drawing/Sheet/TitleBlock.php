<?php

declare(strict_types=1);

namespace Bowline\Drawing\Sheet;

use Bowline\Drawing\Plan\PlanImage;
use Bowline\Drawing\Plan\PlanPath;
use Bowline\Job\SheetSettings;
use Bowline\Job\Units;

/** The frame of a sheet and its title block, with the fields of ISO 7200, those of the job, and a code to scan. */
final readonly class TitleBlock
{
    /** Between the frame and the edge of the paper. */
    public const MARGIN = 10.0;

    /** Widest block, as ISO 7200 has it for paper larger than A4. */
    private const WIDEST = 190.0;

    private const ROW = 8.0;

    private const OWN_ROW = 6.0;

    private const CODE = 30.0;

    /** Rows beside which the logo stands: those of owner and job. */
    private const LOGO_ROWS = 2;

    private const LOGO_WIDEST = 40.0;

    private const LOGO_MARGIN = 1.0;

    /** Height of the name of a field over its value. */
    private const NAME = 1.25;

    /**
     * @param  string  $title  "Bend sheet"
     * @param  string  $subject  what it is of
     * @param  string  $about  second line of that
     * @param  string  $job  name of the job
     * @param  string  $date  empty for none
     * @param  string  $code  what the code says; empty for no code
     */
    public function __construct(
        private SheetSettings $settings,
        private string $title,
        private string $subject,
        private string $about,
        private string $job,
        private string $date,
        private Units $units,
        private string $code,
    ) {
    }

    public function height(): float
    {
        return 4 * self::ROW + self::OWN_ROW * ceil(count($this->settings->fields) / 2);
    }

    /** @return array{float, float, float, float} what is left within the frame above it: left, bottom, right, top */
    public function inside(Paper $paper): array
    {
        return [
            self::MARGIN, self::MARGIN + $this->height(), $paper->width - self::MARGIN, $paper->height - self::MARGIN,
        ];
    }

    /**
     * Draws frame and block on a page.
     *
     * @param  string  $scale  "1 : 5", "not to scale"
     * @return array{float, float, float, float} what is left within the frame above it: left, bottom, right, top
     */
    public function draw(Canvas $canvas, string $scale, int $sheet, int $sheets): array
    {
        [$width, $height] = [$canvas->paper->width - 2 * self::MARGIN, $canvas->paper->height - 2 * self::MARGIN];
        $canvas->rectangle('frame', self::MARGIN, self::MARGIN, $width, $height, 0.5);
        $wide = min($width, self::WIDEST);
        $left = $canvas->paper->width - self::MARGIN - $wide;
        $canvas->rectangle('frame', $left, self::MARGIN, $wide, $this->height(), Canvas::WIDE);
        $canvas->keep(new TextBox(
            [$left + $wide / 2, self::MARGIN + $this->height() / 2], [$wide / 2, $this->height() / 2], 0.0,
        ));
        $code = $this->code === '' ? 0.0 : self::CODE;
        $logo = $this->logo($canvas, $left, self::MARGIN + $this->height());
        $y = self::MARGIN + $this->height();
        foreach ($this->rows($scale, $sheet, $sheets) as $number => [$rowHeight, $cells]) {
            $beside = $number < self::LOGO_ROWS ? $logo : 0.0;
            $x = $left + $beside;
            foreach ($cells as [$share, $name, $value]) {
                $cell = ($wide - $code - $beside) * $share;
                $this->cell($canvas, $x, $y - $rowHeight, $cell, $rowHeight, $name, $value);
                $x += $cell;
            }
            $y -= $rowHeight;
        }
        if ($this->code !== '') {
            $this->code($canvas, $left + $wide - $code, self::MARGIN, $code, $this->height());
        }

        return $this->inside($canvas->paper);
    }

    /**
     * Draws the logo beside the first rows, as large as it can be there.
     *
     * @return float how wide the room is that it takes, mm; 0 where there is none
     */
    private function logo(Canvas $canvas, float $left, float $top): float
    {
        $logo = $this->settings->logo;
        if ($logo === null) {
            return 0.0;
        }
        $high = self::LOGO_ROWS * self::ROW;
        $scale = min($high - 2 * self::LOGO_MARGIN, (self::LOGO_WIDEST - 2 * self::LOGO_MARGIN) / $logo->ratio);
        $wide = $scale * $logo->ratio + 2 * self::LOGO_MARGIN;
        $canvas->rectangle('frame', $left, $top - $high, $wide, $high, Canvas::NARROW);
        $canvas->add(new PlanImage(
            'title', [$left + self::LOGO_MARGIN, $top - ($high + $scale) / 2], $scale * $logo->ratio, $scale,
            $logo->jpeg,
        ));

        return $wide;
    }

    /** @return list<array{float, list<array{float, string, string}>}> by row: height; share, name and value of each */
    private function rows(string $scale, int $sheet, int $sheets): array
    {
        $settings = $this->settings;
        $rows = [
            [self::ROW, [[0.4, 'Owner', $settings->company], [0.6, 'Title', $this->title.': '.$this->subject]]],
            [self::ROW, [[0.4, 'Job', $this->job], [0.6, 'Of', $this->about]]],
            [self::ROW, [
                [0.32, 'Drawing no.', $settings->number], [0.12, 'Revision', $settings->revision],
                [0.16, 'Date', $this->date], [0.2, 'Drawn by', $settings->drawnBy],
                [0.2, 'Checked by', $settings->checkedBy],
            ]],
            [self::ROW, [
                [0.17, 'Scale', $scale], [0.13, 'Sheet', sprintf('%d of %d', $sheet, $sheets)],
                [0.14, 'Projection', ''], [0.1, 'Lengths in', $this->units->word()],
                [0.46, 'Tolerances', $settings->tolerance],
            ]],
        ];
        foreach (array_chunk($settings->fields, 2) as $pair) {
            $rows[] = [self::OWN_ROW, array_map(
                static fn (array $field): array => [1 / count($pair), $field[0], $field[1]], $pair,
            )];
        }

        return $rows;
    }

    private function cell(
        Canvas $canvas,
        float $left,
        float $bottom,
        float $width,
        float $height,
        string $name,
        string $value,
    ): void {
        $canvas->rectangle('frame', $left, $bottom, $width, $height, Canvas::NARROW);
        $canvas->fitted('title', [$left + 0.8, $bottom + $height - 2.1], $name, $width - 1.6, self::NAME);
        $canvas->fitted('title', [$left + 0.8, $bottom + 1.5], $value, $width - 1.6, 2.2, isBold: $name === 'Title');
        if ($name === 'Projection') {
            $this->symbol($canvas, $left + $width / 2 + 2.0, $bottom + $height / 2 - 0.8);
        }
    }

    /** The symbol of the projection (ISO 5456-2): a frustum from the side, and from its narrow end. */
    private function symbol(Canvas $canvas, float $x, float $y): void
    {
        $side = $this->settings->isThirdAngle ? -1.0 : 1.0;
        $frustum = $x - $side * 3.5;
        $canvas->add(new PlanPath('title', [
            [$frustum - 2.6, $y - 1.1], [$frustum - 2.6, $y + 1.1], [$frustum + 2.6, $y + 2.2],
            [$frustum + 2.6, $y - 2.2],
        ], Canvas::WIDE, Canvas::INK, isClosed: true));
        foreach ([1.1, 2.2] as $radius) {
            $canvas->add(new PlanPath('title', array_map(static fn (int $i): array => [
                $x + $side * 3.5 + $radius * cos($i * M_PI / 18), $y + $radius * sin($i * M_PI / 18),
            ], range(0, 35)), Canvas::WIDE, Canvas::INK, isClosed: true));
        }
        $canvas->line('title', [$x - 7.4, $y], [$x + 7.4, $y], Canvas::FINE, Canvas::INK, [2.0, 0.6, 0.4, 0.6]);
    }

    /** A QR code of what is to be scanned, with a white border of four modules (ISO/IEC 18004). */
    private function code(Canvas $canvas, float $left, float $bottom, float $width, float $height): void
    {
        $rows = QrCode::modules($this->code);
        $count = count($rows);
        if ($count === 0) {
            return;
        }
        $module = min($width, $height) / ($count + 8);
        $x = $left + ($width - $module * $count) / 2;
        $top = $bottom + ($height + $module * $count) / 2;
        foreach ($rows as $row => $cells) {
            $start = null;
            foreach ([...$cells, 0] as $column => $cell) {
                $isDark = $cell === 1;
                if ($isDark) {
                    $start ??= $column;
                } elseif ($start !== null) {
                    [$from, $to] = [$x + $start * $module, $x + $column * $module];
                    // Rows overlap a little, so that no light shows between them where they are drawn one by one.
                    [$high, $low] = [$top - $row * $module, $top - ($row + 1.04) * $module];
                    $canvas->add(new PlanPath(
                        'code', [[$from, $low], [$to, $low], [$to, $high], [$from, $high]], 0.0, '#000000', '#000000',
                        true,
                    ));
                    $start = null;
                }
            }
        }
    }
}
