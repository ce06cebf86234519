import { useQueryClient } from '@tanstack/react-query';
import { useMemo, useRef } from 'react';
import { api } from '../../api/client';
import type { JobState, Preview, Run } from '../../api/types';
import { type Aim, useLaying } from '../../job/laying';
import { allPorts, freePorts } from '../../job/newItems';
import { useWorkbench } from '../../job/store';
import type { Track } from '../../job/tracks';
import { handStep, units } from '../../job/units';
import { useJob } from '../../job/useJob';
import { laidSoFar, legTo } from './useLeg';

/** A leg: to where the pointer aims, or with a length along a track. */
export interface Meant {
  aim: Aim | null;
  track: Track | null;
  length: number | string | null;
}

type LayingWays = ReturnType<typeof useLaying.getState>['ways'];

const PLAIN = /^\d{1,9}(\.\d{1,9})?$/;

/** The actions of laying, by hand or by key: preview, place, take back, finish. */
export function useLayingActs() {
  const access = useJob();
  const client = useQueryClient();
  const latest = useRef(access);
  latest.current = access;
  const jobId = access.state.id;

  return useMemo(() => {
    const { setTrying, pick } = useWorkbench.getState();
    const laying = useLaying.getState;
    // Read when its turn comes: fast typing is executed in order, each action on the result of the last.
    const state = () => client.getQueryData<JobState>(['job', jobId]) ?? latest.current.state;
    const soFar = () => laidSoFar(state(), laying().start, laying().run, laying().stock);
    let queue = Promise.resolve();

    /** Runs actions one after another; a refusal is shown in the tag, and what was typed is restored. */
    const act = (doing: () => Promise<void>, restore: () => void = () => undefined) => {
      queue = queue.then(doing).catch((error: unknown) => {
        restore();
        laying().set({ refused: error instanceof Error ? error.message : 'This did not work.' });
      });
      return queue;
    };
    /** Clears what an action has used up; ways in that were requested meanwhile stay. */
    const settle = (asked: LayingWays) => {
      laying().set({ aim: null, answer: null, refused: null, ...(laying().ways === asked ? { ways: null } : {}) });
      setTrying(null);
    };

    const tryLeg = (
      meant: Meant,
      step: number | null = meant.length === null ? handStep() : null,
    ): Promise<Preview> => {
      const { run, draft } = soFar();
      const change = legTo(meant.aim, meant.track, meant.length, laying().standOff);
      return change === null
        ? Promise.reject(new Error('Point where it goes, or hold an axis and type a length.'))
        : api.previewRun(jobId, {
            ...(run === undefined ? { draft: draft ?? undefined } : { run: run.id }),
            change,
            hold: step,
          });
    };
    /** Returns the leg that the tag meant when it was placed: the typed length along the track, or the aim. */
    const meant = async (typed: string, aim: Aim | null, held: Track | null): Promise<Meant> => {
      const { run, travel } = soFar();
      const onlyTrack = run === undefined && travel !== null ? { name: 'port axis', along: travel } : null;
      const track = held ?? aim?.track ?? onlyTrack;
      if (typed === '') {
        return { aim, track, length: null };
      }
      if (track === null) {
        throw new Error('Hold an axis with x, y or z for this length.');
      }
      return {
        aim,
        track,
        length:
          PLAIN.test(typed) && units().word === 'mm'
            ? Number(typed)
            : (await api.entry(jobId, { text: typed, is_length: true })).number,
      };
    };

    const finish = (way: Run, port: string) =>
      act(async () => {
        const { run } = soFar();
        if (run !== undefined) {
          const stops = (way.route.stops ?? []).slice(run.route.stops?.length ?? 0);
          await latest.current.lay(run.id, { do: 'finish', port, stops, lead: way.to?.lead });
          laying().stop();
          setTrying(null);
          pick('runs', run.id);
        }
      });

    const place = (past: boolean) => {
      const { aim, held, typed, ways } = laying();
      const way = ways?.list[ways.shown];
      if (ways !== null && typed === '') {
        return way === undefined ? queue : finish(way.item as unknown as Run, ways.port);
      }
      laying().set({ typed: '', held: null });
      return act(
        async () => {
          const leg = await meant(typed, aim, held?.track ?? null);
          const answer = await tryLeg(leg, leg.length === null && !past ? handStep() : null);
          const change = legTo(leg.aim, leg.track, leg.length, laying().standOff);
          const { run } = soFar();
          if (run === undefined) {
            const item = answer.item as unknown as Run;
            await latest.current.put('runs', item, `Lay the first leg of ${item.name}`);
            laying().set({ run: item.id });
            pick('runs', item.id);
          } else if (change !== null) {
            const limit = 'length' in change && typeof change.length === 'number' ? { length: answer.amount } : {};
            await latest.current.lay(run.id, { ...change, ...limit });
          }
          settle(ways);
        },
        () => laying().typed === '' && laying().set({ typed, held }),
      );
    };

    const takeBack = () => {
      const { ways } = laying();
      return act(async () => {
        const { run } = soFar();
        if (run === undefined) {
          return;
        }
        if ((run.route.stops?.length ?? 0) > 1) {
          await latest.current.lay(run.id, { do: 'take-back' });
        } else {
          laying().set({ run: null });
          await latest.current.edit(
            [{ list: 'runs', id: run.id, item: null }],
            undefined,
            `Take back ${run.name ?? run.id}`,
          );
        }
        settle(ways);
      });
    };

    const freeOnes = () => {
      const { job, places } = state();
      const free = freePorts(places, job.fittings ?? [], job.runs ?? []).map(({ name }) => name);
      return allPorts(places, job.fittings ?? []).filter(
        ({ name }) => free.includes(name) && name !== laying().start?.port,
      );
    };
    const isFree = (port: string) => freeOnes().some(({ name }) => name === port);

    const show = (shown: number) => {
      const { ways } = laying();
      if (ways !== null) {
        laying().set({ ways: { ...ways, shown } });
        const way = ways.list[shown];
        setTrying(way === undefined ? null : { solutions: [way.solution], places: [] });
      }
    };
    const lookForWays = (port: string, name: string) => {
      laying().set({ ways: { port, name, list: [], shown: -1 }, refused: null });
      return act(async () => {
        const { run } = soFar();
        const list = run === undefined ? [] : await api.waysIn(jobId, run.id, port);
        if (laying().ways?.port === port) {
          laying().set({ ways: { port, name, list, shown: 0 } });
          show(0);
        }
      });
    };
    const nextWay = () => {
      const { ways } = laying();
      if (ways !== null && ways.list.length > 0) {
        show((ways.shown + 1) % ways.list.length);
      }
    };
    /** Goes to the next free port, by key. */
    const nextPort = () => {
      const ports = freeOnes();
      const next = ports[(ports.findIndex(({ name }) => name === laying().ways?.port) + 1) % ports.length];
      if (next !== undefined && soFar().run !== undefined) {
        void lookForWays(next.name, next.label);
      }
    };
    const stop = () => {
      setTrying(null);
      laying().stop();
    };

    return {
      revision: () => state().revision,
      tryLeg: (leg: Meant) => tryLeg(leg),
      place,
      takeBack: () => void takeBack(),
      isFree,
      lookForWays,
      nextWay,
      nextPort,
      stop,
    };
  }, [client, jobId]);
}
