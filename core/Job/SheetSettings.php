<?php

declare(strict_types=1);

namespace Bowline\Job;

/** What stands on every drawing of a job: its paper, its projection, and the fields of its title block. */
final readonly class SheetSettings
{
    /**
     * @param  string  $paper  "a4", "letter" …
     * @param  bool  $isThirdAngle  views are put on the side from which they look (ISO 5456-2)
     * @param  string  $company  legal owner; empty where none is told, like all of these
     * @param  string  $number  of the drawing
     * @param  string  $tolerance  general tolerance, in words
     * @param  list<array{string, string}>  $fields  of its own: names and values
     * @param  string  $revision  of the job
     * @param  string  $north  axis that points north: "+y"
     * @param  Logo|null  $logo  of the owner; null where there is none
     * @param  PartTolerances  $partTolerances  how far bent parts may be off
     */
    private function __construct(
        public string $paper,
        public bool $isThirdAngle,
        public string $company,
        public string $number,
        public string $drawnBy,
        public string $checkedBy,
        public string $tolerance,
        public array $fields,
        public string $revision,
        public string $north,
        public ?Logo $logo,
        public PartTolerances $partTolerances,
    ) {
    }

    /** @throws JobError */
    public static function read(Node $job, Values $values): self
    {
        $node = $job->find('sheets');
        $logo = $node?->find('logo');
        $word = static fn (string $key): string => $node?->find($key)?->text() ?? '';

        return new self(
            $word('paper') === '' ? 'a4' : $word('paper'), $word('projection') === 'third', $word('company'),
            $word('number'), $word('drawn_by'), $word('checked_by'), $word('tolerance'),
            array_map(static fn (Node $field): array => [
                $field->get('name')->text(), $field->find('value')?->text() ?? '',
            ], $node?->list('fields') ?? []),
            $job->find('revision')?->text() ?? '', $word('north'),
            $logo === null ? null : Logo::read($logo), PartTolerances::read($node, $values),
        );
    }

    /** Returns the same on other paper. */
    public function on(string $paper): self
    {
        return new self(
            $paper, $this->isThirdAngle, $this->company, $this->number, $this->drawnBy, $this->checkedBy,
            $this->tolerance, $this->fields, $this->revision, $this->north, $this->logo, $this->partTolerances,
        );
    }
}
