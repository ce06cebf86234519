import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api } from '../api/client';
import type { Remark } from '../api/types';
import { Field } from '../job/Field';
import { useWorkbench } from '../job/store';
import { tell } from '../job/tell';
import { useJob } from '../job/useJob';
import { may, useMe } from '../job/useMe';
import { usePerson } from '../job/usePerson';
import { partWords, remarkPart, useRemarks } from '../job/useRemarks';
import { Button } from '../ui/Button';
import { Section } from '../ui/Section';

/** What somebody who checks has to say of places in the job, with answers; new ones are about what is picked. */
export function Remarks() {
  const { state, item } = useJob();
  const client = useQueryClient();
  const picked = useWorkbench((store) => store.picked);
  const { person, sign } = usePerson();
  const me = useMe(state.id);
  const { data, error } = useRemarks();
  const [isWriting, setIsWriting] = useState(false);
  const refresh = () => client.invalidateQueries({ queryKey: ['remarks', state.id] });
  const name = picked === null ? null : (item(picked.list, picked.id)?.name ?? picked.id);
  const part = picked === null ? undefined : partWords(picked.part);
  const make = async (typed: string) => {
    if (picked === null || typed.trim() === '') {
      throw new Error('A remark says something of what is picked.');
    }
    await api.remark(state.id, {
      list: picked.list,
      item: picked.id,
      ...(part === undefined ? {} : { part }),
      words: typed,
      by: person,
    });
    setIsWriting(false);
    await refresh();
  };
  const remarks = data?.remarks ?? [];
  if (state.frozen !== null) {
    return null;
  }
  return (
    <Section title="Remarks">
      {error !== null && <p className="text-danger">{error.message}</p>}
      {remarks.length === 0 && <p className="quiet mb-1">None. Pick what you have something to say of.</p>}
      {remarks.map((one) => (
        <OneRemark key={one.id} remark={one} onChange={refresh} />
      ))}
      {picked !== null &&
        may(me, 'remark') &&
        (isWriting ? (
          <div className="d-grid gap-1">
            <span className="quiet">
              On {name}
              {part !== undefined && `, ${part}`}
            </span>
            {sign !== null && (
              <label className="quiet">
                Your name
                <input
                  className="form-control form-control-sm"
                  value={person}
                  onChange={(event) => sign(event.target.value)}
                />
              </label>
            )}
            <Field label="Remark" text="" kind="text" onEnter={make} />
            <Button onClick={() => setIsWriting(false)}>Leave it</Button>
          </div>
        ) : (
          <Button onClick={() => setIsWriting(true)}>
            Remark on {part === undefined ? name : `${name}, ${part}`}…
          </Button>
        ))}
    </Section>
  );
}

function OneRemark({ remark, onChange }: { remark: Remark; onChange: () => Promise<void> }) {
  const { state, item } = useJob();
  const pick = useWorkbench((store) => store.pick);
  const { person } = usePerson();
  const [isAnswering, setIsAnswering] = useState(false);
  const change = async (changed: { answer?: string; resolved?: boolean }) => {
    await api.changeRemark(state.id, remark.id, { by: person === '' ? 'somebody' : person, ...changed });
    setIsAnswering(false);
    await onChange();
  };
  const isSettled = remark.resolved_at !== null;
  const part = remarkPart(remark);
  return (
    <section className={`finding ${isSettled ? 'waived' : 'warning'}`} aria-label={`Remark: ${remark.words}`}>
      <button type="button" className="title" title="Show where" onClick={() => pick(remark.list, remark.item, part)}>
        <span>
          {item(remark.list, remark.item)?.name ?? remark.item}
          {remark.part !== null && `, ${remark.part}`}
        </span>
      </button>
      <div>{remark.words}</div>
      <div className="quiet">{remark.by}</div>
      {remark.answer !== null && remark.answer !== '' && (
        <div>
          <span className="quiet">{remark.answered_by}:</span> {remark.answer}
        </div>
      )}
      {isAnswering ? (
        <Field label="Answer" text={remark.answer ?? ''} kind="text" onEnter={(answer) => change({ answer })} />
      ) : (
        <div className="remedies">
          {!isSettled && <Button onClick={() => setIsAnswering(true)}>Answer…</Button>}
          <Button onClick={() => tell(change({ resolved: !isSettled }))}>
            {isSettled ? 'Open it again' : 'Settled'}
          </Button>
        </div>
      )}
    </section>
  );
}
