import { useQuery } from '@tanstack/react-query';
import { api } from '../api/client';
import type { Run, SolvedEnd } from '../api/types';
import { type AnyFlange, isSame, isStandard, type OwnFlange } from '../job/flanges';
import { length } from '../job/format';
import { tell } from '../job/tell';
import { useJob } from '../job/useJob';
import { Row } from '../ui/Section';
import { OwnFlangeFields } from './OwnFlangeFields';

/** The end or the joint that a flange is at, as an edit names it. */
export type FlangePlace = { end: 'from' | 'to' } | { joint: number };

interface Props {
  title: string;
  run: Run;
  place: FlangePlace;
  /** Null of a joint that takes that of an end of the run. */
  flange: AnyFlange | null;
  /** What it comes to. */
  solved: SolvedEnd | undefined;
  onChange: (flange: AnyFlange | null) => Promise<void>;
}

/** Which flange it is: of a standard, as the other end, or with measures of its own. */
export function FlangeFields({ title, run, place, flange, solved, onChange }: Props) {
  const { lay } = useJob();
  const tables = useQuery({
    queryKey: ['flange-tables'],
    queryFn: api.flangeTables,
    staleTime: Number.POSITIVE_INFINITY,
  });
  const kept = useQuery({ queryKey: ['own-flanges'], queryFn: api.ownFlanges });
  const otherEnd = 'end' in place ? (place.end === 'from' ? 'to' : 'from') : null;
  const chosen =
    flange === null ? 'end' : isStandard(flange) ? flange.standard : isSame(flange) ? 'same' : ownChoice(flange);
  const choose = (value: string) => {
    if (value === 'end') {
      tell(onChange(null));
      return;
    }
    tell(
      lay(run.id, {
        do: 'choose-flange',
        ...place,
        ...(value === 'own'
          ? {}
          : value === 'same'
            ? { same_as: { run: run.id, end: otherEnd ?? 'from' } }
            : value.startsWith('part:')
              ? { flange: kept.data?.find((one) => `part:${one.part_number}` === value)?.flange }
              : { standard: value }),
      }),
    );
  };
  return (
    <>
      <Row label="Flange" wide>
        <select
          className="form-select form-select-sm"
          aria-label={`${title}: flange`}
          value={chosen}
          onChange={(event) => choose(event.target.value)}
        >
          <option value="own">own measures</option>
          {otherEnd === null ? (
            <option value="end">as the ends of the run</option>
          ) : (
            <option value="same">as the other end of the run</option>
          )}
          {kept.data?.map(({ part_number }) => (
            <option key={part_number} value={`part:${part_number}`}>
              {part_number}
            </option>
          ))}
          {chosen.startsWith('part:') && !kept.data?.some((one) => `part:${one.part_number}` === chosen) && (
            <option value={chosen}>{chosen.slice(5)}</option>
          )}
          {tables.data?.map(({ name }) => (
            <option key={name} value={name}>
              {name}
            </option>
          ))}
          {tables.data === undefined && flange !== null && isStandard(flange) && (
            <option value={chosen}>{chosen}</option>
          )}
        </select>
      </Row>
      {tables.isError && <p className="text-danger mb-0">{tables.error.message}</p>}
      {flange !== null && isStandard(flange) && (
        <Row label="Size">
          <select
            className="form-select form-select-sm"
            aria-label={`${title}: size of the flange`}
            value={flange.nominal ?? ''}
            onChange={(event) => {
              const { nominal: _nominal, ...rest } = flange;
              tell(onChange(event.target.value === '' ? rest : { ...rest, nominal: event.target.value }));
            }}
          >
            <option value="">that of the pipe</option>
            {tables.data
              ?.find(({ name }) => name === flange.standard)
              ?.sizes.map((size) => (
                <option key={size}>{size}</option>
              ))}
          </select>
        </Row>
      )}
      {flange === null || isStandard(flange) || isSame(flange) ? (
        <Facts solved={solved} />
      ) : (
        <OwnFlangeFields title={title} run={run} place={place} flange={flange} onChange={onChange} />
      )}
    </>
  );
}

/** Returns the choice that one with measures of its own is: that of the catalogue where it has a part number. */
const ownChoice = (flange: OwnFlange) => (flange.part_number === undefined ? 'own' : `part:${flange.part_number}`);

/** The measures that a standard or another end gives it. */
function Facts({ solved }: { solved: SolvedEnd | undefined }) {
  const flange = solved?.flange;
  if (flange == null) {
    return null;
  }
  const { od, thickness, holes, neck } = flange;
  return (
    <p className="quiet mb-1">
      {solved?.name !== null && <strong>{solved?.name?.replace(/^.*(?=(DN|NPS) )/, '')}: </strong>}
      {od !== undefined && <>ø {length(od)}, </>}
      {length(thickness)} thick
      {holes !== undefined && (
        <>
          , {holes.count} holes of {length(holes.diameter)} on {length(holes.circle)}
        </>
      )}
      {neck?.length !== undefined && <>, neck {length(neck.length)} long</>}.
    </p>
  );
}
