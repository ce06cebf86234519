import { useState } from 'react';
import { api, files } from '../api/client';
import { useJob } from '../job/useJob';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { Section } from '../ui/Section';
import { ListDialog } from './ListDialog';

const LISTS = [
  ['parts', 'Bill of materials'],
  ['parts-by-spool', 'Bill of materials by spool'],
  ['cutting', 'Cut list, nested into bars'],
  ['welds', 'Weld list'],
  ['supports', 'Support list'],
  ['valves', 'Valve list'],
  ['hoses', 'Hose order list'],
] as const;

/** Widths of saw cuts, mm. */
const KERFS = ['0', '1', '2', '3', '4', '5'].map((one): [string, string] => [one, `cuts ${one} mm wide`]);

/** The lists by which a job, or a set of its runs, is bought, cut, welded and hung. */
export function JobLists() {
  const { state } = useJob();
  const [open, setOpen] = useState<(typeof LISTS)[number] | null>(null);
  const [set, setSet] = useState('');
  const [kerf, setKerf] = useState('3');
  const sets = state.job.sets ?? [];
  const query = { set, kerf: open?.[0] === 'cutting' ? kerf : undefined };
  return (
    <Section title="Lists">
      <div className="made-list">
        {LISTS.map((one) => (
          <Button key={one[0]} onClick={() => setOpen(one)}>
            {one[1]}
          </Button>
        ))}
      </div>
      {open !== null && (
        <ListDialog
          key={open[0]}
          title={open[1]}
          of={[open[0], query]}
          load={() => api.jobList(state.id, open[0], query)}
          csv={files.jobList(state.id, open[0], 'csv', query)}
          pdf={files.jobList(state.id, open[0], 'pdf', query)}
          onClose={() => setOpen(null)}
        >
          <div className="d-flex gap-2 mb-2">
            {sets.length > 0 && (
              <Choice
                label="Of which runs"
                value={set}
                of={[['', 'all runs'], ...sets.map(({ id, name }): [string, string] => [id, `the set ${name ?? id}`])]}
                onChange={setSet}
              />
            )}
            {open[0] === 'cutting' && <Choice label="Width of a cut" value={kerf} of={KERFS} onChange={setKerf} />}
          </div>
        </ListDialog>
      )}
    </Section>
  );
}
