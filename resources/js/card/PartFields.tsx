import { useQuery } from '@tanstack/react-query';
import { api } from '../api/client';
import type { Fitting, Part } from '../api/types';
import { NumberField } from '../job/NumberField';
import { Row, Section } from '../ui/Section';

/** The numbers of a fitting of the library; its ports follow them. */
export function PartFields({ part, onChange }: { part: Part; onChange: (part: Fitting['part']) => Promise<void> }) {
  const parts = useQuery({ queryKey: ['parts'], queryFn: api.parts, staleTime: Number.POSITIVE_INFINITY });
  const kind = parts.data?.find((one) => one.kind === part.kind);
  return (
    <Section title={kind?.title ?? 'Part'}>
      {parts.isError && <p className="text-danger mb-0">{parts.error.message}</p>}
      {kind?.parameters.map(({ key, label, unit, default: usual }) => (
        <Row key={key} label={label}>
          <NumberField
            label={label}
            unit={unit === 'mm' ? undefined : unit}
            plain={unit !== 'mm'}
            value={(part[key] as number | string | undefined) ?? usual}
            onChange={(value) => onChange({ ...part, [key]: value })}
          />
        </Row>
      ))}
    </Section>
  );
}
