import { useQuery } from '@tanstack/react-query';
import { api } from '../../api/client';
import { askedOf, useMeasuring } from '../../job/measuring';
import { useJob } from '../../job/useJob';

/** What there is to measure between the two things that were pointed at. */
export function useMeasured() {
  const { state } = useJob();
  const { from, to } = useMeasuring();
  const asked = askedOf(from, to);
  return useQuery({
    queryKey: ['measure', state.id, state.revision, asked],
    queryFn: () => api.measure(state.id, asked ?? { from: { at: [0, 0, 0] }, to: { at: [0, 0, 0] } }),
    enabled: asked !== null,
    retry: false,
    gcTime: 10_000,
  });
}
