import { useJob } from '../job/useJob';
import { may, useMe } from '../job/useMe';

/** Says that whoever has signed in does not change the job, where that is so. */
export function RoleBanner() {
  const { state } = useJob();
  const me = useMe(state.id);
  if (state.frozen !== null || !me.people || me.may.length === 0 || may(me, 'edit')) {
    return null;
  }
  return (
    <p className="frozen-banner" role="status">
      {may(me, 'waive')
        ? 'You check this job: you remark, waive and issue, and change nothing else.'
        : 'You look at this job: what you change is not kept.'}
    </p>
  );
}
