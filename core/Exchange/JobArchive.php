<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Exchange\Mesh\StlReader;
use Bowline\Exchange\Mesh\StlWriter as MeshWriter;
use Bowline\Job\JobError;
use Bowline\Job\JobFile;
use Bowline\Job\Shape\MeshTriangles;
use Bowline\Job\Shape\Triangles;
use stdClass;
use ZipArchive;

/**
 * A job file with its meshes beside it (`.bowline`): a ZIP of `job.json`, a job file without `meshes`, and of one
 * binary STL, `meshes/NAME.stl`, for each mesh that it names.
 */
final class JobArchive
{
    private const JOB = 'job.json';

    /** Most bytes of the job file in an archive; most entries. */
    private const LARGEST_JOB = 64 * 1024 * 1024;

    private const MOST_ENTRIES = 1000;

    /** Compression level of meshes: 50 MB take about one second, and three at the default level. */
    private const COMPRESSION = 1;

    /** Whether bytes begin like a ZIP. */
    public static function isOne(string $bytes): bool
    {
        return str_starts_with($bytes, "PK\x03\x04");
    }

    /**
     * Writes the archive.
     *
     * @param  stdClass  $file  the job file with its `meshes`
     * @param  string  $path  where it is written
     *
     * @throws JobError when it cannot be written
     */
    public static function write(stdClass $file, string $path): void
    {
        $zip = new ZipArchive;
        $isWritten = $zip->open($path, ZipArchive::CREATE | ZipArchive::OVERWRITE) === true;
        $job = clone $file;
        unset($job->meshes);
        $isWritten = $isWritten && $zip->addFromString(self::JOB, JobFile::encode($job));
        $meshes = $file->meshes ?? null;
        foreach ($meshes instanceof stdClass ? get_object_vars($meshes) : [] as $name => $mesh) {
            $entry = self::entryOf($name);
            $isWritten =
                $isWritten &&
                $mesh instanceof MeshTriangles &&
                $zip->addFromString($entry, MeshWriter::write($mesh->packed())) &&
                $zip->setCompressionName($entry, ZipArchive::CM_DEFLATE, self::COMPRESSION);
        }
        if (! $isWritten || ! $zip->close()) {
            throw JobError::at('', 'the job file cannot be written; is the disk full?');
        }
    }

    /**
     * @return stdClass the job file with its `meshes`, its shape checked
     *
     * @throws JobError when the file is no such archive, or is larger than a job may be
     */
    public static function open(string $path): stdClass
    {
        if (! class_exists(ZipArchive::class)) {
            throw JobError::at('', 'PHP needs its zip module to open this file (php8.2-zip)');
        }
        $zip = new ZipArchive;
        if ($zip->open($path, ZipArchive::RDONLY) !== true) {
            throw JobError::at('', 'this ZIP is damaged or cut off');
        }
        try {
            if ($zip->numFiles > self::MOST_ENTRIES) {
                throw JobError::at('', sprintf('there are more than %d files in this ZIP', self::MOST_ENTRIES));
            }
            $job = JobFile::decode(
                self::entry($zip, self::JOB, self::LARGEST_JOB) ??
                    throw JobError::at('', 'there is no job.json in this ZIP'),
            );
            $meshes = [];
            $count = 0;
            foreach (self::names($job) as $name => $pointer) {
                $mesh = self::mesh($zip, $name, $pointer);
                if ($mesh !== null) {
                    $count += $mesh->count();
                    Triangles::refuseMoreInAll($count);
                    $meshes[$name] = new MeshTriangles(static fn (): string => $mesh->packed, $mesh);
                }
            }
        } finally {
            $zip->close();
        }
        if ($meshes !== []) {
            $job->meshes = (object) $meshes;
        }

        return $job;
    }

    /** @throws JobError */
    private static function mesh(ZipArchive $zip, string $name, string $pointer): ?Triangles
    {
        $entry = self::entryOf($name);
        try {
            $bytes = self::entry($zip, $entry, StlReader::HEAD + StlReader::RECORD * Triangles::MAX_COUNT);
            if ($bytes !== null && ! StlReader::isBinary($bytes)) {
                throw JobError::at('', 'this is no binary STL');
            }

            return $bytes === null ? null : StlReader::binary($bytes);
        } catch (JobError $error) {
            throw JobError::at($pointer, $entry.': '.$error->getMessage());
        }
    }

    /**
     * @return string|null null when it is not there
     *
     * @throws JobError when it is larger than may be, or damaged
     */
    private static function entry(ZipArchive $zip, string $name, int $most): ?string
    {
        if ($zip->locateName($name) === false) {
            return null;
        }
        // The declared size may be false: no more than this is unpacked.
        $bytes = $zip->getFromName($name, $most + 1);
        if ($bytes === false || strlen($bytes) !== min($most + 1, $zip->statName($name)['size'] ?? 0)) {
            throw JobError::at('', sprintf('%s is damaged in this ZIP', $name));
        }

        return strlen($bytes) <= $most
            ? $bytes
            : throw JobError::at(
                '',
                sprintf('%s is larger than %d MB, the most that is read', $name, intdiv($most, 1024 * 1024)),
            );
    }

    /** @return array<string, string> JSON pointer to where each mesh is first named, by its name */
    private static function names(stdClass $job): array
    {
        $names = [];
        foreach (is_array($job->surroundings ?? null) ? $job->surroundings : [] as $index => $body) {
            if ($body instanceof stdClass && is_string($body->mesh ?? null)) {
                $names[$body->mesh] ??= sprintf('/surroundings/%d/mesh', $index);
            }
        }

        return $names;
    }

    /** Returns the path of a mesh in the archive; characters that not every file system allows become `_`. */
    private static function entryOf(string $name): string
    {
        return 'meshes/'.preg_replace('/[^A-Za-z0-9_-]/', '_', $name).'.stl';
    }
}
