<?php

declare(strict_types=1);

namespace Bowline\Exchange\Plan;

use Bowline\Drawing\Plan\Pages;
use Bowline\Job\JobError;

/** The formats in which drawings are written: PDF with all pages, SVG of one page, DXF with the pages side by side. */
final class PlanFormats
{
    public const MEDIA_TYPES = ['pdf' => 'application/pdf', 'svg' => 'image/svg+xml', 'dxf' => 'image/vnd.dxf'];

    /**
     * @param  string  $date  "2026-11-29"; empty for none
     * @param  int  $page  that an SVG is of, from 0
     *
     * @throws JobError when there is no such format or page
     */
    public static function write(Pages $pages, string $format, string $date = '', int $page = 0): string
    {
        return match ($format) {
            'pdf' => PlanPdf::pages($pages->all(), $date),
            'svg' => PlanSvg::write($pages->at($page)),
            'dxf' => PlanDxf::pages($pages->all()),
            default => throw JobError::at('', sprintf(
                'a drawing is not written as “%s”; pdf, svg and dxf are', $format,
            )),
        };
    }
}
