import { useQuery, useQueryClient } from '@tanstack/react-query';
import { api } from '../../api/client';
import { asked, useSectionPlane } from '../../job/sectionPlane';
import { useJob } from '../../job/useJob';
import { useBodyWork } from '../../job/useWorked';
import { useShown } from '../shown';

/** Most runs that are cut beside the one that is looked at. */
const MOST = 40;

/** Most of equipment, and of surroundings. */
const MOST_AROUND = 400;

/** What the plane cuts of the bodies that are shown: the last answer while the next is waited for. */
export function useSection() {
  const { state, items } = useJob();
  const client = useQueryClient();
  const isShown = useShown();
  const plane = useSectionPlane();
  const others = items('runs')
    .map(({ id }) => id)
    .filter((id) => isShown('runs', id))
    .slice(0, MOST);
  const idsOf = (list: 'fittings' | 'surroundings') =>
    items(list)
      .map(({ id }) => id)
      .filter((id) => isShown(list, id))
      .slice(0, MOST_AROUND);
  const runs = asked(plane, others);
  const question = runs === null ? null : { ...runs, fittings: idsOf('fittings'), surroundings: idsOf('surroundings') };
  const queryKey = ['section', state.id, state.revision, question];
  const section = useQuery({
    queryKey,
    queryFn: () => api.section(state.id, question ?? { run: '' }),
    enabled: question !== null,
    placeholderData: (before) => before,
    retry: false,
    gcTime: 10_000,
  });
  // Cut again once a body has been found that was cut coarsely.
  useBodyWork(section.data?.works[0] ?? null, () => client.invalidateQueries({ queryKey }));
  return section;
}
