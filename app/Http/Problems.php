<?php

declare(strict_types=1);

namespace App\Http;

use App\Bodies\BodyPending;
use App\Editing\EditClash;
use App\Editing\EditRefused;
use App\Editing\StorageFailed;
use App\People\TooManyTries;
use App\Revisions\JobIsFrozen;
use App\Revisions\RevisionRefused;
use App\Support\WorkBrokenOff;
use Bowline\Editing\EditError;
use Bowline\Job\JobError;
use Illuminate\Database\QueryException;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Http\Exceptions\PostTooLargeException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Symfony\Component\ErrorHandler\Error\FatalError;
use Symfony\Component\HttpKernel\Exception\AccessDeniedHttpException;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Answers to refused requests: plain words and the place of the error (schema/api.json, `problem`). */
final class Problems
{
    public static function register(Exceptions $exceptions): void
    {
        $exceptions->dontReport([
            BodyPending::class,
            EditClash::class,
            EditRefused::class,
            JobIsFrozen::class,
            RevisionRefused::class,
            JobError::class,
            EditError::class,
            TooManyTries::class,
            WorkBrokenOff::class,
        ]);
        $exceptions->render(
            static fn (BodyPending $pending): JsonResponse => response()->json($pending->work->forApi(), 202),
        );
        // There is no one to answer when the client has gone.
        $exceptions->render(
            static fn (WorkBrokenOff $broken): JsonResponse => response()->json(
                ['message' => $broken->getMessage()],
                $broken->isClientGone ? 408 : 422,
            ),
        );
        $exceptions->render(static fn (EditClash $clash): JsonResponse => response()->json([
            'message' => $clash->getMessage(),
            'list' => $clash->list,
            'id' => $clash->id,
            'clash' => ['places' => $clash->clashes, 'now' => $clash->now, 'with_yours' => $clash->withYours],
        ], 409));
        $exceptions->render(static fn (EditRefused $refused): JsonResponse => response()->json([
            'message' => $refused->getMessage(),
            'list' => $refused->list,
            'id' => $refused->id,
            'pointer' => $refused->pointer,
        ], 422));
        $exceptions->render(static fn (JobIsFrozen $frozen): JsonResponse => response()->json([
            'message' => $frozen->getMessage(),
        ], 423));
        $exceptions->render(static fn (RevisionRefused $refused): JsonResponse => response()->json([
            'message' => $refused->getMessage(),
            'open' => $refused->open,
        ], 422));
        $exceptions->render(static fn (JobError $error): JsonResponse => response()->json([
            'message' => $error->getMessage(),
            'pointer' => $error->pointer,
        ], 422));
        $exceptions->render(static fn (TooManyTries $tries): JsonResponse => response()->json([
            'message' => $tries->getMessage(),
        ], 429, ['Retry-After' => (string) max(1, $tries->seconds)]));
        $exceptions->render(static fn (AccessDeniedHttpException $denied): JsonResponse => response()->json([
            'message' => $denied->getMessage(),
        ], 403));
        // In PHP-FPM a request ends when it has computed too long (WorkTime).
        $exceptions->render(static fn (FatalError $error): ?JsonResponse => str_contains(
            $error->getMessage(), 'Maximum execution time',
        ) ? response()->json(['message' => WorkBrokenOff::timeUp()->getMessage()], 503) : null);
        $exceptions->render(
            static fn (StorageFailed $failed): JsonResponse => response()->json(
                ['message' => $failed->getMessage()],
                507,
            ),
        );
        $exceptions->render(static function (QueryException $error, Request $request): ?JsonResponse {
            $message = Health::wordsFor($error->getMessage());

            return $message === null || ! $request->is('api/*') ? null : response()->json(['message' => $message], 503);
        });
        $exceptions->render(
            static fn (PostTooLargeException $error): JsonResponse => response()->json(
                ['message' => BodySize::WORDS],
                413,
            ),
        );
        $exceptions->render(
            static fn (EditError $error): JsonResponse => response()->json(['message' => $error->getMessage()], 422),
        );
        $exceptions->render(
            static fn (NotFoundHttpException $error, Request $request): ?JsonResponse => $request->is('api/*')
                ? response()->json(['message' => 'This is not there (any more).'], 404)
                : null,
        );
    }
}
