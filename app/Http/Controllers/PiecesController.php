<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Editing\JobFiles;
use App\Http\RequestBody;
use App\Models\Job;
use Bowline\Exchange\SolutionWriter;
use Bowline\Geometry\Line;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job as CoreJob;
use Bowline\Job\FileValue;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Port;
use Bowline\Job\Site;
use Bowline\Proposals\Joint;
use Bowline\Proposals\Pieces;
use Bowline\Routing\Run;
use Bowline\Solving\Solver;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use stdClass;

/** Straight pieces joined into a run while they are placed: the run as it would be, and each joint. Not stored. */
final readonly class PiecesController
{
    public function __construct(private JobFiles $files)
    {
    }

    public function __invoke(Request $request, Job $job): JsonResponse
    {
        $body = RequestBody::of($request, 'joinPieces');
        $file = $this->files->file($job);
        $core = CoreJob::readOnly($file, static fn (): bool => false);
        $stock = $core->site->stock($body->get('stock'));
        $radius = $body->find('radius');
        $asked = $radius === null ? $stock->bend->radius : $core->site->values->positive($radius, 'the bend radius');
        $lines = array_map(static fn (Node $piece): Line => self::line($piece, $core->site), $body->list('pieces'));
        assert($lines !== []);
        $joined = Pieces::join($lines, $asked, $stock);
        $item = (object) [
            'id' => $body->find('id')?->text() ?? 'pieces', 'stock' => $stock->id,
            'from' => self::end($lines[0]->start(), $core->site),
            'to' => self::end($lines[count($lines) - 1]->end(), $core->site),
            'route' => (object) [
                'kind' => 'corners',
                ...$radius === null ? [] : ['corner' => (object) ['radius' => $radius->value]],
                'stops' => $joined->stops(),
            ],
        ];

        return response()->json([
            'item' => $item,
            'solution' => SolutionWriter::run((new Solver($core))->preview(Run::read(new Node($item), $core->site))),
            'joints' => array_map(
                static fn (Joint $joint): array => self::joint($joint, $lines),
                $joined->joints,
            ),
        ]);
    }

    /** @throws JobError */
    private static function line(Node $piece, Site $site): Line
    {
        $line = new Line($site->values->vector($piece->get('from')), $site->values->vector($piece->get('to')));

        return $line->length() > Tolerance::COINCIDENT
            ? $line
            : throw $piece->get('to')->error('a piece must have a length');
    }

    /** Returns an end at a port where there is one, otherwise a bare point. */
    private static function end(Vector $at, Site $site): stdClass
    {
        $port = array_filter(
            $site->ports,
            static fn (Port $port): bool => $port->at->distanceTo($at) < Tolerance::POINTED_AT,
        );

        return (object) ($port === []
            ? ['at' => FileValue::vector($at)]
            : ['port' => array_key_first($port)]);
    }

    /**
     * @param  list<Line>  $lines
     * @return array<string, mixed>
     */
    private static function joint(Joint $joint, array $lines): array
    {
        $pulled = $joint->pull?->applied($lines[$joint->pull->piece]);

        return [
            'corners' => array_map(static fn (Vector $corner): array => $corner->toArray(), $joint->corners),
            'short' => $joint->short,
            'has_room' => $joint->short <= Tolerance::COINCIDENT,
            'pull' => $joint->pull === null || $pulled === null
                ? null
                : [
                    'piece' => $joint->pull->piece,
                    'at_end' => $joint->pull->atEnd,
                    'by' => $joint->pull->by,
                    'from' => FileValue::vector($pulled->from),
                    'to' => FileValue::vector($pulled->to),
                ],
        ];
    }
}
