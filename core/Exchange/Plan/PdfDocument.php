<?php

declare(strict_types=1);

namespace Bowline\Exchange\Plan;

use TCPDF;

/** A PDF of which nothing follows from the moment at which it is written. */
final class PdfDocument extends TCPDF
{
    /** Moment of documents that have no date: the beginning of 2026. */
    private const NO_DATE = 1767225600;

    /**
     * Fixes what would differ from one writing to the next: the identifier of the file, and its dates.
     *
     * @param  string  $content  all that it is made of
     * @param  string  $date  "2026-11-29"; empty for none
     */
    public function settle(string $content, string $date): void
    {
        $this->tcpdflink = false;
        $this->file_id = md5($content.$date);
        $moment = $date === '' ? false : strtotime($date.' 00:00:00 UTC');
        $this->setDocCreationTimestamp($moment === false ? self::NO_DATE : $moment);
        $this->setDocModificationTimestamp($moment === false ? self::NO_DATE : $moment);
    }
}
