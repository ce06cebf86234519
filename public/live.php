<?php

declare(strict_types=1);

/*
 * The revision of a job, and a word that differs when others have come, gone, or picked something else. Every window
 * asks this each second or two, so it is answered without the framework, a tenth of the time; for whoever has a token
 * that the framework gave them (App\Http\Live). Only behind nginx (deploy/nginx.conf.in).
 */

require __DIR__.'/../app/Http/LiveToken.php';
require __DIR__.'/../app/Http/SafeHeaders.php';

use App\Http\LiveToken;
use App\Http\SafeHeaders;

/** Seconds after which somebody who has not been heard of counts as gone (config/people.php). */
const PRESENT_SECONDS = 10;

header_remove('X-Powered-By');
foreach (SafeHeaders::ALL as $name => $value) {
    header($name.': '.$value);
}
header('Cache-Control: no-store');
$file = __DIR__.'/../storage/app/key';
$key = (string) (getenv('APP_KEY') ?: (is_file($file) ? trim((string) file_get_contents($file)) : ''));
$token = $_SERVER['HTTP_X_BOWLINE_LIVE'] ?? null;
$job = $key === '' || ! is_string($token) ? null : LiveToken::jobOf($token, time(), $key);
if ($job === null) {
    http_response_code(403);
    exit;
}
try {
    $database = getenv('DB_DATABASE') ?: __DIR__.'/../storage/bowline.sqlite';
    // Reading the schema is most of what opening takes, so it stays open; a file put in its place, as by a restore, has
    // another inode, and is opened anew: PHP tells connections apart by the name of the user, which SQLite does not
    // ask for. A file that is missing has none; opening it says so.
    $pdo = new PDO('sqlite:'.$database, (string) @fileinode($database), null, [
        PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION, PDO::SQLITE_ATTR_OPEN_FLAGS => PDO::SQLITE_OPEN_READONLY,
        PDO::ATTR_PERSISTENT => true,
    ]);
    $asked = $pdo->prepare('SELECT revision, step, (
        SELECT group_concat(window || picked) FROM (
            SELECT window, picked FROM job_presences WHERE job_id = jobs.id AND seen_at >= ? ORDER BY window
        )
    ) AS present FROM jobs WHERE id = ? AND deleted_at IS NULL');
    $asked->execute([gmdate('Y-m-d H:i:s', time() - PRESENT_SECONDS), $job]);
    $row = $asked->fetch(PDO::FETCH_ASSOC);
} catch (PDOException) {
    http_response_code(503);
    exit;
}
if (! is_array($row)) {
    http_response_code(404);
    exit;
}
header('Content-Type: application/json');
echo json_encode([
    'revision' => (int) $row['revision'], 'step' => (int) $row['step'], 'present' => md5((string) $row['present']),
]);
