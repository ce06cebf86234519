import { Plus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { Modal } from 'react-bootstrap';
import type { Sheets } from '../api/types';
import { Field } from '../job/Field';
import { NameField } from '../job/NameField';
import { FieldHome, NumberField } from '../job/NumberField';
import { PAPERS } from '../job/papers';
import { useWorkbench } from '../job/store';
import { tell } from '../job/tell';
import { useJob } from '../job/useJob';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { FileButton } from '../ui/FileButton';
import { IconButton } from '../ui/IconButton';
import { jpegOf } from '../ui/jpegOf';
import { Row } from '../ui/Section';

const TEXTS = [
  ['company', 'Owner'],
  ['number', 'Drawing no.'],
  ['drawn_by', 'Drawn by'],
  ['checked_by', 'Checked by'],
  ['tolerance', 'Tolerances'],
] as const;

const AXES = ['', '+x', '-x', '+y', '-y', '+z', '-z'].map((one): [string, string] => [
  one,
  one === '' ? 'not told' : one.replace('-', '−').toUpperCase(),
]);

type OwnFields = NonNullable<Sheets['fields']>;

/** What stands on the drawings of the job: paper, projection and title block. */
export function SheetsDialog() {
  const { panel, open } = useWorkbench();
  return (
    <Modal show={panel === 'sheets'} onHide={() => open(null)} scrollable aria-labelledby="sheets-title">
      <Modal.Header closeButton>
        <Modal.Title id="sheets-title">On the drawings</Modal.Title>
      </Modal.Header>
      <Modal.Body>
        <FieldHome value="sheets">
          <Fields />
        </FieldHome>
      </Modal.Body>
    </Modal>
  );
}

function Fields() {
  const { state, edit } = useJob();
  const sheets: Sheets = state.job.sheets ?? {};
  const fields = sheets.fields ?? [];
  // Merged into what the edits before it have left: two fields may be entered faster than one is kept.
  const change = (changed: (sheets: Sheets) => Partial<Sheets>, what: string) =>
    edit([], (job) => ({ sheets: { ...job.sheets, ...changed(job.sheets ?? {}) } }), what);
  const keep = (changed: Partial<Sheets>, what: string) => change(() => changed, what);
  const changeFields = (changed: (fields: OwnFields) => OwnFields, what: string) =>
    change((sheets) => ({ fields: changed(sheets.fields ?? []) }), what);
  const keepField = (index: number, changed: { name?: string; value?: string }) =>
    changeFields(
      (fields) => fields.map((one, i) => (i === index ? { ...one, ...changed } : one)),
      'Change the title block',
    );
  return (
    <>
      <Row label="Paper" wide>
        <Choice
          label="Paper"
          value={sheets.paper ?? 'a4'}
          of={PAPERS}
          onChange={(paper) => tell(keep({ paper: paper as Sheets['paper'] }, 'Change the paper'))}
        />
      </Row>
      <Row label="Views" wide>
        <Choice
          label="Projection"
          value={sheets.projection ?? 'first'}
          of={[
            ['first', 'first angle'],
            ['third', 'third angle'],
          ]}
          onChange={(one) => tell(keep({ projection: one as Sheets['projection'] }, 'Change the projection'))}
        />
      </Row>
      <Row label="North" wide>
        <Choice
          label="Axis that points north"
          value={sheets.north ?? ''}
          of={AXES}
          onChange={(north) =>
            tell(keep({ north: north === '' ? undefined : (north as Sheets['north']) }, 'Change north'))
          }
        />
      </Row>
      <Row label="Revision" wide>
        <NameField
          label="Revision of the job"
          name={state.job.revision ?? '–'}
          onChange={(revision) => edit([], { revision: revision.slice(0, 40) }, `Mark as revision ${revision}`)}
        />
      </Row>
      {TEXTS.map(([key, label]) => (
        <Row key={key} label={label} wide>
          <Field
            label={label}
            text={sheets[key] ?? ''}
            kind="text"
            onEnter={(text) => keep({ [key]: text.trim() }, `Change “${label}” on the drawings`)}
          />
        </Row>
      ))}
      <PartTolerances sheets={sheets} onChange={change} />
      <LogoRow
        logo={sheets.logo}
        onChange={(logo) => keep({ logo }, logo === undefined ? 'Take out the logo' : 'Change the logo')}
      />
      <div className="caption caption-row mt-2">
        <span>Fields of your own</span>
        <Button
          disabled={fields.length >= 8}
          onClick={() => tell(changeFields((before) => [...before, { name: 'Project', value: '' }], 'Add a field'))}
        >
          <Plus size={14} /> Add a field
        </Button>
      </div>
      {fields.map((field, index) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a field is its place
        <div key={index} className="own-field">
          <NameField
            label={`Name of field ${index + 1}`}
            name={field.name}
            onChange={(name) => keepField(index, { name })}
          />
          <Field
            label={`${field.name}: value`}
            text={field.value ?? ''}
            kind="text"
            onEnter={(value) => keepField(index, { value: value.trim() })}
          />
          <IconButton
            icon={Trash2}
            name={`Take out ${field.name}`}
            onClick={() =>
              tell(changeFields((before) => before.filter((_, i) => i !== index), `Take out ${field.name}`))
            }
          />
        </div>
      ))}
    </>
  );
}

/** How far bent parts may be off; left empty, the server takes what is usual. */
function PartTolerances({
  sheets,
  onChange,
}: {
  sheets: Sheets;
  onChange: (changed: (sheets: Sheets) => Partial<Sheets>, what: string) => Promise<void>;
}) {
  const field = (key: 'place' | 'straight' | 'angle', label: string) => (
    <Row label={label} wide>
      <NumberField
        label={label}
        value={sheets.part_tolerances?.[key]}
        placeholder="as usual"
        plain={key === 'angle'}
        unit={key === 'angle' ? '°' : undefined}
        onChange={(value) =>
          onChange(
            (before) => ({ part_tolerances: { ...before.part_tolerances, [key]: value } }),
            'Change how far bent parts may be off',
          )
        }
      />
    </Row>
  );
  return (
    <>
      <div className="caption caption-row mt-2">
        <span>Bent parts may be off by</span>
      </div>
      {field('place', 'Corners ±')}
      {field('straight', 'Straights ±')}
      {field('angle', 'Bends ±')}
    </>
  );
}

function LogoRow({
  logo,
  onChange,
}: {
  logo: string | undefined;
  onChange: (logo: string | undefined) => Promise<void>;
}) {
  const [fault, setFault] = useState<string | null>(null);
  const take = async (file: File) => {
    setFault(null);
    try {
      await onChange(await jpegOf(file));
    } catch (reason) {
      setFault(reason instanceof Error ? reason.message : String(reason));
    }
  };
  return (
    <>
      <div className="caption caption-row mt-2">
        <span>Logo</span>
        <FileButton label="Picture of the logo" accept="image/*" onFile={(file) => tell(take(file))}>
          {logo === undefined ? 'Add a logo' : 'Take another'}
        </FileButton>
      </div>
      {logo !== undefined && (
        <div className="logo-row">
          <img src={`data:image/jpeg;base64,${logo}`} alt="Logo on the drawings" />
          <IconButton icon={Trash2} name="Take out the logo" onClick={() => tell(onChange(undefined))} />
        </div>
      )}
      {fault !== null && (
        <p className="text-danger mb-1" role="alert">
          {fault}
        </p>
      )}
    </>
  );
}
