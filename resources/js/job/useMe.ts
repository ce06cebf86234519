import { useQuery } from '@tanstack/react-query';
import { api } from '../api/client';
import type { Me } from '../api/types';

/** Who may do anything: on one desk, and until it is known who it is. */
const EVERYBODY: Me = { people: false, person: null, team: null, may: [] };

/** Who has signed in, and what they may do: in a job, or in the team. */
export function useMe(job?: number): Me {
  const { data } = useQuery({
    queryKey: ['me', job ?? null],
    queryFn: () => api.me(job),
    staleTime: 60_000,
  });
  return data ?? EVERYBODY;
}

/** Whether whoever has signed in may do something; everybody may on one desk. */
export const may = ({ people, may: abilities }: Me, ability: string): boolean => !people || abilities.includes(ability);
