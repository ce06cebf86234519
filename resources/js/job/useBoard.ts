import { keepPreviousData, type UseQueryResult, useQuery } from '@tanstack/react-query';
import { api } from '../api/client';
import type { Board, Harness } from '../api/types';
import { useFaults } from './faults';
import { useJob } from './useJob';

export type BoardTurn = Board['turns'][number];

/** The board of a harness as stored; the last one stands until that of a new revision comes. */
export function useBoard(harness: Harness): UseQueryResult<Board> {
  const { state } = useJob();
  const ports = useFaults((store) => store.ports);
  return useQuery({
    queryKey: ['board', state.id, harness.id, state.revision, ports],
    queryFn: () => api.board(state.id, harness.id, ports),
    placeholderData: keepPreviousData,
    retry: false,
  });
}

type ToldTurn = NonNullable<NonNullable<Harness['board']>['angles']>[number];

/** Returns a harness with something on its board turned, or left to itself again. */
export function turnedOn(harness: Harness, { run, towards }: BoardTurn, angle: ToldTurn['angle'] | undefined): Harness {
  const others = (harness.board?.angles ?? []).filter(
    (one) => one.run !== run || (towards !== null && one.towards !== undefined && one.towards !== towards),
  );
  const told = angle === undefined ? [] : [towards === null ? { run, angle } : { run, angle, towards }];
  return { ...harness, board: { ...harness.board, angles: [...others, ...told] } };
}
