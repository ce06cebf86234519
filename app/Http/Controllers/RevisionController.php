<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Attachment;
use App\Http\RequestBody;
use App\Models\Job;
use App\Models\MadePart;
use App\Models\Revision;
use App\Models\RevisionFile;
use App\People\People;
use App\People\Trail;
use App\People\TrailKind;
use App\Revisions\HashChain;
use App\Revisions\Issuing;
use App\Revisions\OpenPoints;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** The revisions of a job, and whether it is being worked on or checked. */
final readonly class RevisionController
{
    public function index(Job $job): JsonResponse
    {
        $revisions = $job->revisions()->orderByDesc('number')->get();
        // While one is issued this is asked again and again, and all files of all would be read for it.
        $broken = $revisions->contains('state', 'issuing') ? [] : HashChain::broken($job);
        $newest = $revisions->firstWhere('state', 'issued')?->number;

        return response()->json([
            'state' => $job->isInCheck() ? 'in-check' : 'working',
            'checking' => $job->isInCheck() ? $job->checking : null,
            'next' => $job->extras->revision ?? (Issuing::after($revisions->first()->name ?? '') ?? 'A'),
            'missing' => $revisions->whereIn('number', $broken)->count() < count($broken),
            'revisions' => $revisions->map(static fn (Revision $one): array => self::forApi(
                $one, $one->number !== $newest, ! in_array($one->number, $broken, true),
            ))->all(),
        ]);
    }

    /** Returns what keeps the job from being issued. */
    public function open(Job $job, OpenPoints $points): JsonResponse
    {
        return response()->json(['open' => $points->of($job)]);
    }

    public function store(Request $request, Job $job, Issuing $issuing): JsonResponse
    {
        $body = RequestBody::of($request, 'newRevision');
        $revision = $issuing->issue(
            $job, $body->get('name')->text(), People::name($body->get('by')->text()),
            $body->find('note')?->text() ?? '',
        );
        Trail::note(TrailKind::Issue, 'Issued revision '.$revision->name, $job, ['note' => $revision->note]);

        return response()->json(self::forApi($revision, false, true), 202);
    }

    public function show(Job $job, int $number): JsonResponse
    {
        $revision = self::find($job, $number);

        return response()->json([
            ...self::forApi($revision, false, ! in_array($number, HashChain::broken($job), true)),
            'files' => $revision->files()->orderBy('id')->get(['name', 'type', 'hash'])->map(
                static fn (RevisionFile $file): array => $file->only(['name', 'type', 'hash']),
            )->all(),
            'parts' => self::parts($revision),
        ]);
    }

    /** Marks a part of an issued revision as made, or takes that back. */
    public function made(Request $request, Job $job, int $number): JsonResponse
    {
        $revision = self::find($job, $number);
        $body = RequestBody::of($request, 'madePart');
        $part = $body->get('part')->text();
        if ($revision->state !== 'issued' || ! in_array($part, array_column(self::parts($revision), 'part'), true)) {
            throw $body->get('part')->error(sprintf('there is no part “%s” in what is issued', $part));
        }
        $marked = MadePart::query()->where('revision_id', $revision->id)->where('part', $part);
        if ($body->get('made')->value !== true) {
            $marked->delete();
        } elseif ($marked->doesntExist()) {
            MadePart::query()->create([
                'revision_id' => $revision->id, 'part' => $part, 'made_at' => now(),
                'made_by' => People::name($body->find('by')?->text() ?? ''),
            ]);
        }
        Trail::note(TrailKind::Made, sprintf(
            '%s of revision %s: %s', $part, $revision->name, $body->get('made')->value === true ? 'made' : 'not made',
        ), $job);

        return response()->json(['parts' => self::parts($revision)]);
    }

    /** @return list<array{part: string, made_by: string|null, made_at: string|null}> runs and spools */
    private static function parts(Revision $revision): array
    {
        $made = MadePart::query()->where('revision_id', $revision->id)->get()->keyBy('part');
        $parts = [];
        foreach ($revision->files()->orderBy('id')->pluck('name') as $name) {
            if (is_string($name) && preg_match('/^(.+)-(?:bends|cuts)\.csv$/', $name, $found) === 1) {
                $one = $made[$found[1]] ?? null;
                $parts[] = [
                    'part' => $found[1], 'made_by' => $one?->made_by, 'made_at' => $one?->made_at->toIso8601String(),
                ];
            }
        }

        return $parts;
    }

    public function file(Job $job, int $number, string $name): Response
    {
        $file = self::find($job, $number)->files()->where('name', $name)->first() ?? throw new NotFoundHttpException;

        return Attachment::of($file->content, $file->type, $file->name);
    }

    /** Asks for a check of the job as it is now, or takes that back. */
    public function check(Request $request, Job $job): JsonResponse
    {
        $by = RequestBody::of($request, 'askCheck')->get('by')->value;
        $job->alone(static function () use ($job, $by): void {
            $job->checking = ! is_string($by) ? null : (object) [
                'by' => People::name($by), 'at' => now()->toIso8601String(), 'revision' => $job->revision,
            ];
            $job->timestamps = false;
            $job->save();
        });

        return $this->index($job);
    }

    private static function find(Job $job, int $number): Revision
    {
        return $job->revisions()->where('number', $number)->first() ?? throw new NotFoundHttpException;
    }

    /** @return array<string, mixed> schema/api.json, `jobRevision` */
    private static function forApi(Revision $revision, bool $isOlder, bool $isIntact): array
    {
        return [
            'number' => $revision->number, 'name' => $revision->name, 'by' => $revision->issued_by,
            'note' => $revision->note,
            'state' => $revision->state === 'issued' && $isOlder ? 'superseded' : $revision->state,
            'part' => $revision->part, 'problem' => $revision->problem, 'job' => $revision->frozen_id,
            'asked_at' => $revision->asked_at->toIso8601String(),
            'issued_at' => $revision->issued_at?->toIso8601String(), 'hash' => $revision->hash, 'intact' => $isIntact,
        ];
    }
}
