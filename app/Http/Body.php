<?php

declare(strict_types=1);

namespace App\Http;

use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Schema;
use Illuminate\Http\Request;
use JsonException;

/** The body of a request, checked against its schema. */
final class Body
{
    /** What schema/laying.json calls each kind of change, by the word in `do`. */
    private const CHANGES = [
        'move-corner' => 'moveCorner', 'move-leg' => 'moveLeg', 'set-leg' => 'setLeg', 'insert-corner' => 'insertCorner',
        'remove-corner' => 'removeCorner', 'set-corner' => 'setCorner', 'hold-length' => 'holdLength', 'add-leg' => 'addLeg',
        'take-back' => 'takeBack', 'finish' => 'finish', 'put-corners' => 'putCorners', 'reverse' => 'reverse', 'tie' => 'tie', 'untie' => 'untie', 'through-clamp' => 'throughClamp', 'make-own' => 'makeOwn', 'set-route' => 'setRoute', 'keep-shape' => 'keepShape', 'ease' => 'ease', 'as-points' => 'asPoints',
        'make-symmetric' => 'makeSymmetric', 'move' => 'move', 'turn' => 'turn',
    ];

    /**
     * @param  string  $definition  a name in schema/api.json
     *
     * @throws JobError when it is no JSON or does not fit
     */
    public static function of(Request $request, string $definition): Node
    {
        $body = self::decoded($request);
        Schema::check($body->value, 'api.json#/$defs/'.$definition);

        return $body;
    }

    /**
     * A change of a run or of something placed (schema/laying.json): checked as what its `do` says it is, so
     * that an error is about that and not about all it is not.
     *
     * @throws JobError
     */
    public static function change(Request $request): Node
    {
        $body = self::decoded($request);
        $do = $body->get('do');
        $kind = self::CHANGES[$do->text()] ?? throw $do->error(sprintf('“%s” is no change that is known here', $do->text()));
        Schema::check($body->value, 'laying.json#/$defs/'.$kind);

        return $body;
    }

    /**
     * A preview, asked for at every move of a hand (schema/laying.json, `previewRun` and `previewPlace`). Nothing
     * of it is kept, and the core checks all that it reads: the schema would be the slowest part of the answer
     * (bench/preview.mjs). Only a run that is not kept yet goes past it.
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
                Schema::check($draft->value, 'job.json#/$defs/run');
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
