<?php

declare(strict_types=1);

namespace App\Http;

use App\Machines\Machines;
use App\Models\Job;
use App\Queue\Tasks;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/**
 * Figures of the server in the text format of OpenMetrics, for this machine alone: a collector runs beside it, or
 * nginx lets it through (deploy/nginx.conf).
 */
final class Metrics
{
    private const LOOPBACK = ['127.0.0.1', '::1'];

    public function __construct(private readonly Machines $machines)
    {
    }

    public function __invoke(Request $request): Response
    {
        if (! in_array($request->ip(), self::LOOPBACK, true)) {
            throw new NotFoundHttpException;
        }
        $queue = Tasks::figures();
        $room = disk_free_space(storage_path());
        $bytes = DB::scalar('SELECT page_count * page_size FROM pragma_page_count(), pragma_page_size()');
        $text = '';
        $machines = $this->machines->figures();
        foreach ([
            ['machines_away', 'Whether all is worked here.', $machines === null ? 1 : 0],
            ['machines_workers', 'Workers on other machines that are heard of.', $machines['workers'] ?? 0],
            ['machines_waiting', 'Tasks that wait for one.', $machines['waiting'] ?? 0],
            ['machines_answered', 'Tasks that they have answered.', $machines['answered'] ?? 0],
            ['ready', 'Whether Bowline can work (api/ready).', Health::reasons() === [] ? 1 : 0],
            ['jobs', 'Jobs that are not deleted.', Job::query()->where('is_frozen', false)->count()],
            ['edits', 'Steps of jobs that are kept.', DB::table('steps')->count()],
            ['queue_waiting', 'Tasks that wait.', $queue['waiting']],
            ['queue_working', 'Tasks that are worked on.', $queue['working']],
            ['queue_oldest_seconds', 'How long the oldest waits.', max(0, now()->getTimestamp() - (
                $queue['oldest'] ?? now()->getTimestamp()
            ))],
            ['database_bytes', 'Size of the database.', is_numeric($bytes) ? (int) $bytes : 0],
            ['disk_free_bytes', 'Room left on its disk.', $room === false ? 0 : (int) $room],
            ['people_present', 'Windows that were heard of within a minute.', DB::table('job_presences')
                ->where('seen_at', '>=', now()->subMinute())->count()],
        ] as [$name, $help, $value]) {
            $text .= sprintf(
                "# TYPE bowline_%1\$s gauge\n# HELP bowline_%1\$s %2\$s\nbowline_%1\$s %3\$d\n", $name, $help, $value,
            );
        }

        return new Response($text."# EOF\n", 200, [
            'Content-Type' => 'application/openmetrics-text; version=1.0.0; charset=utf-8',
        ]);
    }
}
