<?php

declare(strict_types=1);

namespace Bowline\Drawing;

use Bowline\Bending\BendRow;
use Bowline\Bending\CutList;
use Bowline\Job;
use Bowline\Job\JobError;
use Bowline\Job\Units;
use Bowline\Job\Words;
use Bowline\Solving\SolvedRun;
use TCPDF;

/** The bend sheet of a run as PDF: cut length, bend table, vertices and views. */
final class BendSheet
{
    private const PAPERS = ['a4' => 'A4', 'letter' => 'LETTER'];

    private const MARGIN = 12.0;

    /** The embedded font, with Latin, Greek and Cyrillic letters; only the letters in use are embedded. */
    private const FONT = 'dejavusans';

    /** Colours of heads, hairlines and text. */
    private const HEAD = [14, 66, 84];

    private const LINE = [200, 190, 165];

    private TCPDF $pdf;

    private Units $units;

    private function __construct(
        private readonly Job $job,
        private readonly SolvedRun $solved,
        string $paper,
    ) {
        $this->units = $solved->laid->run->units;
        $this->pdf = new TCPDF('P', 'mm', $paper);
        $this->pdf->setPrintHeader(false);
        $this->pdf->setPrintFooter(false);
        $this->pdf->setMargins(self::MARGIN, self::MARGIN);
        $this->pdf->setAutoPageBreak(true, self::MARGIN);
        $this->pdf->setTitle('Bend sheet '.$solved->laid->run->name);
        $this->pdf->setCreator('Bowline');
        $this->pdf->AddPage();
    }

    /**
     * @param  string  $paper  "a4" or "letter"
     * @param  string  $date  as it shall stand on the sheet; empty for none
     *
     * @throws JobError when there is no such paper
     */
    public static function pdf(Job $job, SolvedRun $solved, string $paper, string $date): string
    {
        $size =
            self::PAPERS[strtolower($paper)] ??
            throw JobError::at('', sprintf('there is no paper “%s”; a4 and letter are', $paper));
        $sheet = new self($job, $solved, $size);
        $sheet->heading($date);
        $sheet->picture();
        $cuts = CutList::of($solved->laid);
        $cuts === null ? $sheet->bends() : $sheet->cuts($cuts);
        $sheet->vertices();

        return $sheet->pdf->Output('', 'S');
    }

    private function heading(string $date): void
    {
        $run = $this->solved->laid->run;
        $table = $this->solved->bendTable;
        $revision = $this->job->source->revision ?? '';
        $this->pdf->setTextColor(...self::HEAD);
        $this->pdf->setFont(self::FONT, 'B', 16);
        $this->pdf->Cell(0, 8, 'Bend sheet: '.$run->name, 0, 1);
        $this->pdf->setFont(self::FONT, '', 9);
        $this->pdf->setTextColor(21, 36, 44);
        $rows = [
            ['Job', $this->job->name, 'Cut length', $this->units->say($table->cutLength)],
            ['Stock', $run->stock->name, 'Centreline length', $this->units->say($table->length)],
            ['Bends', (string) count($table->rows), 'Mass', Words::number($this->solved->mass(), 3).' kg'],
            ['Revision', is_string($revision) && $revision !== '' ? $revision : 'none', 'Date', $date],
            [
                'Trim',
                sprintf(
                    '%s at the start, %s at the end',
                    $this->units->say($run->from->trim),
                    $this->units->say($run->to->trim),
                ),
                'State',
                ['good' => 'good', 'warning' => 'has warnings', 'violation' => 'NOT TO BE BENT: has violations'][
                    $this->solved->status()
                ],
            ],
        ];
        foreach ($rows as [$name, $value, $other, $more]) {
            $cells = [[$name, 20.0, 'B'], [$value, 78.0, ''], [$other, 32.0, 'B'], [$more, 0.0, '']];
            foreach ($cells as $index => [$said, $width, $style]) {
                $this->pdf->setFont(self::FONT, $style, 9);
                $this->pdf->Cell($width, 5, $said, 0, $index === 3 ? 1 : 0, '', false, '', 1);
            }
        }
        $this->pdf->Ln(2);
    }

    private function picture(): void
    {
        $width = $this->pdf->getPageWidth() - 2 * self::MARGIN;
        $height = 92.0;
        $this->pdf->ImageSVG(
            '@'.RunViews::svg($this->solved->laid, $width, $height),
            self::MARGIN,
            $this->pdf->GetY(),
            $width,
            $height,
        );
        $this->pdf->setY($this->pdf->GetY() + $height + 3.0);
    }

    private function bends(): void
    {
        $table = $this->solved->bendTable;
        $unit = $this->units->word();
        $rows = [];
        foreach ($table->rows as $index => $row) {
            $rows[] = [
                (string) ($index + 1),
                $this->units->column($row->straight),
                Words::number(rad2deg($row->rotation)),
                Words::number(rad2deg($row->angle)),
                Words::number(rad2deg($row->setAngle)),
                $this->units->column($row->radius),
                $this->units->column($row->mark),
                $this->units->column($row->markFromEnd),
            ];
        }
        $rows[] = ['tail', $this->units->column($table->tail), '', '', '', '', '', ''];
        $this->table(
            'Bend table',
            [
                'Bend',
                "Straight, $unit",
                'Rotation, °',
                'Angle, °',
                'Set to, °',
                "Radius, $unit",
                "Starts at, $unit",
                "From end, $unit",
            ],
            $rows,
        );
    }

    private function cuts(CutList $cuts): void
    {
        $unit = $this->units->word();
        $rows = [];
        foreach ($cuts->parts as $index => $part) {
            $bends = array_map(fn (BendRow $row): string => sprintf(
                '%s° R %s at %s', Words::number(rad2deg($row->angle)), $this->units->column($row->radius),
                $this->units->column($row->mark),
            ), $part->bends);
            $rows[] = [
                (string) ($index + 1), $part->words, $part->length === null ? '' : $this->units->column($part->length),
                implode('; ', $bends),
            ];
        }
        $this->table('Cut list', ['Piece', 'What', "Cut to, $unit", 'Bent'], $rows);
    }

    private function vertices(): void
    {
        $unit = $this->units->word();
        $radius = [];
        foreach ($this->solved->laid->bends as $bend) {
            $radius[$bend->vertex] = $this->units->column($bend->radius);
        }
        $rows = [];
        foreach ($this->solved->laid->vertices as $index => $vertex) {
            $rows[] = [
                (string) $index,
                ...array_map(fn (float $part): string => $this->units->column($part), $vertex->at->toArray()),
                $radius[$index] ?? '',
            ];
        }
        $this->table(
            'Vertices, corner to corner',
            ['Vertex', "X, $unit", "Y, $unit", "Z, $unit", "Radius, $unit"],
            $rows,
        );
    }

    /**
     * @param  list<string>  $heads
     * @param  list<list<string>>  $rows
     */
    private function table(string $title, array $heads, array $rows): void
    {
        $width = ($this->pdf->getPageWidth() - 2 * self::MARGIN - 14.0) / (count($heads) - 1);
        $this->pdf->setFont(self::FONT, 'B', 11);
        $this->pdf->Cell(0, 6, $title, 0, 1);
        $this->pdf->setDrawColor(...self::LINE);
        $this->pdf->setFont(self::FONT, 'B', 8);
        foreach ($heads as $index => $head) {
            $this->pdf->Cell(
                $index === 0 ? 14.0 : $width,
                5.5,
                $head,
                'B',
                $index === count($heads) - 1 ? 1 : 0,
                $index === 0 ? 'L' : 'R',
                false,
                '',
                1,
            );
        }
        $this->pdf->setFont(self::FONT, '', 9);
        foreach ($rows as $row) {
            foreach ($row as $index => $cell) {
                $this->pdf->Cell(
                    $index === 0 ? 14.0 : $width,
                    5.2,
                    $cell,
                    'B',
                    $index === count($row) - 1 ? 1 : 0,
                    $index === 0 ? 'L' : 'R',
                );
            }
        }
        $this->pdf->Ln(3);
    }
}
