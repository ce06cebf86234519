<?php

declare(strict_types=1);

namespace Bowline;

use Bowline\Job\ClearanceTable;
use Bowline\Job\Guides;
use Bowline\Job\Harness\Harness;
use Bowline\Job\Harness\HarnessReader;
use Bowline\Job\JobError;
use Bowline\Job\JobFile;
use Bowline\Job\JoinedBody;
use Bowline\Job\Node;
use Bowline\Job\SheetSettings;
use Bowline\Job\Site;
use Bowline\Routing\RouteBook;
use Bowline\Routing\Run;
use stdClass;

/** A job: its site and its runs. The same job always has the same solution. */
final readonly class Job
{
    /**
     * @param  array<string, Run>  $runs
     * @param  stdClass  $source  the file that it was read from; never changed
     * @param  array<string, JoinedBody>  $bodies  of several runs; none where only some runs were read
     * @param  array<string, Harness>  $harnesses  likewise
     */
    private function __construct(
        public string $name,
        public Site $site,
        public array $runs,
        public stdClass $source,
        public ClearanceTable $clearances,
        public Guides $guides,
        public SheetSettings $sheets,
        public array $bodies = [],
        public array $harnesses = [],
    ) {
    }

    /**
     * Reads a job file.
     *
     * @throws JobError at the first thing that is wrong
     */
    public static function fromJson(string $json): self
    {
        return self::read(JobFile::decode($json));
    }

    /**
     * @param  stdClass  $source  a decoded job file whose shape has been checked
     *
     * @throws JobError
     */
    public static function read(stdClass $source): self
    {
        $node = new Node($source);
        $site = RouteBook::site($node);

        $runs = Site::byId($node->list('runs'), static fn (Node $run): Run => Run::read($run, $site));
        foreach ($node->list('bodies') as $body) {
            foreach ($runs as $run) {
                if ($run->channel?->channel->block->id === $body->get('id')->text()) {
                    throw $body->get('id')->error(sprintf(
                        '“%s” is a block that %s goes through', $body->get('id')->text(), $run->name,
                    ));
                }
            }
        }

        return new self(
            $node->find('name')?->text() ?? '', $site, $runs, $source, ClearanceTable::read($node, $site->values),
            Guides::read($node, $site->values), SheetSettings::read($node, $site->values),
            JoinedBody::all($node, $site->values),
            HarnessReader::all($node, $site),
        );
    }

    /**
     * Reads the site and those runs that are asked for.
     *
     * @param  callable(stdClass): bool  $isWanted  of a run in the shape of the file
     *
     * @throws JobError
     */
    public static function readOnly(stdClass $source, callable $isWanted): self
    {
        $node = new Node($source);
        $site = RouteBook::site($node);
        $wanted = array_values(
            array_filter($node->list('runs'), static fn (Node $run): bool => $isWanted($run->object())),
        );

        return new self(
            $node->find('name')?->text() ?? '',
            $site,
            Site::byId($wanted, static fn (Node $run): Run => Run::read($run, $site)),
            $source,
            ClearanceTable::read($node, $site->values),
            Guides::read($node, $site->values), SheetSettings::read($node, $site->values),
        );
    }

    /**
     * Returns the same job with other harnesses, without reading the rest again.
     *
     * @param  stdClass  $source  its file, which differs in the list of harnesses only
     *
     * @throws JobError
     */
    public function withHarnesses(stdClass $source): self
    {
        return new self(
            $this->name, $this->site, $this->runs, $source, $this->clearances, $this->guides, $this->sheets,
            $this->bodies,
            HarnessReader::all(new Node($source), $this->site),
        );
    }
}
