<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Attachment;
use App\People\People;
use App\People\Trail;
use Bowline\Exchange\CsvTables;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Carbon;
use Spatie\Activitylog\Models\Activity;

/** The trail of a team: who did what, when, with what there was before and after. */
final class TrailController
{
    private const PAGE = 100;

    /** Most rows of the file. */
    private const MOST = 100_000;

    public function index(Request $request): JsonResponse
    {
        $found = self::found($request);
        $before = (int) $request->query->getString('before');
        $rows = ($before > 0 ? (clone $found)->where('id', '<', $before) : clone $found)
            ->orderByDesc('id')->limit(self::PAGE)->get();

        return response()->json([
            'found' => $found->count(),
            'entries' => $rows->map(static fn (Activity $one): array => [
                ...self::cells($one), 'details' => $one->properties?->except(['by', 'job'])->all() ?? [],
            ])->all(),
        ]);
    }

    public function csv(Request $request): Response
    {
        $rows = [['number', 'when', 'who', 'what', 'job', 'words', 'details']];
        foreach (self::found($request)->orderBy('id')->limit(self::MOST)->lazyById(500) as $one) {
            $cells = self::cells($one);
            $rows[] = [
                (string) $cells['id'], $cells['at'], $cells['by'], $cells['event'], $cells['job'] ?? '',
                $cells['words'],
                json_encode(
                    $one->properties?->except(['by', 'job'])->all() ?? [],
                    JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES,
                ),
            ];
        }

        return Attachment::of(CsvTables::csv($rows), 'text/csv', 'trail.csv');
    }

    /** @return Builder<Activity> what the query asks for, of the team */
    private static function found(Request $request): Builder
    {
        $query = Activity::query()->where('log_name', Trail::ofTeam(People::team()));
        $text = static fn (string $key): string => $request->query->getString($key);
        if ($text('job') !== '') {
            $query->where('subject_id', (int) $text('job'));
        }
        if ($text('person') !== '') {
            $query->where('causer_id', (int) $text('person'));
        }
        if ($text('what') !== '') {
            $query->where('event', $text('what'));
        }
        if (strtotime($text('from')) !== false) {
            $query->where('created_at', '>=', Carbon::parse($text('from')));
        }
        if (strtotime($text('to')) !== false) {
            $query->where('created_at', '<=', Carbon::parse($text('to'))->endOfDay());
        }

        return $query;
    }

    /** @return array{id: int, at: string, by: string, event: string, job: string|null, words: string} */
    private static function cells(Activity $one): array
    {
        $text = static function (string $key) use ($one): ?string {
            $value = $one->properties?->get($key);

            return is_string($value) ? $value : null;
        };

        return [
            'id' => $one->id, 'at' => $one->created_at?->toIso8601String() ?? '', 'by' => $text('by') ?? '',
            'event' => (string) $one->event, 'job' => $text('job'), 'words' => $one->description,
        ];
    }
}
