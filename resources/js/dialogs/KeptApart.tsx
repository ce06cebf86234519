import { Plus, Trash2 } from 'lucide-react';
import type { Clearance, Clearances, Service } from '../api/types';
import { Field } from '../job/Field';
import { NumberField } from '../job/NumberField';
import { tell } from '../job/tell';
import { useJob } from '../job/useJob';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { IconButton } from '../ui/IconButton';
import { Row, Section } from '../ui/Section';

/** The class by which a service is kept off others: any word, or none. */
export function ClassField({
  service,
  onChange,
}: {
  service: Service;
  onChange: (name: string | undefined) => Promise<void>;
}) {
  return (
    <Field
      label={`${service.name}: class`}
      text={service.class ?? ''}
      placeholder="no class"
      onEnter={(typed) => onChange(typed.trim() === '' ? undefined : typed.trim())}
      kind="text"
    />
  );
}

/** How far apart runs are kept by the classes of what they carry. */
export function KeptApart() {
  const { state, edit } = useJob();
  const told: Clearances = state.job.clearances ?? {};
  const rows = told.between ?? [];
  const classes = [
    ...new Set(state.services.flatMap(({ class: one }) => (one === undefined || one === '' ? [] : [one]))),
  ];
  const keep = (changed: Clearances, what: string) => edit([], { clearances: { ...told, ...changed } }, what);
  const change = (index: number, changed: Partial<Clearance>) =>
    keep({ between: rows.map((row, i) => (i === index ? { ...row, ...changed } : row)) }, 'Change a distance');
  const isNew = ([one, other]: Clearance['classes']) =>
    !rows.some(
      ({ classes: [first, second] }) => (first === one && second === other) || (first === other && second === one),
    );
  const next = [
    ...classes.flatMap((one, i) => classes.slice(i + 1).map((other): Clearance['classes'] => [one, other])),
    ...classes.map((one): Clearance['classes'] => [one]),
  ].find(isNew);
  return (
    <Section title="Kept apart">
      <p className="quiet mb-2">
        From surface to surface, insulation included. A row about two classes goes before one about a single class.
      </p>
      <Row label="Usually">
        <NumberField
          label="Usually"
          value={told.usual ?? 0}
          onChange={(usual) => keep({ usual }, 'Change the usual distance')}
        />
      </Row>
      {rows.map(({ classes: [one, other], distance, why }, index) => (
        <fieldset key={`${one} ${other}`} className="kept-apart">
          <legend className="visually-hidden">
            {one} and {other ?? 'everything'}
          </legend>
          <Choice
            narrow
            label={`Row ${index + 1}: class`}
            value={one ?? ''}
            of={classes.map((name): [string, string] => [name, name])}
            onChange={(name) => tell(change(index, { classes: other === undefined ? [name] : [name, other] }))}
          />
          <span>off</span>
          <Choice
            narrow
            label={`Row ${index + 1}: what it is kept off`}
            value={other ?? ''}
            of={[['', 'everything'], ...classes.map((name): [string, string] => [name, name])]}
            onChange={(name) => tell(change(index, { classes: name === '' ? [one ?? ''] : [one ?? '', name] }))}
          />
          <NumberField
            label={`${one} and ${other ?? 'everything'}: distance`}
            value={distance}
            onChange={(now) => change(index, { distance: now })}
          />
          <Field
            label={`${one} and ${other ?? 'everything'}: why`}
            text={why ?? ''}
            onEnter={(typed) => change(index, { why: typed.trim() === '' ? undefined : typed.trim() })}
            kind="text"
          />
          <IconButton
            icon={Trash2}
            name={`Delete ${one} and ${other ?? 'everything'}`}
            onClick={() => tell(keep({ between: rows.filter((_, i) => i !== index) }, 'Delete a distance'))}
          />
        </fieldset>
      ))}
      <Button
        title={next === undefined ? 'Give services a class first: hot, live, fuel …' : undefined}
        disabled={next === undefined}
        onClick={() =>
          next !== undefined && tell(keep({ between: [...rows, { classes: next, distance: 50 }] }, 'Keep apart'))
        }
      >
        <Plus size={14} aria-hidden /> Keep apart
      </Button>
    </Section>
  );
}
