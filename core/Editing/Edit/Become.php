<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\EditError;
use Bowline\Editing\RunDraft;
use Bowline\Editing\RunEdit;
use Bowline\Job\FileValue;
use Bowline\Job\Node;
use Bowline\Job\Site;
use Bowline\Routing\LaidRun;
use stdClass;

/** Changes the kind of route of a run; ends and stock stay, length and place as nearly as possible. */
final readonly class Become implements RunEdit
{
    /** Positions along a curve at which it gets corners, as shares of its length. */
    private const CORNERS_AT = [0.25, 0.5, 0.75];

    /** Numbers of a new winding, mm. */
    private const WOUND = ['from_length' => 0, 'to_length' => 100, 'pitch' => 40, 'gap' => 0];

    /**
     * @param  string  $kind  of route, as the file calls it
     * @param  string|null  $host  id of the run that it is wound round, where it is wound
     */
    public function __construct(
        private string $kind,
        private ?string $host = null,
    ) {
    }

    public static function word(): string
    {
        return 'become';
    }

    public static function label(): string
    {
        return 'Change how %s behaves';
    }

    public static function read(Node $body, RunDraft $draft, Site $site): self
    {
        return new self($body->get('kind')->text(), $body->find('host')?->text());
    }

    /** @throws EditError when it is to be wound round nothing */
    public function apply(RunDraft $draft): void
    {
        $route = $draft->routeObject();
        if (($route->kind ?? null) === $this->kind) {
            return;
        }
        if ($this->kind === 'wrap') {
            $this->wind($draft);

            return;
        }
        $laid = $draft->laid;
        $draft->run->from ??= (object) ['at' => FileValue::vector($laid->path->segments[0]->start())];
        $draft->run->to ??= (object) [
            'at' => FileValue::vector($laid->path->segments[count($laid->path->segments) - 1]->end()),
        ];
        if ($this->kind === 'flow' && $laid->run->route->corners() === null) {
            // A curve that becomes points stays where it is.
            (new AsPoints)->apply($draft);

            return;
        }
        $draft->run->route = (object) [
            'kind' => $this->kind,
            ...match ($this->kind) {
                'corners' => [
                    'stops' => array_map(
                        static fn (array $at): stdClass => (object) ['at' => $at],
                        self::corners($laid),
                    ),
                ],
                'flow' => ['points' => self::corners($laid)],
                default => [
                    'length' => FileValue::roundForFile($laid->length()),
                    ...isset($route->through) ? ['through' => $route->through] : [],
                ],
            },
        ];
        if ($this->kind !== 'corners') {
            unset($draft->run->fixed_length);
        }
    }

    private function wind(RunDraft $draft): void
    {
        if ($this->host === null) {
            throw new EditError('There is no other run to wind it round.');
        }
        unset($draft->run->from, $draft->run->to, $draft->run->fixed_length);
        $draft->run->route = (object) ['kind' => 'wrap', 'host' => $this->host, ...self::WOUND];
    }

    /** @return list<list<float>> points that it goes through: its corners, or some along its curve */
    private static function corners(LaidRun $laid): array
    {
        $vertices = array_slice($laid->vertices, 1, -1);
        if ($vertices !== []) {
            return array_map(static fn ($vertex): array => FileValue::vector($vertex->at), $vertices);
        }
        $curve = $laid->path->curves()[0][1] ?? null;

        return $curve === null
            ? []
            : array_map(
                static fn (float $part): array => FileValue::vector($curve->pointAt($part * $curve->length())),
                self::CORNERS_AT,
            );
    }
}
