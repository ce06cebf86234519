import { X } from 'lucide-react';
import { useCallback, useEffect, useState } from 'react';
import type { Measured } from '../../api/types';
import { lengthWithUnit, show } from '../../job/format';
import { useMeasuring } from '../../job/measuring';
import { usePointing } from '../../job/pointing';
import { tell } from '../../job/tell';
import { Button } from '../../ui/Button';
import { IconButton } from '../../ui/IconButton';
import { useMeasured } from './useMeasured';

/** Asks for two things to be pointed at, and says what there is between them. */
export function MeasureBar() {
  return useMeasuring((store) => store.on) ? <Bar /> : null;
}

function Bar() {
  const { from, to, take, stop } = useMeasuring();
  const ask = usePointing((store) => store.ask);
  const next = useCallback(
    (words: string) =>
      ask({
        words,
        kinds: ['port', 'clamp', 'corner', 'leg', 'face'],
        take: async (target) => take(target),
      }),
    [ask, take],
  );
  useEffect(() => {
    if (from === null) {
      next('Measure from');
    } else if (to === null) {
      next(`Measure from ${from.name} to`);
    }
  }, [from, to, next]);
  useEffect(() => () => ask(null), [ask]);
  const measured = useMeasured();
  return (
    <div className="section-bar measure-bar" role="region" aria-label="Measure">
      <div className="d-flex gap-2 align-items-center">
        <strong className="text-truncate">
          {from === null ? 'Measure' : to === null ? from.name : `${from.name} – ${to.name}`}
        </strong>
        <span className="flex-grow-1" />
        <IconButton icon={X} name="Leave measuring" onClick={stop} />
      </div>
      {measured.isError && <p className="text-danger mb-0">{measured.error.message}</p>}
      {from !== null && to !== null && measured.data !== undefined && <Figures of={measured.data} />}
      {to !== null && <Button onClick={() => next('Measure from')}>Measure again</Button>}
    </div>
  );
}

function Figures({ of }: { of: Measured }) {
  const [copied, setCopied] = useState(false);
  const rows = figures(of);
  const copy = async () => {
    await navigator.clipboard.writeText(rows.map((row) => row.join('\t')).join('\n'));
    setCopied(true);
  };
  return (
    <>
      <div role="status">
        <dl className="figures">
          {rows.map(([word, figure]) => (
            <div key={word}>
              <dt>{word}</dt>
              <dd>{figure}</dd>
            </div>
          ))}
        </dl>
      </div>
      <Button title="Copy these figures" onClick={() => tell(copy())}>
        {copied ? 'Copied' : 'Copy'}
      </Button>
    </>
  );
}

/** What was measured, each with its word. */
function figures({ distance, way: [x, y, z], angle, along, least, clear, axes }: Measured): [string, string][] {
  const length = (word: string, value: number | null): [string, string][] =>
    value === null ? [] : [[word, lengthWithUnit(value)]];
  return [
    ['Distance', lengthWithUnit(distance)],
    ['dx', lengthWithUnit(x)],
    ['dy', lengthWithUnit(y)],
    ['dz', lengthWithUnit(z)],
    ...(angle === null ? [] : ([['Angle', `${show(angle, 2)}°`]] as [string, string][])),
    ...length('Along the run', along),
    ...length('Least, by the axes', least?.distance ?? null),
    ...length('Least, outside to outside', clear),
    ...length('Between the axes', axes),
  ];
}
