import { useState } from 'react';
import type { FlowPoint } from '../../api/types';
import { NumberField } from '../../job/NumberField';
import { tell } from '../../job/tell';
import { handStep } from '../../job/units';
import { useJob } from '../../job/useJob';
import { Button } from '../../ui/Button';
import { Row } from '../../ui/Section';
import { FlowPointFields } from './FlowPointFields';
import type { BehaviourProps } from './props';

/** The fields of a smooth run: its points, the pull of its ends, and easing. */
export function FlowFields({ run, route, onChange }: BehaviourProps) {
  const { lay } = useJob();
  const [within, setWithin] = useState<number | string>(handStep() * 20);
  const points = route.points ?? [];
  const put = (index: number, point: FlowPoint | null) =>
    onChange({ points: points.flatMap((one, i) => (i !== index ? [one] : point === null ? [] : [point])) });
  return (
    <>
      {points.map((point, index) => (
        <FlowPointFields
          // biome-ignore lint/suspicious/noArrayIndexKey: a point is its number
          key={index}
          number={index + 1}
          point={point}
          points={points}
          run={run.id}
          onChange={(next) => put(index, next)}
        />
      ))}
      <div className="d-flex gap-2 mt-1 mb-1">
        <Button onClick={() => tell(lay(run.id, { do: 'insert-point' }))}>Add a point</Button>
      </div>
      {(
        [
          ['Pull at the start', 'start_pull'],
          ['Pull at the end', 'end_pull'],
        ] as const
      ).map(([label, key]) => (
        <Row key={key} label={label}>
          <NumberField
            label={label}
            unit="×"
            plain
            value={route[key] ?? 1}
            onChange={(value) => onChange({ [key]: value })}
          />
        </Row>
      ))}
      {points.length > 0 && (
        <>
          <Row label="Points may move">
            <NumberField
              label="How far points may move to ease it"
              value={within}
              onChange={(value) => Promise.resolve(setWithin(value))}
            />
          </Row>
          <Button
            onClick={() => tell(lay(run.id, { do: 'ease', within }))}
            title="Its ends stay; no point moves farther"
          >
            Ease the tightest part
          </Button>
        </>
      )}
    </>
  );
}
