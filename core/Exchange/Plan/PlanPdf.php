<?php

declare(strict_types=1);

namespace Bowline\Exchange\Plan;

use Bowline\Drawing\Plan\Plan;
use Bowline\Drawing\Plan\PlanCircle;
use Bowline\Drawing\Plan\PlanImage;
use Bowline\Drawing\Plan\PlanLine;
use Bowline\Drawing\Plan\PlanPath;
use Bowline\Drawing\Plan\PlanText;
use Bowline\Drawing\Plan\PlanVisitor;
use Bowline\Drawing\Sheet\TextMetrics;
use Bowline\Job\JobError;
use Bowline\Job\Words;

/**
 * Writes a drawing as PDF at full size: on one sheet as large as it, or on tiles that overlap, with marks by which they
 * are put together.
 *
 * @implements PlanVisitor<null>
 */
final class PlanPdf implements PlanVisitor
{
    /** Size of type over the height of its capitals, of DejaVu Sans. */
    public const CAPITALS = TextMetrics::CAPITALS;

    public const PAPERS = ['a4' => [297.0, 210.0], 'a3' => [420.0, 297.0], 'letter' => [279.4, 215.9]];

    private const FONT = TextMetrics::FONT;

    /** Border of a tile that printers leave white, and what neighbours have in common, mm. */
    private const BORDER = 8.0;

    private const OVERLAP = 10.0;

    /** Largest side of a page in PDF, mm: 14400 units of 1/72 in. */
    private const LARGEST = 5080.0;

    private const MOST_TILES = 400;

    /** Points in a millimetre. */
    private const POINTS = 72 / 25.4;

    private PdfDocument $pdf;

    private float $left = 0.0;

    private float $top = 0.0;

    private function __construct(private readonly Plan $plan)
    {
        $this->pdf = new PdfDocument('L', 'mm');
        $this->pdf->setPrintHeader(false);
        $this->pdf->setPrintFooter(false);
        $this->pdf->setMargins(0, 0);
        $this->pdf->setCellPadding(0);
        $this->pdf->setAutoPageBreak(false);
        $this->pdf->setTitle($plan->title);
        $this->pdf->setCreator('Bowline');
    }

    /**
     * @param  string  $paper  "a4", "a3", "letter", or "one" for one sheet of any size
     *
     * @throws JobError when there is no such paper, or it is too large for it
     */
    public static function write(Plan $plan, string $paper): string
    {
        $writer = new self($plan);
        $size = self::PAPERS[strtolower($paper)] ?? null;
        match (true) {
            strtolower($paper) === 'one' => $writer->sheet(),
            $size !== null => $writer->tiles(...$size),
            default => throw JobError::at('', sprintf('there is no paper “%s”; a4, a3, letter and one are', $paper)),
        };

        return $writer->pdf->Output('', 'S');
    }

    /**
     * Writes drawings as the pages of one file, each as large as it is. The same drawings are the same bytes.
     *
     * @param  non-empty-list<Plan>  $plans
     * @param  string  $date  "2026-11-29", that the file says it is from; empty for none
     */
    public static function pages(array $plans, string $date = ''): string
    {
        $writer = new self($plans[0]);
        $writer->pdf->settle(serialize($plans), $date);
        foreach ($plans as $plan) {
            $writer->page($plan->width, $plan->height);
            [$writer->left, $writer->top] = [0.0, $plan->height];
            foreach ($plan->shapes as $shape) {
                $shape->accept($writer);
            }
        }

        return $writer->pdf->Output('', 'S');
    }

    /** @throws JobError */
    private function sheet(): void
    {
        if (max($this->plan->width, $this->plan->height) > self::LARGEST) {
            throw JobError::at('', sprintf(
                'it is %s × %s mm, and a sheet of PDF is %s mm at most: print it on tiles',
                Words::number($this->plan->width, 0), Words::number($this->plan->height, 0),
                Words::number(self::LARGEST, 0),
            ));
        }
        $this->page($this->plan->width, $this->plan->height);
        [$this->left, $this->top] = [0.0, $this->plan->height];
        $this->draw();
    }

    /** @throws JobError */
    private function tiles(float $width, float $height): void
    {
        [$across, $down] = [$width - 2 * self::BORDER - self::OVERLAP, $height - 2 * self::BORDER - self::OVERLAP];
        $columns = max(1, (int) ceil($this->plan->width / $across));
        $rows = max(1, (int) ceil($this->plan->height / $down));
        if ($columns * $rows > self::MOST_TILES) {
            throw JobError::at('', sprintf('it takes %d tiles; take larger paper', $columns * $rows));
        }
        for ($row = 0; $row < $rows; $row++) {
            for ($column = 0; $column < $columns; $column++) {
                $this->page($width, $height);
                $this->pdf->StartTransform();
                $this->pdf->Rect(
                    self::BORDER, self::BORDER, $across + self::OVERLAP, $down + self::OVERLAP, 'CNZ',
                );
                [$this->left, $this->top] = [
                    self::BORDER - $column * $across, self::BORDER + $this->plan->height - $row * $down,
                ];
                $this->draw();
                $this->pdf->StopTransform();
                $this->marks($across, $down, $row, $column, $rows, $columns);
            }
        }
    }

    private function page(float $width, float $height): void
    {
        $this->pdf->AddPage($width >= $height ? 'L' : 'P', [min($width, $height), max($width, $height)]);
    }

    private function draw(): void
    {
        foreach ($this->plan->shapes as $shape) {
            $shape->accept($this);
        }
    }

    /** Crosses at the corners of what is a tile's own, where those of its neighbours lie too, and its place. */
    private function marks(float $across, float $down, int $row, int $column, int $rows, int $columns): void
    {
        $this->pdf->setLineStyle(['width' => 0.15, 'color' => [188, 47, 38]]);
        foreach ([0.0, $across] as $x) {
            foreach ([0.0, $down] as $y) {
                [$atX, $atY] = [self::BORDER + $x, self::BORDER + $y];
                $this->pdf->Line($atX - 4, $atY, $atX + 4, $atY);
                $this->pdf->Line($atX, $atY - 4, $atX, $atY + 4);
            }
        }
        $this->pdf->setFont(self::FONT, '', 7);
        $this->pdf->setTextColor(90, 90, 90);
        $this->pdf->Text(self::BORDER + 6, 2.5, sprintf(
            '%s: row %d of %d, column %d of %d; full size, crosses on crosses', $this->plan->title, $row + 1, $rows,
            $column + 1, $columns,
        ));
    }

    public function line(PlanLine $line): null
    {
        $this->pdf->setLineStyle(['width' => $line->width, 'cap' => 'butt', 'color' => self::rgb($line->colour)]);
        $this->pdf->Line(
            $this->left + $line->from[0], $this->top - $line->from[1], $this->left + $line->to[0],
            $this->top - $line->to[1],
        );

        return null;
    }

    public function circle(PlanCircle $circle): null
    {
        $rgb = self::rgb($circle->colour);
        $this->pdf->Circle(
            $this->left + $circle->at[0], $this->top - $circle->at[1], $circle->radius, 0, 360,
            $circle->isFilled ? 'F' : 'D', ['width' => 0.5, 'color' => $rgb], $rgb,
        );

        return null;
    }

    public function path(PlanPath $path): null
    {
        $points = [];
        foreach ($path->points as $at) {
            array_push($points, $this->left + $at[0], $this->top - $at[1]);
        }
        $style = ($path->width > 0.0 ? 'D' : '').($path->fill === null ? '' : 'F');
        $this->pdf->Polygon($points, $style, $path->width <= 0.0 ? [] : ['all' => [
            'width' => $path->width, 'cap' => 'butt', 'join' => 'round', 'color' => self::rgb($path->colour),
            'dash' => $path->dashes === [] ? 0 : implode(',', $path->dashes),
        ]], $path->fill === null ? [] : self::rgb($path->fill), $path->isClosed);
        $this->pdf->setLineStyle(['dash' => 0]);

        return null;
    }

    public function text(PlanText $text): null
    {
        $this->pdf->setFont(
            self::FONT, $text->isBold ? 'B' : '', $text->height * self::CAPITALS * self::POINTS,
        );
        $this->pdf->setTextColor(...self::rgb($text->colour));
        $widths = $this->pdf->GetStringWidth($text->text);
        $width = is_array($widths) ? array_sum($widths) : $widths;
        $back = ['start' => 0.0, 'middle' => $width / 2, 'end' => $width][$text->anchor];
        [$x, $y] = [$this->left + $text->at[0], $this->top - $text->at[1]];
        $this->pdf->StartTransform();
        $this->pdf->Rotate(rad2deg($text->angle), $x, $y);
        $this->pdf->Text($x - $back, $y, $text->text, 0, false, true, 0, 0, '', false, '', 0, false, 'L');
        $this->pdf->StopTransform();

        return null;
    }

    public function image(PlanImage $image): null
    {
        $this->pdf->Image(
            '@'.$image->jpeg, $this->left + $image->at[0], $this->top - $image->at[1] - $image->height, $image->width,
            $image->height, 'JPEG',
        );

        return null;
    }

    /** @return array{int, int, int} */
    private static function rgb(string $colour): array
    {
        return [(int) hexdec(substr($colour, 1, 2)), (int) hexdec(substr($colour, 3, 2)), (int) hexdec(
            substr($colour, 5, 2),
        )];
    }
}
