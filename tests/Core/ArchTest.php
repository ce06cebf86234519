<?php

declare(strict_types=1);

/** @return array<string, string> the text of all PHP files below some folders, by their paths */
function phpFiles(string ...$folders): array
{
    $texts = [];
    foreach ($folders as $folder) {
        $inside = new RecursiveDirectoryIterator(dirname(__DIR__, 2).'/'.$folder, FilesystemIterator::SKIP_DOTS);
        foreach (new RecursiveIteratorIterator($inside) as $file) {
            if ($file instanceof SplFileInfo && $file->getExtension() === 'php') {
                $texts[$file->getPathname()] = (string) file_get_contents($file->getPathname());
            }
        }
    }

    return $texts;
}

// These three by their texts: to parse all files for them takes a minute and a half.
it('is plain PHP in the core: no framework, no web', function (): void {
    foreach (phpFiles('core') as $path => $text) {
        expect(preg_match('/(?<![\w\\\\])\\\\?(Illuminate|Laravel|App|Symfony)\\\\\w/', $text))->toBe(0, $path)
            ->and(preg_match('/(?<![\w>:$])(config|app|env|storage_path)\(/', $text))->toBe(0, $path);
    }
});

it('has no globals, randomness or clock in the core, and touches no disk beyond its command line', function (): void {
    $calls = '(file|file_get_contents|file_put_contents|fopen|glob|unlink|getenv|putenv|exit|die|time|microtime|date'
        .'|rand|mt_rand|random_int)';
    foreach (phpFiles('core') as $path => $text) {
        // The schema of the job file lies beside the core.
        if (! str_contains($path, '/core/Console/') && ! str_ends_with($path, '/core/Job/Schema.php')) {
            expect(preg_match('/(?<![\w>:$])(?<!function )'.$calls.'\(|\bexit;|\bglobal \$|\$GLOBALS\b/', $text))
                ->toBe(0, $path);
        }
    }
});

it('has a name for every tolerance', function (): void {
    $loose = [];
    foreach (phpFiles('core', 'app') as $path => $text) {
        $isConstant = false;
        $before = '';
        foreach (PhpToken::tokenize($text) as $token) {
            $isConstant = $token->is(T_CONST) || ($isConstant && $token->text !== ';');
            // Thousandths and millionths that are multiplied by are units.
            $isUnit = $before === '*' && in_array($token->text, ['1e-3', '1e-6'], true);
            $number = $token->is(T_DNUMBER) ? (float) $token->text : 0.0;
            if (! $isConstant && ! $isUnit && $number > 0.0 && $number <= 1e-3) {
                $loose[] = "$path:$token->line $token->text";
            }
            $before = $token->isIgnorable() ? $before : $token->text;
        }
    }
    expect($loose)->toBe([]);
});

it('has strict types everywhere', function (): void {
    foreach (phpFiles('core', 'app') as $path => $text) {
        expect($text)->toStartWith("<?php\n\ndeclare(strict_types=1);\n", $path);
    }
});

arch('values of the core do not change')
    ->expect(['Bowline\Geometry', 'Bowline\Job\Stop', 'Bowline\Job\End', 'Bowline\Bending'])
    ->classes()
    ->toBeReadonly()
    ->ignoring(['Bowline\Geometry\Tolerance', 'Bowline\Space\SignedDistance'])
    ->ignoring('Bowline\Job\Stop\StopReader')
    ->ignoring(['Bowline\Job\End\EndReader', 'Bowline\Job\End\FlangeReader']);

arch('controllers leave rows to the services')
    ->expect('App\Http\Controllers')
    ->not->toUse(['Illuminate\Support\Facades\DB', 'App\Models\Run', 'App\Models\Stock']);

/*
 * The folders of the core in their order: each uses those above it and none below. The class Bowline\Job, a whole job
 * with its runs, stands between Routing and what is below that.
 */
const LAYERS = [
    'Geometry',
    'Curves',
    'Space',
    'Job',
    'Routing',
    'Harness',
    'Bending',
    'Shop',
    'Body',
    'Clearance',
    'Editing',
    'Rules',
    'Solving',
    'Pathfinding',
    'Proposals',
    'Comparison',
    'Materials',
    'Drawing',
    'Exchange',
    'Console',
];

arch('each folder of the core uses only those above it', function (string $folder, array $below): void {
    $files = glob(dirname(__DIR__, 2).'/core/'.$folder.'/{,*/,*/*/}*.php', GLOB_BRACE) ?: [];
    expect($files)->not->toBe([]);
    foreach ($files as $file) {
        preg_match_all(
            '/\\\\?Bowline\\\\(\w+)(\\\\)?/',
            (string) preg_replace('/^namespace .*$/m', '', (string) file_get_contents($file)),
            $used,
            PREG_SET_ORDER,
        );
        foreach ($used as $use) {
            // The whole of a job is a class, what the designer said of it a folder.
            $name = $use[1] === 'Job' && ! isset($use[2]) ? 'Routing' : $use[1];
            expect(in_array($name, $below, true))->toBeFalse(
                sprintf('%s is above %s and must not use it', basename($file), $name),
            );
        }
    }
})->with(
    array_map(
        static fn (string $folder, int $at): array => [$folder, array_slice(LAYERS, $at + 1)],
        LAYERS,
        array_keys(LAYERS),
    ),
);

it('knows the place of every folder of the core', function (): void {
    $folders = array_map(basename(...), glob(dirname(__DIR__, 2).'/core/*', GLOB_ONLYDIR) ?: []);
    expect($folders)->toEqualCanonicalizing(LAYERS);
});

it('has no line over 120 characters', function (): void {
    $root = dirname(__DIR__, 2);
    $folders = ['app', 'bench', 'core', 'database', 'resources/js', 'resources/scss', 'routes', 'tests'];
    $long = [];
    foreach (array_filter($folders, static fn (string $folder): bool => is_dir("$root/$folder")) as $folder) {
        /** @var SplFileInfo $file */
        foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator("$root/$folder")) as $file) {
            $isCode = in_array($file->getExtension(), ['php', 'ts', 'tsx', 'mjs', 'scss'], true);
            if (! $isCode || str_ends_with($file->getPathname(), 'js/api/types.ts')) {
                continue;
            }
            foreach (file($file->getPathname(), FILE_IGNORE_NEW_LINES) ?: [] as $index => $line) {
                if (mb_strlen($line) > 120) {
                    $long[] = substr($file->getPathname(), strlen($root) + 1).':'.($index + 1);
                }
            }
        }
    }
    expect($long)->toBe([]);
});
