import { GitBranchPlus } from 'lucide-react';
import { api } from '../api/client';
import type { Run } from '../api/types';
import { lengthWithUnit } from '../job/format';
import { useWorkbench } from '../job/store';
import { tell } from '../job/tell';
import { useJob } from '../job/useJob';
import { Button } from '../ui/Button';
import { IconButton } from '../ui/IconButton';
import { Section } from '../ui/Section';

/** The runs that stand on a run, and a way to begin one. */
export function BranchList({ run }: { run: Run }) {
  const { state, items, put } = useJob();
  const pick = useWorkbench((store) => store.pick);
  const branches = items('runs').flatMap((other) =>
    [other.from?.on, other.to?.on].flatMap((on) => (on?.run === run.id ? [{ other, on }] : [])),
  );
  const add = async () => {
    const { item } = await api.newItem(state.id, { kind: 'branch', run: run.id });
    const branch = item as unknown as Run;
    await put('runs', branch, `Branch off ${run.name ?? run.id}`);
    pick('runs', branch.id);
  };
  return (
    <Section
      title="Branches"
      tools={<IconButton icon={GitBranchPlus} name="Begin a run on this one" onClick={() => tell(add())} />}
    >
      {branches.length === 0 && <p className="quiet mb-0">None stands on it.</p>}
      {branches.map(({ other, on }) => (
        <div key={`${other.id} ${on.length}`} className="row-field">
          <Button onClick={() => pick('runs', other.id)}>{other.name ?? other.id}</Button>
          <span className="figure">at {typeof on.length === 'number' ? lengthWithUnit(on.length) : on.length}</span>
        </div>
      ))}
    </Section>
  );
}
