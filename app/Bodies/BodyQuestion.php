<?php

declare(strict_types=1);

namespace App\Bodies;

use App\Editing\KeptSolutions;
use Bowline\Body\Mesh;
use Bowline\Exchange\BodyMeshWriter;
use Bowline\Exchange\FoundPart;
use Bowline\Exchange\JobBodies;
use Bowline\Exchange\JoinedBodies;
use Bowline\Geometry\Vector;
use Bowline\Job as CoreJob;
use Bowline\Job\JobError;
use Bowline\Space\Progress;

/** What is asked about a body of several runs, or a block with channels. */
final readonly class BodyQuestion
{
    /** Triangles at least as coarse as this are found while a request waits, mm. */
    public const COARSE = 1.0;

    /** How often it is told how far the measuring of walls has come. */
    private const PARTS = 50;

    /**
     * @param  string  $body  id of one that is there
     * @param  float  $chord  farthest that a facet stands off the surface, mm
     */
    public function __construct(
        public BodyAnswer $answer,
        public string $body,
        public float $chord,
    ) {
    }

    /**
     * Whether it is answered within a request: the body is exact, or coarse.
     *
     * @throws JobError where the body cannot be made
     */
    public function isQuick(CoreJob $core): bool
    {
        return match ($this->answer) {
            BodyAnswer::Mesh => $this->chord >= self::COARSE || JobBodies::isExact($core, $this->body),
            BodyAnswer::Mass => JobBodies::isExact($core, $this->body),
            BodyAnswer::OnSplines, BodyAnswer::Walls, BodyAnswer::WallMap => false,
        };
    }

    /**
     * @return mixed of the type of the answer (`BodyAnswer`)
     *
     * @throws JobError where the body cannot be made, or has no wall
     */
    public function work(CoreJob $core, Progress $progress = new Progress): mixed
    {
        return match ($this->answer) {
            BodyAnswer::Mesh => $this->mesh($core, $progress),
            BodyAnswer::OnSplines => $this->onSplines($core, $progress),
            BodyAnswer::Mass => JobBodies::mass($core, $this->body, $progress),
            BodyAnswer::Walls => JoinedBodies::bothWalls($core, $this->body, $this->chord, $progress),
            BodyAnswer::WallMap => $this->wallMap($core, $progress),
        };
    }

    /** Returns a key that differs wherever the question, what the body is made from, or the program does. */
    public function key(CoreJob $core): string
    {
        $runs = array_map(
            static fn (string $run): string => KeptSolutions::hash($core->runs[$run]),
            JobBodies::all($core)[$this->body] ?? [],
        );

        return md5(serialize([$this->answer, $this->body, $this->chord, $core->bodies[$this->body] ?? null, $runs]));
    }

    private function mesh(CoreJob $core, Progress $progress): Mesh
    {
        $part = JobBodies::parts($core, $this->chord, $this->body)->current();

        return $part instanceof FoundPart ? $part->mesh($this->chord, $progress) : $part->mesh($this->chord);
    }

    private function onSplines(CoreJob $core, Progress $progress): string|Mesh
    {
        $part = JobBodies::parts($core, $this->chord, $this->body)->current();
        $solid = $part instanceof FoundPart ? $part->onSplines($progress->share(0, 2)) : null;

        return $solid === null
            ? $this->mesh($core, $progress->share(1, 2))
            : (string) gzcompress(serialize($solid), 1);
    }

    /** @return array<string, mixed> */
    private function wallMap(CoreJob $core, Progress $progress): array
    {
        $mesh = $this->mesh($core, $progress->share(0, 2));
        $measuring = $progress->share(1, 2);
        $wallAt = JobBodies::wallsAt($core, $this->body);
        [$count, $done] = [count($mesh->vertices), 0];
        $pause = max(1, intdiv($count, self::PARTS));

        return BodyMeshWriter::walled($mesh, static function (Vector $at) use (
            $wallAt, $measuring, $count, $pause, &$done,
        ): ?float {
            if ($done++ % $pause === 0) {
                $measuring->tell($done / $count);
            }

            return $wallAt($at);
        });
    }
}
