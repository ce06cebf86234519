<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Site;

/** The kinds of route by their word in the file. A new kind is a new class and a line here. */
final class Routes
{
    /** @var array<string, class-string<Route>> */
    private const KINDS = [
        'corners' => CornersRoute::class,
        'drape' => DrapeRoute::class,
        'flow' => FlowRoute::class,
        'hang' => HangRoute::class,
        'spring' => SpringRoute::class,
        'wrap' => WrapRoute::class,
    ];

    /** @throws JobError when the kind is not known */
    public static function read(Node $node, Site $site): Route
    {
        $kind = $node->get('kind');
        $class =
            self::KINDS[$kind->text()] ??
            throw $kind->error(sprintf('“%s” is no kind of route that Bowline knows', $kind->text()));

        return $class::read($node, $site);
    }
}
