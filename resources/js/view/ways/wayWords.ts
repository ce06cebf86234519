import type { FoundWay } from '../../api/types';
import { lengthWithUnit } from '../../job/format';
import { useJob } from '../../job/useJob';

/** Returns a function that says in rows what tells a way from others. */
export function useWayWords(): (way: FoundWay) => [string, string][] {
  const { item } = useJob();
  return ({ bends, length, nearest, nearest_to: to, beside }) => [
    ['bends', `${bends}`],
    ['length', lengthWithUnit(length)],
    [
      'nearest',
      nearest === null || to === null
        ? 'nothing near'
        : `${lengthWithUnit(nearest)} off ${item(to.list, to.id)?.name ?? to.id}`,
    ],
    ...(beside > 0 ? ([['beside other runs', lengthWithUnit(beside)]] as [string, string][]) : []),
  ];
}
