<?php

declare(strict_types=1);

namespace App\Http;

use Bowline\Editing\RunEdits;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Schema;
use Illuminate\Http\Request;
use JsonException;

/** Checks the body of a request against its schema. */
final class RequestBody
{
    /**
     * @param  string  $definition  a name in schema/api.json
     *
     * @throws JobError when it is no JSON or does not fit
     */
    public static function of(Request $request, string $definition): Node
    {
        $body = self::decoded($request);
        resolve(Schema::class)->require($body->value, 'api.json#/$defs/'.$definition);

        return $body;
    }

    /**
     * Returns a change of a run (schema/laying.json), checked against the definition that its `do` names, so that
     * errors are about that one.
     *
     * @throws JobError
     */
    public static function change(Request $request): Node
    {
        $body = self::decoded($request);
        $kind = RunEdits::definition(RunEdits::of($body));
        resolve(Schema::class)->require($body->value, 'laying.json#/$defs/'.$kind);

        return $body;
    }

    /**
     * Returns the body of a preview, sent at every move of a drag (schema/laying.json, `previewRun` and
     * `previewPlace`). Nothing of it is stored and the core checks what it reads; the schema would be the slowest part
     * of the answer (bench/preview.mjs). Only a run that is not stored yet is checked against it.
     *
     * @throws JobError
     */
    public static function preview(Request $request): Node
    {
        $body = self::decoded($request);
        $body->get('change')->object();
        $draft = $body->find('draft');
        if ($draft !== null) {
            try {
                resolve(Schema::class)->require($draft->value, 'job.json#/$defs/run');
            } catch (JobError $error) {
                throw JobError::at($draft->pointer.$error->pointer, $error->getMessage());
            }
        }

        return $body;
    }

    private static function decoded(Request $request): Node
    {
        try {
            $data = json_decode($request->getContent(), false, 64, JSON_THROW_ON_ERROR);
        } catch (JsonException $exception) {
            throw JobError::at('', 'this is not JSON: '.$exception->getMessage());
        }

        return new Node($data);
    }
}
