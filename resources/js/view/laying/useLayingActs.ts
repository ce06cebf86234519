import { useMemo, useRef } from 'react';
import { api } from '../../api/client';
import type { Preview, Run } from '../../api/types';
import { allPorts, freePorts } from '../../locker/newItems';
import { useWorkbench } from '../../workbench/store';
import { tell } from '../../workbench/tell';
import { useJob } from '../../workbench/useJob';
import type { Track } from '../drag/tracks';
import { type Aim, useLaying } from './store';
import type { useLeg } from './useLeg';

/** A leg that is meant: to where the pointer aims, or so long along a track. */
export interface Meant {
  aim: Aim | null;
  track: Track | null;
  length: number | string | null;
}

const PLAIN = /^\d{1,9}(\.\d{1,9})?$/;

/** What can be done while laying, by hand or by key: try, place, take back, finish. */
export function useLayingActs({ run, draft, travel, legTo }: ReturnType<typeof useLeg>) {
  const { state, items, put, lay, edit } = useJob();
  const busy = useRef(false);

  return useMemo(() => {
    const { setTrying, pick } = useWorkbench.getState();
    const laying = useLaying.getState;
    const target = run === undefined ? { draft: draft ?? undefined } : { run: run.id };
    const settle = () => {
      laying().set({ aim: null, typed: '', held: null, answer: null, ways: null, refused: null });
      setTrying(null);
    };
    /** One act at a time; what is refused is said in the tag. */
    const act = async (doing: () => Promise<void>) => {
      if (busy.current) {
        return;
      }
      busy.current = true;
      try {
        await doing();
      } catch (error) {
        laying().set({ refused: error instanceof Error ? error.message : 'This did not work.' });
      } finally {
        busy.current = false;
      }
    };

    const tryLeg = (meant: Meant, step: number | null = meant.length === null ? 1 : null): Promise<Preview> => {
      const change = legTo(meant.aim, meant.track, meant.length);
      return change === null
        ? Promise.reject(new Error('Point where it goes, or hold an axis and type a length.'))
        : api.previewRun(state.id, { ...target, change, hold: step });
    };
    /** What the tag holds: the length typed, along the track held or aimed at; or where the pointer aims. */
    const meant = async (): Promise<Meant> => {
      const { aim, held, typed, start } = laying();
      const onlyTrack =
        run === undefined && start !== null && travel !== null ? { name: 'port axis', along: travel } : null;
      const track = held?.track ?? aim?.track ?? onlyTrack;
      if (typed === '') {
        return { aim, track, length: null };
      }
      if (track === null) {
        throw new Error('Hold an axis with x, y or z for this length.');
      }
      return {
        aim,
        track,
        length: PLAIN.test(typed) ? Number(typed) : (await api.entry(state.id, { text: typed })).number,
      };
    };

    const place = (past: boolean) =>
      act(async () => {
        const { ways } = laying();
        const way = ways?.list[ways.shown];
        if (way !== undefined && laying().typed === '') {
          await put('runs', way.item, `Finish ${way.item.name ?? way.item.id} at its port`);
          settle();
          laying().stop();
          pick('runs', way.item.id);
          return;
        }
        const leg = await meant();
        const answer = await tryLeg(leg, leg.length === null && !past ? 1 : null);
        const change = legTo(leg.aim, leg.track, leg.length);
        if (run === undefined) {
          const item = answer.item as unknown as Run;
          await put('runs', item, `Lay the first leg of ${item.name}`);
          laying().set({ run: item.id });
          pick('runs', item.id);
        } else if (change !== null) {
          const held = 'length' in change && typeof change.length === 'number' ? { length: answer.amount } : {};
          await lay(run.id, { ...change, ...held });
        }
        settle();
      });

    const takeBack = () =>
      act(async () => {
        if (run === undefined) {
          return;
        }
        if (run.route.stops.length > 1) {
          await lay(run.id, { do: 'take-back' });
        } else {
          await edit([{ list: 'runs', id: run.id, item: null }], undefined, `Take back ${run.name ?? run.id}`);
          laying().set({ run: null });
        }
        settle();
      });

    const isFree = (port: string) =>
      port !== laying().start?.port &&
      freePorts(state.places, items('fittings'), items('runs')).some(({ name }) => name === port);

    const lookForWays = async (port: string, name: string) => {
      if (run === undefined) {
        return;
      }
      laying().set({ ways: { port, name, list: [], shown: -1 }, refused: null });
      const list = await api.waysIn(state.id, run.id, port).catch(() => []);
      if (laying().ways?.port === port) {
        laying().set({ ways: { port, name, list, shown: 0 } });
        setTrying(list[0] === undefined ? null : { solutions: [list[0].solution], places: [] });
      }
    };
    const nextWay = () => {
      const { ways } = laying();
      if (ways !== null && ways.list.length > 0) {
        const shown = (ways.shown + 1) % ways.list.length;
        laying().set({ ways: { ...ways, shown } });
        const way = ways.list[shown];
        setTrying(way === undefined ? null : { solutions: [way.solution], places: [] });
      }
    };
    /** By key alone: the free ports one after another. */
    const nextPort = () => {
      const ports = allPorts(state.places, items('fittings')).filter(({ name }) => isFree(name));
      const now = ports.findIndex(({ name }) => name === laying().ways?.port);
      const next = ports[(now + 1) % ports.length];
      if (next !== undefined) {
        void lookForWays(next.name, next.label);
      }
    };
    const stop = () => {
      setTrying(null);
      laying().stop();
    };

    return {
      tryLeg: (leg: Meant) => tryLeg(leg),
      place,
      takeBack: () => tell(takeBack()),
      isFree,
      lookForWays,
      nextWay,
      nextPort,
      stop,
    };
  }, [state, items, put, lay, edit, run, draft, travel, legTo]);
}
