import { X } from 'lucide-react';
import { lengthWithUnit, show } from '../../job/format';
import { NumberField } from '../../job/NumberField';
import { plainNumber } from '../../job/plainNumber';
import { usePointing } from '../../job/pointing';
import { type PlaneKind, useSectionPlane } from '../../job/sectionPlane';
import { useJob } from '../../job/useJob';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { IconButton } from '../../ui/IconButton';
import { useSection } from './useSection';

/** Where the bodies are cut, and how thick their walls are there. */
export function SectionBar() {
  const run = useSectionPlane((store) => store.run);
  const { solution, item } = useJob();
  const solved = run === null ? undefined : solution(run);
  return run === null || solved === undefined ? null : (
    <Bar name={item('runs', run)?.name ?? run} most={solved.length} />
  );
}

function Bar({ name, most }: { name: string; most: number }) {
  const { kind, along, offset, turn, points, setKind, move, stop } = useSectionPlane();
  const isSquare = kind === 'square';
  return (
    <div className="section-bar" role="region" aria-label="Section">
      <div className="d-flex gap-2 align-items-center">
        <strong className="text-truncate">{name}</strong>
        <Choice
          narrow
          label="Plane of the section"
          value={kind}
          of={[
            ['square', 'square to the run'],
            ['own', 'in the plane of the run'],
            ['points', 'through three points'],
          ]}
          onChange={(value) => setKind(value as PlaneKind)}
        />
        <span className="flex-grow-1" />
        <IconButton icon={X} name="Leave the section" onClick={stop} />
      </div>
      {kind === 'points' && points.length < 3 ? (
        <ThreePoints count={points.length} />
      ) : (
        <Slide
          label={isSquare ? 'Along the run' : 'Off its plane'}
          value={isSquare ? along : offset}
          least={isSquare ? 0 : -most / 4}
          most={isSquare ? most : most / 4}
          onChange={(value) => move(isSquare ? { along: value } : { offset: value })}
        />
      )}
      {kind !== 'points' && (
        <Slide label="Turned by" angle value={turn} least={-80} most={80} onChange={(value) => move({ turn: value })} />
      )}
      <Facts />
    </div>
  );
}

interface SlideProps {
  label: string;
  value: number;
  least: number;
  most: number;
  angle?: boolean;
  onChange: (value: number) => void;
}

/** A number that is slid or typed. */
function Slide({ label, value, least, most, angle = false, onChange }: SlideProps) {
  const within = (typed: number) => Math.min(most, Math.max(least, typed));
  return (
    <div className="slide">
      <span>{label}</span>
      <input
        type="range"
        className="form-range"
        aria-label={`Section: ${label.toLowerCase()}, slide`}
        min={least}
        max={most}
        step="any"
        value={value}
        onChange={(event) => onChange(Math.round(Number(event.target.value)))}
        onKeyDown={(event) => {
          const step = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }[event.key];
          if (step !== undefined) {
            event.preventDefault();
            onChange(within(value + step));
          }
        }}
      />
      <NumberField
        label={`Section: ${label.toLowerCase()}`}
        unit={angle ? '°' : undefined}
        plain={angle}
        value={value}
        onChange={async (typed) => onChange(within(plainNumber(typed)))}
      />
    </div>
  );
}

function ThreePoints({ count }: { count: number }) {
  const addPoint = useSectionPlane((store) => store.addPoint);
  const ask = usePointing((store) => store.ask);
  const next = (which: number) =>
    ask({
      words: `Point ${which} of 3`,
      kinds: ['port', 'clamp', 'corner'],
      take: async ({ at }) => {
        addPoint([at.x, at.y, at.z]);
        if (which < 3) {
          next(which + 1);
        }
      },
    });
  return (
    <Button onClick={() => next(count + 1)}>
      {count === 0 ? 'Point at three places' : `Point at place ${count + 1}`}
    </Button>
  );
}

/** Least and greatest wall in the cut, its area, and the wall that is pointed at. */
function Facts() {
  const run = useSectionPlane((store) => store.run);
  const section = useSection();
  if (section.isError) {
    return <p className="text-danger mb-0">{section.error.message}</p>;
  }
  const own = section.data?.cuts.filter((cut) => cut.run === run) ?? [];
  const wall = section.data?.wall;
  if (own.length === 0) {
    return (
      <p className="quiet mb-0">{section.data === undefined ? 'Cutting…' : 'The plane meets nothing of it here.'}</p>
    );
  }
  const least = own.flatMap(({ least: one }) => (one === null ? [] : [one.thickness])).sort((a, b) => a - b)[0];
  const most = own.flatMap(({ most: one }) => (one === null ? [] : [one.thickness])).sort((a, b) => b - a)[0];
  return (
    <p className="mb-0 facts" role="status">
      {least !== undefined && most !== undefined && (
        <>
          Wall {lengthWithUnit(least)} to {lengthWithUnit(most)} ·{' '}
        </>
      )}
      {show(
        own.reduce((sum, { area }) => sum + area, 0),
        1,
      )}{' '}
      mm² of material
      {wall != null && (
        <>
          {' '}
          · <strong>here {lengthWithUnit(wall.thickness)}</strong>
        </>
      )}
    </p>
  );
}
