<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\RunDraft;
use Bowline\Editing\RunEdit;
use Bowline\Job\FileValue;
use Bowline\Job\Node;
use Bowline\Job\Site;
use Bowline\Routing\VertexPlace;

/** Gives a run that followed another, or its own first half, corners of its own. */
final readonly class MakeOwn implements RunEdit
{
    public static function word(): string
    {
        return 'make-own';
    }

    public static function label(): string
    {
        return 'Make %s a run of its own';
    }

    public static function read(Node $body, RunDraft $draft, Site $site): self
    {
        return new self;
    }

    public function apply(RunDraft $draft): void
    {
        $route = $draft->routeObject();
        $isSymmetric = isset($route->symmetry);
        $stops = $isSymmetric && is_array($route->stops) ? array_values($route->stops) : [];
        foreach ($draft->laid->vertices as $vertex) {
            if ($vertex->place === VertexPlace::Like) {
                $stop = (object) ['at' => FileValue::vector($vertex->at)];
                if ($vertex->ownRadius || ! $isSymmetric) {
                    $stop->corner = (object) ($vertex->elbow === null
                        ? ['radius' => FileValue::roundForFile($vertex->radius)]
                        : ['elbow' => $vertex->elbow->value]);
                }
                $stops[] = $stop;
            }
        }
        unset($route->like, $route->symmetry);
        $route->stops = $stops;
        foreach (['from', 'to'] as $name) {
            $this->ownEnd($draft, $name);
        }
    }

    /** @param  'from'|'to'  $name */
    private function ownEnd(RunDraft $draft, string $name): void
    {
        $end = $draft->end($name);
        $laid = $name === 'from' ? $draft->laid->run->from : $draft->laid->run->to;
        if (isset($end->like) || (new Node($end))->find('end')?->find('same_as') !== null) {
            $end->end = $laid->end->toFile();
        }
        if (! isset($end->like)) {
            return;
        }
        unset($end->like);
        $end->at = FileValue::vector($laid->at);
        if ($laid->axis !== null) {
            $end->axis = FileValue::vector($laid->axis);
        }
        if ($laid->lead !== null) {
            $end->lead ??= FileValue::roundForFile($laid->lead);
        }
    }
}
