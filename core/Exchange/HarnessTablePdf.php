<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use TCPDF;

/** A list of a harness as PDF: landscape A4 with its heading on every page, or a sheet of labels to be cut out. */
final class HarnessTablePdf
{
    private const FONT = 'dejavusans';

    private const MARGIN = 12.0;

    private const ROW = 5.6;

    private const SIZE = 8.0;

    private const LEAST_SIZE = 4.5;

    /** Room beside the text of a cell, mm. */
    private const PADDING = 2.4;

    private const HEAD = [14, 66, 84];

    private const LINE = [200, 190, 165];

    /** Width and height of a label, mm. */
    private const LABEL = [46.0, 18.0];

    private TCPDF $pdf;

    private function __construct(string $title, string $orientation)
    {
        $this->pdf = new TCPDF($orientation, 'mm', 'A4');
        $this->pdf->setPrintHeader(false);
        $this->pdf->setPrintFooter(false);
        $this->pdf->setMargins(self::MARGIN, self::MARGIN);
        $this->pdf->setAutoPageBreak(false);
        $this->pdf->setTitle($title);
        $this->pdf->setCreator('Bowline');
    }

    public static function table(string $title, ListTable $table): string
    {
        $sheet = new self($title, 'L');
        $sheet->rows($title, $table);

        return $sheet->pdf->Output('', 'S');
    }

    /** Returns a sheet of labels: for each row the name of a wire and what stands on its label. */
    public static function labels(string $title, ListTable $labels): string
    {
        $sheet = new self($title, 'P');
        [$width, $height] = self::LABEL;
        $across = (int) floor((210.0 - 2 * self::MARGIN) / $width);
        $down = (int) floor((297.0 - 2 * self::MARGIN) / $height);
        foreach ($labels->texts() as $i => $row) {
            $place = $i % ($across * $down);
            if ($place === 0) {
                $sheet->pdf->AddPage();
            }
            [$x, $y] = [
                self::MARGIN + ($place % $across) * $width, self::MARGIN + intdiv($place, $across) * $height,
            ];
            $sheet->pdf->setLineStyle(['width' => 0.1, 'color' => self::LINE]);
            $sheet->pdf->Rect($x, $y, $width, $height);
            // Twice, so that it is read from both sides of the wire.
            foreach ([1.5, $height / 2 + 1.0] as $down2) {
                $sheet->cell($x, $y + $down2, $width, [$row[2] ?? '', 'B', self::SIZE]);
            }
        }
        if ($labels->rows === []) {
            $sheet->pdf->AddPage();
        }

        return $sheet->pdf->Output('', 'S');
    }

    private function rows(string $title, ListTable $table): void
    {
        $texts = [$table->headings, ...$table->texts()];
        $widths = $this->widths($texts);
        $room = 297.0 - 2 * self::MARGIN;
        // What is wider than the page is set smaller, and no smaller than can be read.
        $scale = min(1.0, $room / max(1.0, array_sum($widths)));
        $size = max(self::LEAST_SIZE, self::SIZE * $scale);
        $widths = array_map(static fn (float $one): float => $one * $scale, $widths);
        $y = INF;
        foreach (array_slice($texts, 1) as $row) {
            if ($y > 210.0 - self::MARGIN - self::ROW) {
                $y = $this->heading($title, $texts[0], $widths, $size);
            }
            $this->row($y, $row, $widths, ['', $size]);
            $y += self::ROW;
        }
        if (is_infinite($y)) {
            $this->heading($title, $texts[0], $widths, $size);
        }
    }

    /**
     * @param  list<list<string>>  $texts
     * @return list<float> of each column, mm
     */
    private function widths(array $texts): array
    {
        $this->pdf->setFont(self::FONT, 'B', self::SIZE);
        $widths = array_fill(0, count($texts[0]), 0.0);
        foreach ($texts as $row) {
            foreach ($row as $i => $text) {
                $wide = $this->pdf->GetStringWidth($text);
                $widths[$i] = max($widths[$i], (is_array($wide) ? array_sum($wide) : $wide) + self::PADDING);
            }
        }

        return array_values($widths);
    }

    /**
     * @param  list<string>  $headings
     * @param  list<float>  $widths
     * @return float where the rows begin, mm
     */
    private function heading(string $title, array $headings, array $widths, float $size): float
    {
        $this->pdf->AddPage();
        $this->pdf->setTextColor(...self::HEAD);
        $this->pdf->setFont(self::FONT, 'B', 12);
        $this->pdf->Text(self::MARGIN, self::MARGIN, sprintf('%s, page %d', $title, $this->pdf->getPage()));
        $this->pdf->setTextColor(21, 36, 44);
        $this->row(self::MARGIN + 9.0, $headings, $widths, ['B', $size]);

        return self::MARGIN + 9.0 + self::ROW;
    }

    /**
     * @param  list<string>  $row
     * @param  list<float>  $widths
     * @param  array{string, float}  $type  style and size
     */
    private function row(float $y, array $row, array $widths, array $type): void
    {
        $x = self::MARGIN;
        foreach ($row as $i => $text) {
            $this->cell($x, $y, $widths[$i], [$text, ...$type]);
            $x += $widths[$i];
        }
        $this->pdf->setLineStyle(['width' => 0.1, 'color' => self::LINE]);
        $this->pdf->Line(self::MARGIN, $y + self::ROW, $x, $y + self::ROW);
    }

    /** @param  array{string, string, float}  $text  with its style and size; narrower where it does not fit */
    private function cell(float $x, float $y, float $width, array $text): void
    {
        $this->pdf->setFont(self::FONT, $text[1], $text[2]);
        $this->pdf->setXY($x, $y);
        $this->pdf->Cell($width, self::ROW, $text[0], 0, 0, '', false, '', 1);
    }
}
