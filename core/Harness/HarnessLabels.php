<?php

declare(strict_types=1);

namespace Bowline\Harness;

/** The labels at both ends of each wire. */
final class HarnessLabels
{
    /** Place of a label from the end of its wire, mm. */
    public const FROM_END = 50.0;
}
