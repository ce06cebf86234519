<?php

declare(strict_types=1);

namespace Bowline\Job;

use JsonException;
use stdClass;

/** The job file as text: decoded, and checked for its shape against the schema. */
final class JobFile
{
    /** Deeper than any job; keeps hostile files from exhausting the parser. */
    private const DEPTH = 64;

    /**
     * @throws JobError when it is no JSON, no job file, or of a shape the schema does not allow
     */
    public static function decode(string $json): stdClass
    {
        try {
            $data = json_decode($json, false, self::DEPTH, JSON_THROW_ON_ERROR);
        } catch (JsonException $exception) {
            throw JobError::at('', 'this is not JSON: '.$exception->getMessage());
        }
        if (! $data instanceof stdClass) {
            throw JobError::at('', 'a job file is a JSON object');
        }
        $node = new Node($data);
        if ($node->get('format')->value !== Job::FORMAT) {
            throw JobError::at('/format', sprintf('this is not a job file: “format” must be “%s”', Job::FORMAT));
        }
        if ($node->get('version')->value !== Job::VERSION) {
            throw JobError::at('/version', sprintf('this version of the job file is not known here; %d is', Job::VERSION));
        }
        Schema::check($data, 'job.json');

        return $data;
    }
}
