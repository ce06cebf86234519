import { usePreferences } from './preferences';
import { useMe } from './useMe';

/** Under whose name something is done: of whoever has signed in, else as it was typed in this browser. */
export function usePerson(): { person: string; sign: ((person: string) => void) | null } {
  const me = useMe();
  const { person, sign } = usePreferences();
  return me.person === null ? { person, sign } : { person: me.person.name, sign: null };
}
