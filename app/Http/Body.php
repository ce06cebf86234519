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
    /**
     * @param  string  $definition  a name in schema/api.json
     *
     * @throws JobError when it is no JSON or does not fit
     */
    public static function of(Request $request, string $definition): Node
    {
        try {
            $data = json_decode($request->getContent(), false, 64, JSON_THROW_ON_ERROR);
        } catch (JsonException $exception) {
            throw JobError::at('', 'this is not JSON: '.$exception->getMessage());
        }
        Schema::check($data, 'api.json#/$defs/'.$definition);

        return new Node($data);
    }
}
