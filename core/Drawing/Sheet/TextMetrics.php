<?php

declare(strict_types=1);

namespace Bowline\Drawing\Sheet;

use TCPDF;

/** How wide texts are in the font that drawings embed: DejaVu Sans, with Latin, Greek and Cyrillic letters. */
final class TextMetrics
{
    public const FONT = 'dejavusans';

    /** Size of type over the height of its capitals. */
    public const CAPITALS = 1.37;

    /** Points in a millimetre. */
    public const POINTS = 72 / 25.4;

    private TCPDF $pdf;

    /** @var array<string, float> widths at a height of one, by text and weight */
    private array $widths = [];

    public function __construct()
    {
        $this->pdf = new TCPDF('P', 'mm');
    }

    /** @param  float  $height  of its capitals, mm */
    public function width(string $text, float $height, bool $isBold = false): float
    {
        return $height * ($this->widths[($isBold ? 'b' : 'r').$text] ??= $this->measured($text, $isBold));
    }

    private function measured(string $text, bool $isBold): float
    {
        $size = self::CAPITALS * self::POINTS;
        $widths = $this->pdf->GetStringWidth($text, self::FONT, $isBold ? 'B' : '', $size);

        return is_array($widths) ? array_sum($widths) : $widths;
    }
}
