import { Box, Cable, Focus, Maximize, Palette, PencilRuler, Ruler, Slice, Spline, SquareDashed } from 'lucide-react';
import { useLaying } from '../job/laying';
import { useMeasuring } from '../job/measuring';
import { usePieces } from '../job/pieces';
import { usePreferences } from '../job/preferences';
import { useSectionPlane } from '../job/sectionPlane';
import { type Stage, useWorkbench } from '../job/store';
import { useJob } from '../job/useJob';
import { usePreferredStock } from '../job/usePreferredStock';
import { useWires } from '../job/wires';
import { IconButton } from '../ui/IconButton';
import { useCamera } from './camera';
import { useSectionToggle } from './section/useSectionToggle';

/** The buttons of the view, and in Lay the button to lay a run by hand. */
export function ViewTools({ stage }: { stage: Stage }) {
  const zoomTo = useCamera((store) => store.zoomTo);
  const { seeThrough, toggleSeeThrough, alone, isolate, picked, hidden, showAll } = useWorkbench();
  const { choosing, start, choose, stop } = useLaying();
  const pieces = usePieces();
  const joining = pieces.pieces !== null;
  const [stock] = usePreferredStock();
  const laying = choosing || start !== null;
  const section = useSectionPlane();
  const measuring = useMeasuring();
  const { byService, toggleByService } = usePreferences();
  const toggleSection = useSectionToggle();
  const { items } = useJob();
  const { inside, toggleInside } = useWires();
  return (
    <div className="view-tools">
      <IconButton icon={Maximize} name="Show everything (Home)" onClick={() => zoomTo('all')} />
      <IconButton icon={Focus} name="Zoom to what is picked (O)" onClick={() => zoomTo('picked')} />
      <IconButton
        icon={Box}
        name={seeThrough ? 'Make the surroundings solid (U)' : 'See through the surroundings (U)'}
        on={!seeThrough}
        onClick={toggleSeeThrough}
      />
      <IconButton
        icon={SquareDashed}
        name={alone === null ? 'Show what is picked by itself (I)' : 'Show the rest again (I)'}
        on={alone !== null}
        disabled={alone === null && (picked === null || picked.list === 'stock')}
        onClick={() => isolate(alone === null && picked !== null ? { list: picked.list, id: picked.id } : null)}
      />
      <IconButton
        icon={Slice}
        name={section.run === null ? 'Look at the picked run in section (W)' : 'Leave the section (W)'}
        on={section.run !== null}
        disabled={section.run === null && picked?.list !== 'runs'}
        onClick={toggleSection}
      />
      <IconButton
        icon={Palette}
        name={byService ? 'Colours by material (B)' : 'Colours by what runs carry (B)'}
        on={byService}
        onClick={toggleByService}
      />
      {items('harnesses').length > 0 && (
        <IconButton
          icon={Cable}
          name={inside ? 'Show trunks as bundles' : 'See the wires in the trunks'}
          on={inside}
          onClick={toggleInside}
        />
      )}
      <IconButton
        icon={Ruler}
        name={measuring.on ? 'Leave measuring (M)' : 'Measure between two things (M)'}
        on={measuring.on}
        onClick={measuring.on ? measuring.stop : measuring.begin}
      />
      {stage === 'lay' && !joining && (
        <button type="button" className={`lay-button${laying ? ' on' : ''}`} onClick={laying ? stop : choose}>
          <PencilRuler size={15} aria-hidden /> {laying ? 'Stop laying' : 'Lay a run'}
        </button>
      )}
      {stage === 'lay' && !laying && (
        <button
          type="button"
          className={`lay-button${joining ? ' on' : ''}`}
          onClick={joining ? pieces.stop : () => pieces.begin(stock)}
        >
          <Spline size={15} aria-hidden /> {joining ? 'Leave the pieces' : 'Straight pieces'}
        </button>
      )}
      {(hidden.size > 0 || alone !== null) && (
        <button type="button" className="lay-button" onClick={showAll}>
          {alone === null ? `${hidden.size} hidden` : 'one thing alone'} · show all
        </button>
      )}
    </div>
  );
}
