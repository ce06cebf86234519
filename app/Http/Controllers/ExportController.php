<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Bodies\BodyAnswer;
use App\Bodies\BodyQuestion;
use App\Bodies\KeptBodies;
use App\Editing\JobFiles;
use App\Editing\Meshes;
use App\Http\Attachment;
use App\Http\TemporaryFile;
use App\Models\Job;
use App\Settling\SettledShape;
use Bowline\Exchange\BenderWriter;
use Bowline\Exchange\Body\BodyFormats;
use Bowline\Exchange\Body\ChordTolerance;
use Bowline\Exchange\Body\MeshLimit;
use Bowline\Exchange\BodyMeshWriter;
use Bowline\Exchange\CsvTables;
use Bowline\Exchange\CutListWriter;
use Bowline\Exchange\Dxf\DxfWriter;
use Bowline\Exchange\FoundPart;
use Bowline\Exchange\JobArchive;
use Bowline\Exchange\JobBodies;
use Bowline\Exchange\MachineTable;
use Bowline\Exchange\MassWriter;
use Bowline\Exchange\Part;
use Bowline\Exchange\Parts;
use Bowline\Exchange\Step\StepWriter;
use Bowline\Job as CoreJob;
use Bowline\Job\JobError;
use Bowline\Job\JobFile;
use Bowline\Job\Node;
use Bowline\Routing\LaidRun;
use Bowline\Routing\Run;
use Bowline\Solving\SolvedRun;
use Bowline\Solving\Solver;
use Generator;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/**
 * The files that can be downloaded.
 *
 * @phpstan-import-type Facts from MassWriter
 */
final readonly class ExportController
{
    /** Header that tells on what the body in a file was written. */
    private const SURFACES = 'X-Written-On';

    /** How fine the bores of a body are looked at for its walls, mm. */
    private const WALLS = 0.5;

    /** Most triangles of all meshes in a plain job file, which has to be opened again as JSON (BodySize). */
    private const MOST_IN_PLAIN_FILE = 1_000_000;

    public function __construct(
        private JobFiles $files,
        private Meshes $meshes,
        private KeptBodies $bodies,
    ) {
    }

    public function file(Job $job): Response
    {
        $file = $this->files->file($job);
        if ($this->meshes->count($file) > self::MOST_IN_PLAIN_FILE) {
            throw JobError::at(
                '/meshes',
                'the bodies of this job are too large for a plain job file: save it as .bowline, with its bodies '.
                'beside it',
            );
        }

        return self::download(JobFile::encode($file), 'application/json', $job->name, 'bowline.json');
    }

    /** Downloads the job file in a ZIP with its meshes. */
    public function archive(Job $job): BinaryFileResponse
    {
        $path = TemporaryFile::make();
        try {
            JobArchive::write($this->files->file($job), $path);
        } catch (JobError $error) {
            unlink($path);
            throw $error;
        }

        return response()
            ->download($path, Attachment::name($job->name, 'bowline'), ['Content-Type' => 'application/zip'])
            ->deleteFileAfterSend();
    }

    public function bends(Request $request, Job $job, string $run): Response
    {
        $solved = self::spool($request, $this->solved($job, $run));

        return self::download(CsvTables::bends($solved), 'text/csv', $solved->laid->run->name, 'bends.csv');
    }

    public function cuts(Request $request, Job $job, string $run): Response
    {
        $solved = self::spool($request, $this->solved($job, $run));

        return self::download(
            CutListWriter::csv($solved->laid) ?? throw new NotFoundHttpException, 'text/csv', $solved->laid->run->name,
            'cuts.csv',
        );
    }

    /** Downloads the table of the shop's own bender, with the columns that the query names as JSON. */
    public function machineTable(Request $request, Job $job, string $run, string $kind): Response
    {
        $columns = json_decode($request->query->getString('columns'), false, 8);
        $table = MachineTable::read(new Node($kind, '/kind'), new Node($columns, '/columns'));
        $solved = self::spool($request, $this->solved($job, $run));

        return self::download($table->write($solved), 'text/csv', $solved->laid->run->name, $kind.'.csv');
    }

    public function vertices(Request $request, Job $job, string $run): Response
    {
        $solved = self::spool($request, $this->solved($job, $run));

        return self::download(CsvTables::vertices($solved), 'text/csv', $solved->laid->run->name, 'vertices.csv');
    }

    public function centreline(Job $job, string $run): Response
    {
        $laid = $this->solved($job, $run)->laid;

        return self::download(DxfWriter::write([$laid]), 'image/vnd.dxf', $laid->run->name, 'dxf');
    }

    public function centrelines(Job $job): Response
    {
        $core = CoreJob::read($this->files->file($job));
        $laid = array_map(
            static fn (Run $run): LaidRun => $run->route->lay($run),
            array_map(static fn (Run $run): Run => SettledShape::of($job, $run), array_values($core->runs)),
        );

        return self::download(DxfWriter::write($laid), 'image/vnd.dxf', $job->name, 'dxf');
    }

    /** Returns whether each bender can bend the run, or the spool that the query names. */
    public function benders(Request $request, Job $job, string $run): JsonResponse
    {
        [$core, $solved] = $this->withJob($job, $run);

        return response()->json(BenderWriter::write($core, self::spool($request, $solved)->laid));
    }

    /** Returns what the body of a run weighs and holds, with its ends. */
    public function mass(Job $job, string $run): JsonResponse
    {
        return response()->json(MassWriter::write($this->solved($job, $run), '/runs/'.$run));
    }

    /**
     * Returns what the bodies of all runs weigh and hold together, or those of the runs that the query names, with
     * slashes between their ids, which have none.
     */
    public function jobMass(Request $request, Job $job): JsonResponse
    {
        $chosen = $request->query->has('runs') ? explode('/', $request->query->getString('runs')) : null;
        $core = CoreJob::read($this->files->file($job));
        foreach ($chosen ?? [] as $id) {
            if (! isset($core->runs[$id])) {
                throw JobError::at('/runs', sprintf('there is no run “%s”', $id));
            }
        }
        $bodies = array_filter(
            JobBodies::all($core),
            static fn (array $runs): bool => $chosen === null || array_diff($runs, $chosen) === [],
        );
        $joined = array_merge(...array_values($bodies));
        $runs = (function () use ($job, $core, $chosen, $joined): Generator {
            foreach (self::solvedRuns($job, $core, $chosen) as $id => $solved) {
                if (! in_array($id, $joined, true)) {
                    yield '/runs/'.$id => $solved;
                }
            }
        })();

        return response()->json(MassWriter::total($runs, array_map(
            fn (string $id): array => $this->massOf($job, $core, $id), array_keys($bodies),
        )));
    }

    /** @return Generator<Part> a body as it was found */
    private function made(Job $job, CoreJob $core, string $body, float $chord, string $format): Generator
    {
        foreach (JobBodies::parts($core, $chord, $body) as $part) {
            yield $this->bodies->part($job, $core, $body, $part, $chord, $format === StepWriter::ending());
        }
    }

    /** Returns what a body of several runs weighs and holds. */
    public function joinedMass(Job $job, string $body): JsonResponse
    {
        $core = CoreJob::read($this->files->file($job));

        return response()->json($this->massOf($job, $core, self::there($core, $body)));
    }

    /** @return Facts */
    private function massOf(Job $job, CoreJob $core, string $body): array
    {
        /** @var Facts */
        return $this->bodies->answer($job, $core, new BodyQuestion(BodyAnswer::Mass, $body, MassWriter::FINE));
    }

    /** @throws NotFoundHttpException where there is no body of several runs, or block with channels, of that id */
    private static function there(CoreJob $core, string $id): string
    {
        return isset(JobBodies::all($core)[$id]) ? $id : throw new NotFoundHttpException;
    }

    /** Returns the triangles of a body of several runs, for the view. */
    public function joinedMesh(Request $request, Job $job, string $body): JsonResponse
    {
        $core = CoreJob::read($this->files->file($job));

        return response()->json(BodyMeshWriter::packed([
            $this->bodies->mesh($job, $core, self::there($core, $body), self::chord($request)),
        ]));
    }

    /** Returns the triangles of a body of several runs, or of a block, with the wall at each vertex. */
    public function wallMap(Request $request, Job $job, string $body): JsonResponse
    {
        $core = CoreJob::read($this->files->file($job));

        return response()->json($this->bodies->answer($job, $core, new BodyQuestion(
            BodyAnswer::WallMap, self::there($core, $body), self::chord($request),
        )));
    }

    /** Returns the walls of a body of several runs, in both orders in which it may be made. */
    public function joinedWalls(Job $job, string $body): JsonResponse
    {
        $core = CoreJob::read($this->files->file($job));

        return response()->json($this->bodies->answer($job, $core, new BodyQuestion(
            BodyAnswer::Walls, isset($core->bodies[$body]) ? $body : throw new NotFoundHttpException, self::WALLS,
        )));
    }

    /** Downloads the body of a run in the format of an ending. */
    public function body(Request $request, Job $job, string $run, string $format): Response
    {
        $solved = self::spool($request, $this->solved($job, $run));
        $writer = BodyFormats::find($format) ?? throw new NotFoundHttpException;
        $name = $solved->laid->run->name;

        return self::download(
            $writer::write($name, Parts::atLeastOne(self::parts($solved, $run)), self::chord($request)),
            $writer::mediaType(),
            $name,
            $format,
        );
    }

    /** Returns how many triangles the body of a run, or of a spool, has at a chord tolerance. */
    public function triangles(Request $request, Job $job, string $run): JsonResponse
    {
        $solved = self::spool($request, $this->solved($job, $run));

        return response()->json([
            'triangles' => MeshLimit::triangles(self::parts($solved, $run), self::chord($request)),
        ]);
    }

    /** Downloads the bodies of all runs, or the body of several that the query names. */
    public function bodies(Request $request, Job $job, string $format): Response
    {
        $writer = BodyFormats::find($format) ?? throw new NotFoundHttpException;
        $isAround = $request->query->getString('with') === 'around';
        $core = CoreJob::read($this->files->file($job));
        $body = $request->query->has('body') ? $request->query->getString('body') : null;
        if ($body !== null) {
            $parts = [...$this->made($job, $core, self::there($core, $body), self::chord($request), $format)];
            $name = $core->bodies[$body]->name ?? $core->site->fittings[$body]->name
                ?? $core->site->surroundings[$body]->name ?? $body;

            $file = self::download(
                $writer::write($name, $parts, self::chord($request)), $writer::mediaType(), $name, $format,
            );
            // Of a body that is found, the page tells on what it was written.
            $file->headers->set(self::SURFACES, match (true) {
                $parts[0] instanceof FoundPart => 'triangles',
                JobBodies::isExact($core, $body) => 'exact',
                default => 'splines',
            });

            return $file;
        }
        $chord = self::chord($request);
        $parts = (function () use ($job, $core, $isAround, $chord, $format): Generator {
            $joined = JobBodies::members($core);
            foreach (self::solvedRuns($job, $core) as $id => $solved) {
                foreach (in_array($id, $joined, true) ? [] : self::parts($solved, $id) as $part) {
                    yield $part;
                }
            }
            foreach (array_keys(JobBodies::all($core)) as $body) {
                yield from $this->made($job, $core, $body, $chord, $format);
            }
            if ($isAround) {
                yield from Parts::around($core->site, JobBodies::isNotMade($core));
            }
        })();

        return self::download(
            $writer::write($job->name, Parts::atLeastOne($parts), self::chord($request)), $writer::mediaType(),
            $job->name, $format,
        );
    }

    /**
     * @param  list<string>|null  $chosen  ids; null for all
     * @return Generator<string, SolvedRun> by id, one solved after another
     */
    private static function solvedRuns(Job $job, CoreJob $core, ?array $chosen = null): Generator
    {
        $solver = new Solver($core);
        foreach ($core->runs as $run) {
            if ($chosen !== null && ! in_array($run->id, $chosen, true)) {
                continue;
            }
            yield $run->id => $solver->preview(SettledShape::of($job, $run));
        }
    }

    /** @return array{CoreJob, SolvedRun} */
    private function withJob(Job $job, string $run): array
    {
        $core = CoreJob::read($this->files->around($job, [$run]));
        $found = SettledShape::of($job, $core->runs[$run] ?? throw new NotFoundHttpException);

        return [$core, (new Solver($core))->preview($found)];
    }

    private function solved(Job $job, string $run): SolvedRun
    {
        return $this->withJob($job, $run)[1];
    }

    /**
     * Returns the spool that the query names by its mark, as a run by itself; the run where it names none.
     *
     * @throws NotFoundHttpException where there is no such spool
     */
    private static function spool(Request $request, SolvedRun $solved): SolvedRun
    {
        $mark = $request->query->getString('spool');
        if ($mark === '') {
            return $solved;
        }

        return $solved->spool($mark) ?? throw new NotFoundHttpException;
    }

    /** @return list<Part> */
    private static function parts(SolvedRun $solved, string $run): array
    {
        return [...Parts::of($solved, '/runs/'.$run), ...Parts::over($solved->laid)];
    }

    /** @throws JobError */
    private static function chord(Request $request): float
    {
        $asked = $request->query->has('chord') ? $request->query->getString('chord') : null;

        return ChordTolerance::read($asked, 'how far triangles stand off');
    }

    private static function download(string $content, string $type, string $name, string $ending): Response
    {
        return Attachment::of($content, $type, Attachment::name($name, $ending));
    }
}
