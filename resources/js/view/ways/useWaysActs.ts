import { useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import { api } from '../../api/client';
import type { FoundWay, LayWork } from '../../api/types';
import { usePreferences } from '../../job/preferences';
import { useWorkbench } from '../../job/store';
import { useJob } from '../../job/useJob';
import { areChoices, useWays } from '../../job/ways';

/** Interval of asking how far the laying has come, ms. */
const LOOK = 300;

/** Asks for runs that lay themselves, watches how far that has come, and takes what was found. */
export function useWaysActs() {
  const { state, edit, item } = useJob();
  const { errands, work, shown, set, stop: close } = useWays();
  const pick = useWorkbench((store) => store.pick);
  const weights = usePreferences((store) => store.weights);
  const id = work?.id ?? null;
  const isGoing = work !== null && (work.state === 'waiting' || work.state === 'working');
  const { data } = useQuery({
    queryKey: ['ways', state.id, id],
    queryFn: () => api.layWork(state.id, id ?? 0),
    enabled: id !== null && isGoing,
    refetchInterval: LOOK,
  });
  useEffect(() => {
    if (data !== undefined && data.id === useWays.getState().work?.id) {
      set({ work: data });
    }
  }, [data, set]);

  const look = async () => {
    if (errands === null) {
      return;
    }
    set({ refused: null, work: null });
    try {
      const answer: LayWork = await api.layRuns(state.id, {
        errands: errands.map((errand) => (errand.again === undefined ? { ...errand, weights } : errand)) as never,
      });
      // Asked for something else meanwhile, it is not wanted any more.
      if (useWays.getState().errands === errands) {
        set({ work: answer });
      }
    } catch (error) {
      set({ refused: error instanceof Error ? error.message : 'This did not work.' });
    }
  };
  const halt = async () => {
    if (id !== null) {
      set({ work: await api.stopLaying(state.id, id) });
    }
  };
  const keep = async (ways: readonly FoundWay[]) => {
    const [first] = ways;
    if (first === undefined) {
      return;
    }
    await edit(
      ways.map(({ run }) => ({ list: 'runs', id: run.id, item: run })) as never,
      undefined,
      ways.length === 1
        ? `${item('runs', first.run.id) === undefined ? 'Lay' : 'Lay again'} ${first.run.name ?? first.run.id}`
        : `Lay ${ways.length} runs`,
    );
    close();
    pick('runs', first.run.id);
  };
  const choices = errands !== null && areChoices(errands) ? (work?.ways ?? []) : [];
  const take = async () => {
    const way = choices[shown];
    if (way !== undefined) {
      await keep([way]);
    }
  };
  const stop = () => {
    if (id !== null && isGoing) {
      void api.stopLaying(state.id, id);
    }
    close();
  };
  return { look, halt, keep, take, stop, isGoing, choices };
}
