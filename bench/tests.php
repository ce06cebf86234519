<?php

declare(strict_types=1);

/*
 * How long bin/test takes from a fresh clone, with fetching its packages: php bench/tests.php. The speed of the machine
 * is measured every ten seconds meanwhile, in processor time, since the tests use the processors too.
 * Asked for: no more than 507 000 times what 100 000 square roots take: 12 minutes where that is 1.42 ms.
 */

require __DIR__.'/record.php';

const MOST = 720 / 1.42e-3;

/** Returns the seconds of the processor that this process has had. */
$spent = static function (): float {
    $usage = getrusage() ?: [];

    return ($usage['ru_utime.tv_sec'] ?? 0) + ($usage['ru_utime.tv_usec'] ?? 0) / 1e6;
};

$folder = sys_get_temp_dir().'/bowline-tests-'.bin2hex(random_bytes(4));
exec(sprintf('git clone -q %s %s', escapeshellarg(dirname(__DIR__)), escapeshellarg($folder)), $said, $exit);
$exit === 0 || exit(1);
$log = __DIR__.'/../.bowline/bench-tests-run.log';
$start = hrtime(true);
$run = proc_open(
    ['bin/test'],
    [['file', '/dev/null', 'r'], ['file', $log, 'w'], ['file', $log, 'a']],
    $pipes,
    $folder,
    array_diff_key(getenv(), ['BENCH_TABLE' => true, 'BOWLINE_OPCACHE' => true, 'PHP_INI_SCAN_DIR' => true]),
);
is_resource($run) || exit(1);
$roots = [];
$status = proc_get_status($run);
for ($second = 0; $status['running']; $second++) {
    if ($second % 10 === 0) {
        $before = $spent();
        addSquareRoots();
        $roots[] = $spent() - $before;
    }
    sleep(1);
    $status = proc_get_status($run);
}
$took = (hrtime(true) - $start) / 1e9;
sort($roots);
$reference = $roots[intdiv(count($roots), 2)];

$lines = array_map(trim(...), file($log) ?: []);
printf(
    'bin/test took %.0f s: %s; 100 000 square roots took %.2f ms meanwhile (%.2f to %.2f); %d times that (asked for: '
    ."at most %d)\n",
    $took, end($lines), 1000 * $reference, 1000 * $roots[0], 1000 * end($roots), $took / $reference, MOST,
);
recordRatio(
    'bin/test from a fresh clone',
    $took / $reference,
    sprintf('%.0f s', $took),
    sprintf('100 000 square roots added up in PHP, %.2f ms', 1000 * $reference),
);
if ($status['exitcode'] === 0) {
    exec('rm -rf '.escapeshellarg($folder));
} else {
    echo "Its folder is left: $folder\n";
}
exit($status['exitcode']);
