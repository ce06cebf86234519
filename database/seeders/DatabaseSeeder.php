<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Editing\Action;
use App\Editing\JobEdits;
use App\Editing\JobFiles;
use App\Editing\JobState;
use App\Models\Job;
use App\Revisions\Issuing;
use Bowline\Job\JobFile;
use Bowline\Job\Node;
use Illuminate\Database\Seeder;
use RuntimeException;

/**
 * Puts the demo jobs into an empty database: the engine space of the pilot boat "Ternwake", its exhaust elbow, a
 * manifold block, a skid, its hoses and cables, its wiring, all invented.
 */
final class DatabaseSeeder extends Seeder
{
    /** The last one is the one that opens. */
    private const JOBS = ['hoses.json', 'skid.json', 'exhaust.json', 'manifold.json', 'wiring.json', 'ternwake.json'];

    /** The one of which revision A is issued, and B is in work. */
    private const ISSUED = 'skid.json';

    /** How long solving one of them may take, s. */
    private const LONGEST = 120.0;

    public function run(JobFiles $files, JobState $state, Issuing $issuing, JobEdits $edits): void
    {
        if (Job::query()->exists()) {
            return;
        }
        $jobs = [];
        foreach (self::JOBS as $name) {
            $json = file_get_contents(database_path('demo/'.$name));
            $job = $files->keep(
                JobFile::decode($json === false ? throw new RuntimeException('A demo job cannot be read.') : $json),
            );
            $state->solve($job, self::LONGEST);
            $jobs[$name] = $job;
        }
        // Servers of tests have their worker to themselves (tests/browser/server).
        if (getenv('BOWLINE_DEMO_REVISION') !== 'no') {
            $this->issue($jobs[self::ISSUED], $issuing, $edits);
            $state->solve($jobs[self::ISSUED], self::LONGEST);
        }
    }

    /** Issues revision A, whose files are made on the queue, and goes on: the drain loop is 20 higher. */
    private function issue(Job $job, Issuing $issuing, JobEdits $edits): void
    {
        $issuing->issue($job, 'A', 'Maud Larsen', 'For the first skid.');
        $drain = $job->runs()->where('key', 'drain')->firstOrFail()->definition;
        $stop = (new Node($drain))->get('route')->list('stops')[2];
        [$x, $y, $z] = array_map(static fn (Node $one): mixed => $one->value, $stop->get('at')->items());
        $stop->object()->at = [$x, $y, is_numeric($z) ? $z + 20 : $z];
        $edits->apply($job, Action::read(new Node((object) [
            'edits' => [(object) ['list' => 'runs', 'id' => 'drain', 'item' => $drain]],
            'name' => 'Raise the drain loop',
        ])));
    }
}
