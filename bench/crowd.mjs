// How long designers wait who work at the same time behind nginx and PHP-FPM:
// node bench/crowd.mjs [SECONDS] [DESIGNERS] [READERS]. Fifty designers in twenty jobs: each drags twice a minute for
// four seconds, keeps what was dragged, edits twice more, and asks each second whether anything is new; some open a job
// or take a STEP file away. What asks for previews is the browser's own (resources/js/job/newest.ts), told of each
// movement of the hand. After that five hundred readers as well (0: no second part), who ask every two seconds whether
// anything is new, and what where it is: twenty-five to a job. The quick questions are sent by autocannon, all else by
// fetch, over connections that stay open. Asked for: no error, 95th percentiles of edits within 250 ms and of previews
// within 120 ms, on two processors.
import { execFileSync } from 'node:child_process';
import autocannon from 'autocannon';
import { runnerImport } from 'vite';
import { behindNginx, until, wait } from './nginx.mjs';
import { recordRatio } from './record.mjs';

const [SECONDS, DESIGNERS, READERS] = [300, 50, 500].map((usual, place) => Number(process.argv[2 + place] ?? usual));
const JOBS = Math.ceil(DESIGNERS / 2.5);
/** How long a drag is, s, and how often the hand is told of in it, ms. */
const [DRAG, HAND] = [4, 25];
/** Times between two things that somebody does, s. */
const [BETWEEN_DRAGS, BETWEEN_EDITS, BETWEEN_PRESENCES, BETWEEN_OPENINGS, BETWEEN_FILES] = [30, 30, 20, 600, 900];
const MOST = { edits: 250, previews: 120 };

const { newestPreview } = (await runnerImport('./resources/js/job/newest.ts', { configFile: false })).module;
const server = await behindNginx();
const running = server.start();
const { address } = server;
try {
  await until(address, '/ready');
  const made = execFileSync('php', ['-r', 'require "bench/jobs.php"; echo json_encode(benchJob(20, 10));']);
  const first = await until(address, '/jobs/open', JSON.parse(made));
  const jobs = [first.id];
  while (jobs.length < JOBS) {
    jobs.push((await until(address, `/jobs/${first.id}/copy`, {})).id);
  }

  const queries = [];
  const renew = async () => {
    await Promise.all(
      jobs.map(async (id, place) => {
        queries[place] = (await until(address, `/jobs/${id}/revision`)).live;
      }),
    );
  };
  await renew();
  const renewing = setInterval(() => void renew(), 20_000);
  const live = (place, file) => `/live/${jobs[place]}/${file}.json${queries[place]}`;
  /** Whether anything is new, as a window asks; `look` is told of each answer (App\Http\Live). */
  const quick = (place, look) => [
    {
      method: 'GET',
      setupRequest: (request) => ({ ...request, path: live(place, 'now') }),
      onResponse: (_status, body) => void look(Number(/"revision":(\d+)/.exec(body)?.[1] ?? 0)),
    },
  ];

  /** What a crowd was answered, by kind: milliseconds, and what was no good answer. */
  const crowd = async (readers) => {
    const taken = {};
    let drags = 0;
    const end = performance.now() + SECONDS * 1000;
    const noted = (kind) => {
      taken[kind] ??= { times: [], errors: 0 };
      return taken[kind];
    };
    /** Asks as a browser does, over connections that stay open; returns what is answered, or null. */
    const send = async (kind, path, body) => {
      const all = noted(kind);
      const asked = performance.now();
      try {
        const answer = await fetch(
          address + path,
          body === undefined
            ? {}
            : { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) },
        );
        const text = await answer.text();
        if (!answer.ok) {
          throw new Error(`${kind}: ${answer.status}`);
        }
        return text;
      } catch {
        all.errors += 1;
        return null;
      } finally {
        all.times.push(performance.now() - asked);
      }
    };
    /** Asks again and again, by autocannon. */
    const shoot = (kind, options) =>
      new Promise((resolve, reject) => {
        const all = noted(kind);
        const shot = autocannon(
          { url: server.origin, duration: SECONDS, timeout: 30, ...options },
          (error, { errors = 0 } = {}) => {
            all.errors += errors;
            return error ? reject(error) : resolve();
          },
        );
        shot.on('response', (_client, status, _bytes, time) => {
          all.times.push(time);
          all.errors += status >= 400 ? 1 : 0;
        });
      });
    /** Does it again and again at random, so often on the average, until the time is over. */
    const often = async (between, act) => {
      for (;;) {
        const pause = -Math.log(1 - Math.random()) * between * 1000;
        if (performance.now() + pause > end) {
          return;
        }
        await wait(pause);
        await act();
      }
    };
    const designer = (number) => {
      const place = number % JOBS;
      const job = `/jobs/${jobs[place]}`;
      const block = first.job.fittings[number < DESIGNERS / 2 ? 5 : 12];
      // The revision that this window shows, and whether it reads the job again.
      let seen = 0;
      let isReading = false;
      const note = (body) => {
        seen = Math.max(seen, Number(/"revision":(\d+)/.exec(body ?? '')?.[1] ?? 0));
      };
      let kept = 0;
      const edit = async () => {
        const [x, y, z] = block.pose.at;
        kept += 1;
        const item = { ...block, pose: { ...block.pose, at: [x, y + (kept % 20), z + (number % 7)] } };
        note(await send('edits', `${job}/edits`, { edits: [{ list: 'fittings', id: block.id, item }], since: seen }));
      };
      /** A window asks what is new when another has changed the job. */
      const look = async (revision) => {
        if (seen > 0 && revision > seen && !isReading) {
          isReading = true;
          note(await send('what is new', `${job}?since=${seen}`));
          isReading = false;
        }
      };
      let at = 0;
      const by = () => [0, ++at % 20, 2];
      const preview = () => ({
        list: 'fittings',
        id: block.id,
        change: { do: 'move', by: by() },
        hold: 1,
        nearest: true,
      });
      const ask = async (body) => JSON.parse((await send('previews', `${job}/preview/place`, body)) ?? '{"work":0}');
      const drag = async () => {
        const asking = newestPreview(ask, () => undefined);
        for (const begun = performance.now(); performance.now() < begun + DRAG * 1000; ) {
          asking.want(preview());
          await wait(HAND);
        }
        await asking.settled();
        asking.stop();
        drags += 1;
      };
      return [
        often(BETWEEN_DRAGS, async () => {
          await drag();
          await edit();
        }),
        often(BETWEEN_EDITS, edit),
        often(BETWEEN_OPENINGS, () => send('jobs opened', job)),
        often(BETWEEN_FILES, () => send('files', `${job}/bodies.step`)),
        shoot('questions', {
          connections: 1,
          connectionRate: 1,
          requests: quick(place, look),
        }),
        often(BETWEEN_PRESENCES, () => send('who is there', `${job}/revision`)),
      ];
    };
    /** What is new for a reader: one change after another by files, else by the question (JobWatch.ts). */
    const news = async (place, seen, revision) => {
      let now = seen;
      while (now < revision) {
        const asked = performance.now();
        const kept = await fetch(server.origin + live(place, `since-${now}-${now + 1}`)).catch(() => null);
        await kept?.arrayBuffer();
        if (kept?.ok !== true) {
          const body = await send('news for readers, asked', `/jobs/${jobs[place]}?since=${now}`);
          return Number(/"revision":(\d+)/.exec(body ?? '')?.[1] ?? revision);
        }
        noted('news for readers').times.push(performance.now() - asked);
        now += 1;
      }
      return now;
    };
    /** Each connection asks each second, for two readers by turns, as autocannon asks no more slowly. */
    const readersOf = (place) =>
      shoot('questions of readers', {
        connections: Math.ceil((readers / JOBS + (place % 2)) / 2),
        connectionRate: 1,
        setupClient: (client) => {
          const two = [{ seen: 0 }, { seen: 0 }];
          client.setRequests(
            quick(place, async (revision) => {
              const [reader] = two.reverse();
              if (reader.seen === 0) {
                reader.seen = revision;
              } else if (revision > reader.seen && !reader.isReading) {
                reader.isReading = true;
                reader.seen = await news(place, reader.seen, revision);
                reader.isReading = false;
              }
            }),
          );
        },
      });
    await Promise.all([
      ...Array.from({ length: DESIGNERS }, (_, number) => designer(number)).flat(),
      ...(readers === 0
        ? []
        : [
            ...[...jobs.keys()].map(readersOf),
            // Each asks for another query twice a minute, at any time.
            ...jobs.map((id) => often((30 * JOBS) / readers, () => send('queries of readers', `/jobs/${id}/revision`))),
          ]),
    ]);
    return { taken, drags };
  };

  const percentile = (times, part) => times.toSorted((a, b) => a - b)[Math.ceil(part * times.length) - 1] ?? 0;
  for (const readers of READERS === 0 ? [0] : [0, READERS]) {
    const { taken, drags } = await crowd(readers);
    const words = `${DESIGNERS} designers${readers === 0 ? '' : ` and ${readers} readers`}`;
    const pictures = taken.previews.times.length / (drags * DRAG);
    console.log(`${words}, ${SECONDS} s; ${pictures.toFixed(1)} previews in each second of a drag`);
    for (const [kind, { times, errors }] of Object.entries(taken)) {
      const shown = [0.5, 0.95, 1].map((part) => `${percentile(times, part).toFixed(0).padStart(6)} ms`);
      console.log(
        `  ${kind.padEnd(22)} ${String(times.length).padStart(6)} answers, ${errors} errors   ` +
          `median ${shown[0]}   95th ${shown[1]}   longest ${shown[2]}`,
      );
      if (kind in MOST) {
        const at = percentile(times, 0.95);
        recordRatio(
          `95th percentile of ${kind}, ${words}`,
          at / MOST[kind],
          `${at.toFixed(0)} ms`,
          `what is asked, ${MOST[kind]} ms`,
        );
      }
    }
  }
  clearInterval(renewing);
} finally {
  process.kill(-running.pid, 'SIGTERM');
  await wait(1000);
  server.forget();
}
