<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Catalogue\Catalogue;
use App\Editing\JobFiles;
use App\Http\RequestBody;
use App\Models\Job;
use App\Settling\SettledShape;
use Bowline\Editing\EditError;
use Bowline\Exchange\CatalogueStock;
use Bowline\Job as CoreJob;
use Bowline\Job\FreshId;
use Bowline\Job\ItemRef;
use Bowline\Job\Node;
use Bowline\Job\Part\PartKind;
use Bowline\Job\Part\PartKinds;
use Bowline\Job\PortName;
use Bowline\Proposals\NewItem;
use Bowline\Routing\LaidRun;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use stdClass;

/** The first state of a new item; not stored. */
final readonly class NewItemController
{
    public function __construct(
        private JobFiles $files,
        private Catalogue $catalogue,
    ) {
    }

    public function __invoke(Request $request, Job $job): JsonResponse
    {
        $body = RequestBody::of($request, 'newItem');
        $file = $this->files->file($job);
        $new = new NewItem($file);
        [$list, $item] = match ($body->get('kind')->text()) {
            'fitting' => ['fittings', $new->fitting('Fitting')],
            'part' => ['fittings', $new->part(self::partKind($body->get('part')), $this->tube($body, $job))],
            'box' => ['surroundings', $new->box()],
            'cylinder' => ['surroundings', $new->cylinder()],
            'panel' => ['surroundings', $new->panel()],
            'mesh' => [
                'surroundings',
                $new->mesh(
                    $body->get('name')->text(), $body->get('mesh')->text(), $body->get('extent')->value,
                    $body->find('rounds')?->value,
                ),
            ],
            'port' => ['fittings', $this->portOn($body, $job, $new)],
            'stock' => ['stock', $new->stock()],
            'bundle' => ['stock', $new->bundle()],
            'harness' => ['harnesses', $new->harness()],
            'catalogue' => ['stock', $this->fromCatalogue($body, $file)],
            'run' => ['runs', self::run($body, $job, $new)],
            'branch' => ['runs', $this->branch($body, $job, $new)],
            'channel' => ['runs', self::channel($body, CoreJob::read($file), $new)],
            'strand' => ['runs', $new->strand($this->files->reader($job)->item('runs', $body->get('run')->text()))],
            default => ['clamps', $body->find('run') === null ? $new->clamp() : $this->clampOn($body, $job, $new)],
        };

        return response()->json(['list' => $list, 'item' => $item]);
    }

    private static function partKind(Node $word): PartKind
    {
        return PartKinds::find($word->text()) ??
            throw $word->error(sprintf('“%s” is no part that Bowline knows', $word->text()));
    }

    /** Returns the size of a port for the stock that is chosen, mm; null where none is. */
    private function tube(Node $body, Job $job): ?float
    {
        $stock = $body->find('stock');
        if ($stock === null) {
            return null;
        }
        $all = CoreJob::read($this->files->around($job, []))->site->stock;

        return ($all[$stock->text()] ?? throw $stock->error('there is no such stock'))->portSize();
    }

    private function portOn(Node $body, Job $job, NewItem $new): stdClass
    {
        $surrounding = $body->get('surrounding');
        $reader = $this->files->reader($job);
        $also = $reader->has('surroundings', $surrounding->text())
            ? [ItemRef::of('surroundings', $surrounding->text())]
            : [];
        $core = CoreJob::read($reader->around([], [], $also));
        $on = $core->site->surroundings[$surrounding->text()] ?? throw $surrounding->error('there is no such body');
        $number = $body->get('round');

        return $new->portOn(
            $on,
            $on->shape->rounds()[$core->site->values->count($number, 'the number of a round end', 0)] ??
                throw $number->error(sprintf('%s has no such round end', $on->name)),
            $this->tube($body, $job),
        );
    }

    private function clampOn(Node $body, Job $job, NewItem $new): stdClass
    {
        $id = $body->get('run')->text();
        $core = CoreJob::read($this->files->around($job, [$id]));
        $vertex = $body->get('vertex');

        return $new->clampOn(
            $this->laid($job, $core, $id),
            $core->site->values->count($vertex, 'the number of a leg'),
            $core->site->values->vector($body->get('at')),
        );
    }

    private function branch(Node $body, Job $job, NewItem $new): stdClass
    {
        $id = $body->get('run')->text();
        $core = CoreJob::read($this->files->around($job, [$id]));
        $along = $body->find('along');

        return $new->branch(
            $this->laid($job, $core, $id),
            $along === null ? null : $core->site->values->notNegative($along, 'the length to the branch'),
        );
    }

    private static function channel(Node $body, CoreJob $core, NewItem $new): stdClass
    {
        [$from, $to] = [$body->get('from'), $body->get('to')];
        if ($from->value === $to->value) {
            throw $to->error('a channel goes from one opening to another');
        }
        if (PortName::of($from->text())->fitting !== PortName::of($to->text())->fitting) {
            throw $to->error('both openings are of one block');
        }

        return $new->channel(
            $core, $core->site->stock($body->get('stock'))->id, $core->site->port($from), $core->site->port($to),
        );
    }

    private function laid(Job $job, CoreJob $core, string $id): LaidRun
    {
        $run = SettledShape::shown($job, $core->runs[$id] ?? throw new EditError('There is no such run.'));

        return $run->route->lay($run);
    }

    private static function run(Node $body, Job $job, NewItem $new): stdClass
    {
        $stock = $body->get('stock')->text();
        $radius = ($job->remembered->stock ?? null) === $stock ? $job->remembered->radius ?? null : null;

        return $new->run(
            $body->get('name')->text(),
            $stock,
            $body->get('from')->text(),
            $body->get('to')->text(),
            is_numeric($radius) ? (float) $radius : null,
        );
    }

    private function fromCatalogue(Node $body, stdClass $file): stdClass
    {
        $number = $body->get('part_number');
        $row = $this->catalogue->row($number->text()) ??
            throw $number->error(sprintf('the catalogue has no “%s”', $number->text()));
        $taken = array_map(
            static fn (Node $stock): string => $stock->get('id')->text(),
            (new Node($file))->list('stock'),
        );

        return CatalogueStock::stock(FreshId::of($number->text(), $taken), $row->cells());
    }
}
